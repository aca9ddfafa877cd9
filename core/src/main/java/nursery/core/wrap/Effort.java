package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.noding.BasicSegmentString;
import org.locationtech.jts.noding.MCIndexNoder;
import org.locationtech.jts.noding.SegmentIntersector;
import org.locationtech.jts.noding.SegmentString;

/**
 * How much work it is to lay lines over one another, counted before it is begun: joining lines that cross thousands of
 * times takes minutes and more memory than there is, whatever their number of points. Counting stops where it is too
 * much.
 */
final class Effort {

    /** Lines that cross oftener are a scribble, not something a blade follows. */
    static final int MOST_CROSSINGS = 20_000;
    /** Pairs of stretches looked at; a traced drawing of 20,000 points takes a hundredth of it. */
    private static final int MOST_LOOKS = 3_000_000;

    private final RobustLineIntersector meeting = new RobustLineIntersector();
    private int crossings;
    private int looks;

    private Effort() {}

    /** Whether lines cross themselves and one another so rarely that they can be worked with. */
    static boolean isBearable(List<Coordinate[]> lines) {
        List<SegmentString> strings = new ArrayList<>(lines.size());
        for (Coordinate[] line : lines) {
            strings.add(new BasicSegmentString(line, null));
        }
        Effort effort = new Effort();
        try {
            new MCIndexNoder(effort.counting()).computeNodes(strings);
            return true;
        } catch (TooMuch enough) {
            return false;
        }
    }

    private SegmentIntersector counting() {
        return new SegmentIntersector() {
            @Override
            public void processIntersections(SegmentString one, int i, SegmentString other, int j) {
                count(one, i, other, j);
            }

            @Override
            public boolean isDone() {
                return false;
            }
        };
    }

    private void count(SegmentString one, int i, SegmentString other, int j) {
        if (++looks > MOST_LOOKS) {
            throw new TooMuch();
        }
        if (one == other && (Math.abs(i - j) <= 1 || Math.abs(i - j) >= one.size() - 2)) {
            return;
        }
        meeting.computeIntersection(
                one.getCoordinate(i), one.getCoordinate(i + 1), other.getCoordinate(j), other.getCoordinate(j + 1));
        if (meeting.hasIntersection() && ++crossings > MOST_CROSSINGS) {
            throw new TooMuch();
        }
    }

    /** Leaves the counting wherever it is. */
    private static final class TooMuch extends RuntimeException {
        private static final long serialVersionUID = 1;

        TooMuch() {
            super("", null, false, false);
        }
    }
}

package nursery.core.wrap;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;

/**
 * The way a blade goes through lines in their order, and how long that takes.
 *
 * @param cutMm with the blade down
 * @param liftedMm with it up, from the end of one line to the beginning of the next, from the corner first
 * @param lifts how often it is lifted
 */
public record BladeWay(double cutMm, double liftedMm, int lifts) {

    /** How fast a small cutter goes; from memory. */
    private static final double CUT_MM_PER_S = 60;

    private static final double LIFTED_MM_PER_S = 200;
    private static final double LIFT_S = 0.2;

    public static BladeWay of(List<Coordinate[]> lines) {
        double cut = 0;
        double lifted = 0;
        Coordinate at = new Coordinate(0, 0);
        for (Coordinate[] line : lines) {
            lifted += at.distance(line[0]);
            for (int i = 1; i < line.length; i++) {
                cut += line[i - 1].distance(line[i]);
            }
            at = line[line.length - 1];
        }
        return new BladeWay(cut, lifted, lines.size());
    }

    public double minutes() {
        return (cutMm / CUT_MM_PER_S + liftedMm / LIFTED_MM_PER_S + lifts * LIFT_S) / 60;
    }
}

package nursery.app.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Arcs against the notes of SVG 1.1 on implementing them, F.6: within a hundredth of a millimetre. */
class EllipticalArcTest {

    private static List<double[]> points(String data) {
        List<double[]> points = new ArrayList<>();
        Path2D path = PathReading.of(data);
        double[] at = new double[6];
        for (PathIterator all = new FlatteningPathIterator(path.getPathIterator(null), 1e-5, 12);
                !all.isDone();
                all.next()) {
            if (all.currentSegment(at) != PathIterator.SEG_CLOSE) {
                points.add(new double[] {at[0], at[1]});
            }
        }
        return points;
    }

    /** A circle of two half arcs came out as 80.00 by 80.36. */
    @Test
    void aCircleOfTwoHalvesIsRound() {
        String circle = "M10 50 A40 40 0 0 1 90 50 A40 40 0 0 1 10 50 Z";
        Rectangle2D box = PathReading.of(circle).getBounds2D();
        assertThat(box.getWidth()).isCloseTo(80, within(0.01));
        assertThat(box.getHeight()).isCloseTo(80, within(0.01));
        assertThat(points(circle))
                .allSatisfy(at -> assertThat(Math.hypot(at[0] - 50, at[1] - 50)).isCloseTo(40, within(0.001)));
    }

    /** F.6.6: radii too small for the ends are grown until they just reach: half a circle of half their distance. */
    @Test
    void radiiThatAreTooSmallJustReach() {
        assertThat(points("M10 50 a7 7 0 0 0 80 0"))
                .allSatisfy(at -> assertThat(Math.hypot(at[0] - 50, at[1] - 50)).isCloseTo(40, within(0.001)));
        // 2:1 and turned by a quarter: half as wide as it is high.
        Rectangle2D tall = PathReading.of("M0 0 A2 1 90 0 1 0 80").getBounds2D();
        assertThat(tall.getHeight()).isCloseTo(80, within(0.01));
        assertThat(tall.getWidth()).isCloseTo(20, within(0.01));
    }

    /** The four arcs between two points (the notes' own figure): by flag, larger or smaller than a half turn. */
    @Test
    void theFlagsChooseWhichOfFour() {
        assertThat(PathReading.of("M0 0 A50 50 0 0 1 50 50").getBounds2D().getWidth())
                .isCloseTo(50, within(0.01));
        assertThat(PathReading.of("M0 0 A50 50 0 1 1 50 50").getBounds2D().getWidth())
                .isCloseTo(100, within(0.01));
        assertThat(PathReading.of("M0 0 A50 50 0 0 0 50 50").getBounds2D().getMaxY())
                .isCloseTo(50, within(0.01));
        assertThat(PathReading.of("M0 0 A50 50 0 1 0 50 50").getBounds2D().getMaxY())
                .isCloseTo(100, within(0.01));
    }

    /** Every point of an arc by chance satisfies its ellipse, and it ends where it should. */
    @Test
    void everyPointLiesOnItsEllipse() {
        Random random = new Random(66);
        for (int trial = 0; trial < 300; trial++) {
            double rx = 20 + 60 * random.nextDouble();
            double ry = 20 + 60 * random.nextDouble();
            double turned = 360 * random.nextDouble();
            double phi = Math.toRadians(turned);
            double first = 2 * Math.PI * random.nextDouble();
            double sweep = (random.nextBoolean() ? 1 : -1) * (0.1 + 6 * random.nextDouble());
            double[] from = on(rx, ry, phi, first);
            double[] to = on(rx, ry, phi, first + sweep);
            String data = "M%s %s A%s %s %s %d %d %s %s"
                    .formatted(
                            from[0],
                            from[1],
                            rx,
                            ry,
                            turned,
                            Math.abs(sweep) > Math.PI ? 1 : 0,
                            sweep > 0 ? 1 : 0,
                            to[0],
                            to[1]);
            List<double[]> points = points(data);
            assertThat(points).as(data).allSatisfy(at -> {
                double x = Math.cos(phi) * at[0] + Math.sin(phi) * at[1];
                double y = -Math.sin(phi) * at[0] + Math.cos(phi) * at[1];
                assertThat(Math.hypot(x / rx, y / ry)).isCloseTo(1, within(0.0002));
            });
            double[] last = points.get(points.size() - 1);
            assertThat(Math.hypot(last[0] - to[0], last[1] - to[1])).isLessThan(0.001);
        }
    }

    private static double[] on(double rx, double ry, double phi, double angle) {
        double x = rx * Math.cos(angle);
        double y = ry * Math.sin(angle);
        return new double[] {Math.cos(phi) * x - Math.sin(phi) * y, Math.sin(phi) * x + Math.cos(phi) * y};
    }
}

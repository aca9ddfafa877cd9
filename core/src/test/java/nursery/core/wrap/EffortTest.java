package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * Drawings that are too much are told so before the work on them begins, and large ones that are not are worked with.
 * The limits here are no measure of speed: without the bound each of them took minutes.
 */
@Timeout(value = 120, unit = TimeUnit.SECONDS)
class EffortTest {

    private static Coordinate[] closed(List<Coordinate> corners) {
        corners.add(corners.get(0).copy());
        return corners.toArray(new Coordinate[0]);
    }

    /** A line through random points, closed. */
    private static Coordinate[] scribble(int points) {
        Random random = new Random(7);
        List<Coordinate> corners = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            corners.add(new Coordinate(100 * random.nextDouble(), 100 * random.nextDouble()));
        }
        return closed(corners);
    }

    /** A ring around with so many corners, each off by so much at random. */
    private static Coordinate[] ring(int points, double radius, double rough) {
        Random random = new Random(11);
        List<Coordinate> corners = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            double angle = 2 * Math.PI * i / points;
            double out = radius + rough * random.nextDouble();
            corners.add(new Coordinate(out * Math.cos(angle), out * Math.sin(angle)));
        }
        return closed(corners);
    }

    @Test
    void aScribbleIsTooMuch() {
        assertThatThrownBy(() -> Shapes.filling(List.<Coordinate[]>of(scribble(2000)), false))
                .isInstanceOf(InvalidInput.class)
                .hasMessageContaining("cross one another more than 20000 times");
    }

    /** The square of side a and the winding of its corners are known: every second corner of a star is inside. */
    @Tag("simulation")
    @Test
    void whatCrossesItselfAFewThousandTimesIsFilled() {
        Geometry filled = Shapes.filling(List.<Coordinate[]>of(scribble(150)), true);
        assertThat(filled.getArea()).isBetween(1000.0, 10_000.0);
        Geometry other = Shapes.filling(List.<Coordinate[]>of(scribble(150)), false);
        assertThat(other.getArea()).isGreaterThan(filled.getArea());
    }

    /** Five thousand squares in one path: a hundred rows of fifty, of 1 mm² each. */
    @Tag("simulation")
    @Test
    void thousandsOfPartsOfOnePathAreFilled() {
        List<Coordinate[]> rings = new ArrayList<>();
        for (int i = 0; i < 5000; i++) {
            double x = 2 * (i % 50);
            double y = 2 * (i / 50);
            rings.add(closed(new ArrayList<>(List.of(
                    new Coordinate(x, y),
                    new Coordinate(x + 1, y),
                    new Coordinate(x + 1, y + 1),
                    new Coordinate(x, y + 1)))));
        }
        assertThat(Shapes.filling(rings, false).getArea()).isCloseTo(5000, within(1e-6));
    }

    /** A circle of 40 mm, traced: its outline of 1.5 mm is larger by perimeter·d + π·d² (Steiner). */
    @Test
    void aTracedDrawingOfTwentyThousandPointsIsOutlined() {
        Geometry traced = Shapes.filling(List.<Coordinate[]>of(ring(20_000, 40, 0.02)), false);
        assertThat(traced.getNumPoints()).isGreaterThan(19_000);
        assertThat(Shapes.canBeGrown(traced, 1.5)).isTrue();
        double more = Shapes.grown(traced, 1.5, true).getArea() - traced.getArea();
        assertThat(more).isCloseTo(2 * Math.PI * 40 * 1.5 + Math.PI * 1.5 * 1.5, within(2.5));
    }

    /** Sixty thousand corners each off by up to 0.3 mm: it can be laid, but no outline can be made of it. */
    @Tag("simulation")
    @Test
    void aJaggedOutlineIsToldFromATracedOne() {
        Geometry jagged = Shapes.filling(List.<Coordinate[]>of(ring(60_000, 40, 0.3)), false);
        assertThat(Shapes.canBeGrown(jagged, 1.5)).isFalse();
        assertThat(Shapes.thin(jagged, 0.5)).isEmpty();
        Item item = new Item(
                "jagged",
                Art.of(List.of(new Piece("jagged", "#123456", jagged))),
                new Lay(60, 0, 0, 60, Lay.Bend.LEVEL),
                Sheet.VINYL,
                new Item.Make(false, List.of(1.5), List.of("#ffffff"), true, false, 0),
                1);
        assertThat(item.isTooFine()).isTrue();
        assertThat(item.pieces()).hasSize(1);
    }

    /** And by up to 3 mm it is no drawing any more. */
    @Tag("simulation")
    @Test
    void whatIsNoiseIsTooMuch() {
        assertThatThrownBy(() -> Shapes.filling(List.<Coordinate[]>of(ring(60_000, 40, 3)), false))
                .isInstanceOf(InvalidInput.class);
    }

    /** Simplified or not, an arc is true to a hundredth of a millimetre. */
    @Test
    void anOutlineOfACircleIsACircle() {
        Geometry circle = Shapes.filling(List.<Coordinate[]>of(ring(720, 20, 0)), false);
        for (double mm : new double[] {0.1, 0.5, 1.75, 10}) {
            double area = Shapes.grown(circle, mm, true).getArea();
            assertThat(Math.sqrt(area / Math.PI)).isCloseTo(20 + mm, within(0.01));
        }
    }
}

package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/** Joined, outlined, cut apart; what a drawing fills; what a blade and a roll make of it. */
class ShapesTest {

    private static Coordinate[] ring(double... xy) {
        Coordinate[] ring = new Coordinate[xy.length / 2 + 1];
        for (int i = 0; i < xy.length / 2; i++) {
            ring[i] = new Coordinate(xy[2 * i], xy[2 * i + 1]);
        }
        ring[ring.length - 1] = ring[0].copy();
        return ring;
    }

    private static List<Coordinate[]> rings(Coordinate[] one) {
        return List.<Coordinate[]>of(one);
    }

    private static Geometry square(double x, double y, double side) {
        return Shapes.FACTORY.createPolygon(ring(x, y, x + side, y, x + side, y + side, x, y + side));
    }

    /** Steiner's formula: the outline of a convex shape has its area, its perimeter times d, and π·d² more. */
    @Test
    void theOutlineOfAConvexShapeGrowsBySteinersFormula() {
        Random random = new Random(4);
        for (int n = 0; n < 200; n++) {
            Coordinate[] points = new Coordinate[12];
            for (int i = 0; i < points.length; i++) {
                points[i] = new Coordinate(random.nextDouble() * 80, random.nextDouble() * 50);
            }
            Geometry convex = Shapes.FACTORY.createMultiPointFromCoords(points).convexHull();
            double mm = 0.3 + 4 * random.nextDouble();
            double area = convex.getArea() + convex.getLength() * mm + Math.PI * mm * mm;
            assertThat(Shapes.grown(convex, mm, false).getArea())
                    .isCloseTo(area, within(3e-3 * Math.PI * mm * mm + 1e-4 * convex.getLength() * mm));
        }
        // By hand: a square of 10 with an outline of 1.75 is 100 + 70 + 9.62.
        assertThat(Shapes.grown(square(0, 0, 10), 1.75, true).getArea()).isCloseTo(179.62, within(0.02));
    }

    @Test
    void holesAreKeptSmallerOrFilled() {
        Geometry ring = Shapes.beside(square(0, 0, 30), square(10, 10, 10));
        assertThat(Shapes.grown(ring, 2, true).getArea()).isCloseTo(900 + 240 + 4 * Math.PI - 36, within(0.05));
        assertThat(Shapes.grown(ring, 2, false).getArea()).isCloseTo(900 + 240 + 4 * Math.PI, within(0.05));
        assertThat(Shapes.filled(ring).getArea()).isEqualTo(900);
    }

    private static Item bar(double wide, Item.Make make) {
        return new Item("bar", LayingTest.bar(40, 10), new Lay(100, 0, 0, wide, Lay.Bend.LEVEL), Sheet.VINYL, make, 1);
    }

    private static Item.Make outlined(boolean under) {
        return new Item.Make(false, List.of(1.75, 3.0), List.of("#ffffff", "#000000"), under, false, 0);
    }

    /** P53, P54: outlines are made of the art in its size, so their width stays when it changes. */
    @Test
    void outlinesKeepTheirWidthWhenTheSizeChanges() {
        for (double wide : new double[] {20, 40, 160}) {
            double tall = wide / 4;
            List<Piece> pieces = bar(wide, outlined(true)).pieces();
            assertThat(pieces).extracting(Piece::name).containsExactly("outline 2", "outline 1", "bar");
            assertThat(pieces.get(1).shape().getEnvelopeInternal().getWidth()).isCloseTo(wide + 3.5, within(0.01));
            assertThat(pieces.get(0).shape().getEnvelopeInternal().getHeight()).isCloseTo(tall + 9.5, within(0.01));
        }
    }

    @Test
    void anOutlineBesideLeavesTheArtsPlaceFree() {
        List<Piece> pieces = bar(40, outlined(false)).pieces();
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < i; j++) {
                assertThat(Shapes.common(pieces.get(i).shape(), pieces.get(j).shape())
                                .getArea())
                        .isLessThan(1e-6);
            }
        }
        double whole = pieces.stream().mapToDouble(Piece::areaMm2).sum();
        assertThat(whole).isCloseTo(400 + 100 * 4.75 + Math.PI * 4.75 * 4.75, within(0.2));
    }

    @Test
    void itsColoursAreItsMakersChoice() {
        Item.Make other = new Item.Make(
                false,
                List.of(),
                List.of(),
                true,
                false,
                0,
                false,
                new Colours(Map.of("#204060", "#c9a04a", "#ffffff", "#000000"), Map.of()));
        assertThat(bar(40, other).pieces()).extracting(Piece::colour).containsExactly("#c9a04a");
    }

    @Test
    void aWordHasAColourOfItsOwnBeforeThatOfAllDrawnAlike() {
        Art art = Art.of(List.of(
                new Piece("open", "#111111", square(0, 0, 10)),
                new Piece("open", "#111111", square(12, 0, 10)),
                new Piece("night", "#111111", square(24, 0, 10))));
        Colours colours = new Colours(Map.of("#111111", "#222222"), Map.of("night", "#f2c14e"));
        Item item = new Item(
                "words",
                art,
                new Lay(100, 0, 0, 34, Lay.Bend.LEVEL),
                Sheet.VINYL,
                new Item.Make(false, List.of(), List.of(), true, false, 0, false, colours),
                1);
        assertThat(item.pieces()).extracting(Piece::colour).containsExactly("#222222", "#222222", "#f2c14e");
        assertThat(art.words()).extracting(Piece::name).containsExactly("open", "night");
    }

    @Test
    void joinedPiecesAreOne() {
        Art art = Art.of(List.of(
                new Piece("a", "#111111", square(0, 0, 10)),
                new Piece("b", "#222222", square(5, 0, 10)),
                new Piece("c", "#333333", square(40, 0, 5))));
        Item item = new Item(
                "word",
                art,
                new Lay(100, 0, 0, 45, Lay.Bend.LEVEL),
                Sheet.VINYL,
                new Item.Make(true, List.of(), List.of(), true, false, 0),
                1);
        assertThat(item.pieces()).singleElement().satisfies(piece -> {
            assertThat(piece.areaMm2()).isCloseTo(175, within(1e-9));
            assertThat(Shapes.polygons(piece.shape())).hasSize(2);
        });
    }

    /** A five-pointed star drawn in one go: its middle is wound twice, and crossed an even number of times. */
    @Test
    void aLineThatCrossesItselfFillsByItsRule() {
        double[] star = new double[10];
        for (int i = 0; i < 5; i++) {
            star[2 * i] = 10 * Math.sin(4 * Math.PI * i / 5);
            star[2 * i + 1] = 10 * Math.cos(4 * Math.PI * i / 5);
        }
        double whole = Shapes.filling(rings(ring(star)), false).getArea();
        double points = Shapes.filling(rings(ring(star)), true).getArea();
        // The pentagon in the middle of a pentagram of circumradius R has the circumradius R/φ².
        double small = 10 / Math.pow((1 + Math.sqrt(5)) / 2, 2);
        double pentagon = 2.5 * small * small * Math.sin(2 * Math.PI / 5);
        assertThat(whole - points).isCloseTo(pentagon, within(1e-6));
    }

    /** SVG 1.1, section 11.3: two squares in one path, wound alike or against each other. */
    @Test
    void aRingInARingIsAHoleOrNotByTheirDirections() {
        Coordinate[] outer = ring(0, 0, 20, 0, 20, 20, 0, 20);
        Coordinate[] alike = ring(5, 5, 15, 5, 15, 15, 5, 15);
        Coordinate[] against = ring(5, 5, 5, 15, 15, 15, 15, 5);
        assertThat(Shapes.filling(List.of(outer, alike), false).getArea()).isEqualTo(400);
        assertThat(Shapes.filling(List.of(outer, against), false).getArea()).isEqualTo(300);
        assertThat(Shapes.filling(List.of(outer, alike), true).getArea()).isEqualTo(300);
        assertThat(Shapes.filling(rings(ring(0, 0, 1, 1)), false).isEmpty()).isTrue();
    }

    @Test
    void thinPlacesAreFoundAndCornersAreNone() {
        Geometry dumbbell = Shapes.joined(List.of(
                square(0, 0, 10),
                square(30, 0, 10),
                Shapes.FACTORY.createPolygon(ring(9, 4.7, 31, 4.7, 31, 5.3, 9, 5.3))));
        assertThat(Shapes.thin(dumbbell, 1)).hasSize(1);
        assertThat(Shapes.thin(dumbbell, 0.5)).isEmpty();
        assertThat(Shapes.thin(square(0, 0, 10), 1)).isEmpty();
        assertThat(Shapes.thin(Shapes.FACTORY.createPolygon(ring(0, 0, 30, 0, 15, 26)), 1))
                .isEmpty();
    }

    @Test
    void bridgesHoldTheIslandsOfAStencil() {
        Geometry opening = Shapes.beside(square(0, 0, 30), square(10, 10, 10));
        assertThat(Bridges.islands(opening)).isEqualTo(1);
        Geometry held = Bridges.across(opening, 1.5);
        assertThat(Bridges.islands(held)).isZero();
        assertThat(opening.getArea() - held.getArea())
                .as("two bars of 1.5 by 10")
                .isCloseTo(30, within(1e-9));
        assertThat(Bridges.across(square(0, 0, 5), 1.5).getArea()).isEqualTo(25);
    }

    /** By hand: rows of 100 mm with 2 mm between: 60 and 30 beside each other, 50 below. */
    @Test
    void piecesAreSetOutInRows() {
        Nest nest = Nest.of(
                List.of(
                        new Nest.Box(50, 20, 900),
                        new Nest.Box(60, 40, 2000),
                        new Nest.Box(30, 30, 800),
                        new Nest.Box(97, 5, 400)),
                100,
                2);
        assertThat(nest.tooWide()).containsExactly(3);
        assertThat(nest.places())
                .containsExactly(new Nest.Place(0, 2, 44), new Nest.Place(1, 2, 2), new Nest.Place(2, 64, 2));
        assertThat(nest.lengthMm()).isEqualTo(66);
        assertThat(nest.acrossMm()).as("2 + 60 + 2 + 30 + 2").isEqualTo(96);
        assertThat(nest.waste())
                .as("what is left of the roll's width is none")
                .isCloseTo(1 - 3700 / (96 * 66.0), within(1e-12));
        assertThat(Nest.of(List.of(), 100, 2).waste()).isZero();
        assertThatThrownBy(() -> Nest.of(List.of(), -1, 2)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void theBladeGoesThroughLinesInTheirOrder() {
        BladeWay way = BladeWay.of(List.of(ring(3, 4, 13, 4, 13, 14, 3, 14), ring(3, 24, 6, 28)));
        assertThat(way.cutMm()).isCloseTo(40 + 10, within(1e-9));
        assertThat(way.liftedMm()).isCloseTo(5 + 20, within(1e-9));
        assertThat(way.lifts()).isEqualTo(2);
        assertThat(BladeWay.of(List.of()).minutes()).isZero();
    }

    @Test
    void artWithoutAnAreaOrWithTooManyPointsIsRefused() {
        assertThatThrownBy(() -> Art.of(List.of())).hasMessageContaining("Nothing in it has an area");
        List<Piece> many = new ArrayList<>();
        Geometry round = square(0, 0, 10).getCentroid().buffer(10, 12_000);
        for (int i = 0; i < 5; i++) {
            many.add(new Piece("p" + i, "#000000", round));
        }
        assertThatThrownBy(() -> Art.of(many)).hasMessageContaining("at most 200000");
    }
}

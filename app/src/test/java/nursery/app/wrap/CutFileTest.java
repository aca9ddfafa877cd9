package nursery.app.wrap;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.wrap.Art;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Item;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** Files of single colours, read by someone who has nothing but them. */
class CutFileTest {

    private static final List<String> COLOURS = List.of("#9d2f2b", "#20408a", "#e8c14a");

    private static Fitting fitting(Random random) {
        List<Piece> pieces = new ArrayList<>();
        for (String colour : COLOURS) {
            double left = random.nextDouble() * 60;
            double low = random.nextDouble() * 50;
            pieces.add(new Piece(
                    colour,
                    colour,
                    Shapes.FACTORY.toGeometry(new Envelope(
                            left, left + 6 + random.nextDouble() * 40, low, low + 6 + random.nextDouble() * 40))));
        }
        Lay lay = new Lay(
                50 + random.nextDouble() * 60,
                (random.nextDouble() - 0.5) * 5,
                random.nextInt(60) - 30,
                25 + random.nextDouble() * 30,
                random.nextBoolean() ? Lay.Bend.LEVEL : Lay.Bend.STRAIGHT);
        Item item = new Item("tram", Art.of(pieces), lay, Sheet.VINYL, Item.Make.NOTHING, 1);
        Side side = Side.of(new Blank(
                random.nextBoolean() ? new Straight(205, 229.3) : new Tapered(172, 214, 281),
                true,
                5,
                3,
                0,
                OptionalDouble.empty()));
        return Fitting.of(new Design(List.of(item), Math.PI, List.of()), Flat.of(side));
    }

    /** One colour's file: where the middle of its art is, seen from the cross with the square straight below it. */
    private record Film(Coordinate art, double betweenMarksMm) {

        static Film read(String svg) {
            List<SvgDrawing.Filled> lines = SvgDrawing.read(svg.getBytes(UTF_8)).lines();
            assertThat(lines).hasSize(3);
            Coordinate art = middle(lines.get(0));
            Coordinate cross = middle(lines.get(1));
            Coordinate square = middle(lines.get(2));
            assertThat(lines.get(1).rings().get(0))
                    .as("a cross has twelve corners")
                    .hasSize(13);
            assertThat(lines.get(2).rings().get(0)).hasSize(5);
            double down = Math.atan2(square.x - cross.x, square.y - cross.y);
            double x = art.x - cross.x;
            double y = art.y - cross.y;
            return new Film(
                    new Coordinate(x * Math.cos(down) - y * Math.sin(down), x * Math.sin(down) + y * Math.cos(down)),
                    cross.distance(square));
        }

        private static Coordinate middle(SvgDrawing.Filled filled) {
            return Shapes.FACTORY
                    .createPolygon(filled.rings().get(0))
                    .getCentroid()
                    .getCoordinate();
        }
    }

    /** Films whose marks lie on one another have their art as far apart as it is on the flat: to the file's digits. */
    @Test
    void coloursOfSeveralFilesComeTogetherByTheirMarks() {
        Random random = new Random(13);
        for (int round = 0; round < 80; round++) {
            Fitting fitting = fitting(random);
            boolean mirrored = random.nextBoolean();
            CutFile file = CutFile.of(fitting, Sheet.VINYL, 250);
            Laid laid = fitting.laid().get(0).get(0);
            for (int a = 0; a < 3; a++) {
                for (int b = a + 1; b < 3; b++) {
                    Film one = Film.read(file.roll(COLOURS.get(a)).orElseThrow().svg(mirrored));
                    Film other =
                            Film.read(file.roll(COLOURS.get(b)).orElseThrow().svg(mirrored));
                    assertThat(one.betweenMarksMm()).isCloseTo(other.betweenMarksMm(), within(0.005));
                    double apart = middle(laid, COLOURS.get(a)).distance(middle(laid, COLOURS.get(b)));
                    assertThat(one.art().distance(other.art()))
                            .as("round %d, colours %d and %d", round, a, b)
                            .isCloseTo(apart, within(0.01));
                }
            }
        }
    }

    private static Coordinate middle(Laid laid, String colour) {
        Geometry shape = laid.cut().stream()
                .filter(piece -> piece.colour().equals(colour))
                .findFirst()
                .orElseThrow()
                .shape();
        return shape.getCentroid().getCoordinate();
    }

    /** By hand: 40 × 30 mm with marks are 40 × 44, in gaps of 4 mm 52 mm of each roll; three of them are 156. */
    @Test
    void theFileOfAllColoursHasTheirRollsOneBelowTheOther() {
        List<Piece> pieces = COLOURS.stream()
                .map(colour -> new Piece(colour, colour, Shapes.FACTORY.toGeometry(new Envelope(0, 40, 0, 30))))
                .toList();
        Item item = new Item(
                "tram", Art.of(pieces), new Lay(100, 0, 0, 40, Lay.Bend.LEVEL), Sheet.VINYL, Item.Make.NOTHING, 1);
        Side side = Side.of(new Blank(new Straight(205, 229.3), true, 5, 3, 0, OptionalDouble.empty()));
        Fitting fitting = Fitting.of(new Design(List.of(item), Math.PI, List.of()), Flat.of(side));
        CutFile file = CutFile.of(fitting, Sheet.VINYL, 100);
        assertThat(file.rolls()).hasSize(3).allSatisfy(roll -> {
            assertThat(roll.nest().lengthMm()).isCloseTo(52, within(1e-6));
            assertThat(roll.nest().waste()).as("1,200 of 48 × 52 mm").isCloseTo(1 - 1200.0 / 48 / 52, within(1e-6));
        });
        SvgDrawing all = SvgDrawing.read(file.svg(false).getBytes(UTF_8));
        assertThat(all.heightMm()).isCloseTo(156, within(0.001));
        for (SvgDrawing.Filled line : all.lines()) {
            int row = COLOURS.indexOf(line.colour());
            assertThat(line.rings().get(0))
                    .allSatisfy(at -> assertThat(at.y).isBetween(row * 52 + 4 - 0.001, row * 52 + 48 + 0.001));
        }
    }
}

package nursery.core.wrap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.wrap.Lay.Bend;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;

/** What a design takes of its rolls, and the marks by which one colour is laid on another. */
class CutsTest {

    private static final Side SLIM = FlatTest.side(new Straight(205, 229.3));
    private static final Side TAPER = FlatTest.side(new Tapered(172, 214, 281));

    private static Piece bar(String colour, double left, double low, double wide, double tall) {
        return new Piece(colour, colour, Shapes.FACTORY.toGeometry(new Envelope(left, left + wide, low, low + tall)));
    }

    private static final Art TWO = Art.of(List.of(bar("#111111", 0, 0, 80, 40), bar("#eeeeee", 20, 10, 8, 6)));

    private static Fitting fit(Side side, Item... items) {
        return Fitting.of(new Design(List.of(items), Math.PI, List.of()), Flat.of(side));
    }

    private static Item item(Art art, Sheet sheet, int motifs, double wide) {
        return new Item("sign", art, new Lay(100, 0, 0, wide, Bend.LEVEL), sheet, Item.Make.NOTHING, motifs);
    }

    /** By hand: marks of 5 mm, 2 mm away, above and below: each colour of 80 × 40 mm takes 80 × 54 of its roll. */
    @ParameterizedTest
    @EnumSource(
            value = Sheet.class,
            names = {"VINYL", "METALLIC_VINYL", "PEEKABOO", "PAPER"})
    void eachColourOfAMotifTakesAsMuchOfARollOfItsOwn(Sheet sheet) {
        Fitting fitting = fit(SLIM, item(TWO, sheet, 1, 80));
        assertThat(Cuts.of(fitting))
                .extracting(Cuts.Cut::colour, cut -> Math.round(cut.cm2() * 10))
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("#111111", 432L),
                        org.assertj.core.groups.Tuple.tuple("#eeeeee", 432L));
    }

    /** What is one film has nothing to be laid on, nor has one colour. */
    @Test
    void oneFilmHasNoMarks() {
        for (Sheet sheet : List.of(Sheet.STENCIL, Sheet.WATER_SLIDE)) {
            List<Cuts.Part> parts = Cuts.parts(fit(SLIM, item(TWO, sheet, 1, 80)));
            assertThat(parts).as("%s", sheet).hasSize(1);
            assertThat(parts.get(0).marks()).isEmpty();
            assertThat(parts.get(0).colour()).isEqualTo("#111111");
            assertThat(parts.get(0).pieces()).hasSize(2);
        }
        Cuts.Part one = Cuts.parts(fit(SLIM, item(LayingTest.bar(60, 40), Sheet.VINYL, 1, 60)))
                .get(0);
        assertThat(one.marks()).isEmpty();
        assertThat(one.box().getArea()).isCloseTo(2400, within(0.01));
    }

    /** All that any colour has lies clear of every mark, and no mark is wider than the motif it belongs to. */
    @Test
    void marksAreClearOfEveryColourAndAtTheSamePlaces() {
        Random random = new Random(31);
        for (int round = 0; round < 60; round++) {
            List<Piece> pieces = new ArrayList<>();
            for (int i = 0; i < 2 + random.nextInt(4); i++) {
                pieces.add(bar(
                        "#0000%02x".formatted(i % 3 * 80),
                        random.nextDouble() * 60,
                        random.nextDouble() * 60,
                        3 + random.nextDouble() * 40,
                        3 + random.nextDouble() * 40));
            }
            Side side = random.nextBoolean() ? SLIM : TAPER;
            Lay lay = new Lay(
                    60 + random.nextDouble() * 60,
                    (random.nextDouble() - 0.5) * 5,
                    random.nextInt(90),
                    20 + random.nextDouble() * 40,
                    random.nextBoolean() ? Bend.LEVEL : Bend.STRAIGHT);
            Item item = new Item("sign", Art.of(pieces), lay, Sheet.VINYL, Item.Make.NOTHING, 1 + random.nextInt(3));
            List<Cuts.Part> parts = Cuts.parts(fit(side, item));
            assertThat(parts).as("round %d", round).isNotEmpty();
            for (Cuts.Part one : parts) {
                assertThat(one.marks()).as("round %d", round).hasSize(2);
                for (Cuts.Part other : parts) {
                    if (other.name().equals(one.name())) {
                        assertThat(other.marks()).isEqualTo(one.marks());
                        assertThat(other.pieces()).allSatisfy(piece -> assertThat(one.marks())
                                .allSatisfy(
                                        mark -> assertThat(mark.distance(piece)).isGreaterThan(2 - 1e-6)));
                    }
                }
            }
        }
    }

    /** On the flat of a taper a motif at the back leans by far; it is cut upright, and takes no more for it. */
    @Test
    void aMotifTakesTheSameWhereverAroundATaperItLies() {
        Item front = item(LayingTest.bar(60, 20), Sheet.VINYL, 1, 60);
        Item back = new Item(
                "sign", LayingTest.bar(60, 20), new Lay(100, 2.6, 0, 60, Bend.LEVEL), Sheet.VINYL, front.make(), 1);
        double there = Cuts.of(fit(TAPER, back)).get(0).cm2();
        assertThat(there).isCloseTo(Cuts.of(fit(TAPER, front)).get(0).cm2(), within(0.02));
        Polygon cut = Cuts.parts(fit(TAPER, back)).get(0).pieces().get(0);
        assertThat(cut.getEnvelopeInternal().getHeight())
                .as("20 mm and its curve")
                .isLessThan(24);
    }
}

package nursery.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import nursery.core.measure.InvalidInput;
import nursery.core.stock.Material.Film;
import nursery.core.technique.DecalSize;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StockTest {

    private static final LocalDate DAY = LocalDate.parse("2026-11-02");

    private static Material vinyl(long id, String colour, Film film) {
        return new Material(
                id,
                "Vinyl " + id,
                MaterialKind.VINYL,
                colour,
                OptionalDouble.empty(),
                Optional.of(film),
                OptionalDouble.of(305),
                OptionalInt.empty(),
                7,
                "",
                List.of());
    }

    /** L*a*b* of the sRGB primaries under D65, as published tables have them (Lindbloom; rounded to two decimals). */
    @ParameterizedTest
    @CsvSource({
        "#ff0000,53.24,80.09,67.20",
        "#00ff00,87.73,-86.18,83.18",
        "#0000ff,32.30,79.19,-107.86",
        "#ffffff,100,0,0",
        "#000000,0,0,0"
    })
    void coloursAreMeasuredAsTheEyeSeesThem(String colour, double l, double a, double b) {
        assertThat(Colours.lab(colour)).containsExactly(new double[] {l, a, b}, within(0.02));
    }

    /** P65: removable vinyl is bought in colours never used otherwise. */
    @Test
    void removableAndPermanentVinylAreNeverOneColour() {
        Material blue = vinyl(1, "#2050a0", Film.PERMANENT);
        assertThat(blue.isConfusedWith(vinyl(2, "#2453a2", Film.REMOVABLE))).isTrue();
        assertThat(blue.isConfusedWith(vinyl(2, "#2453a2", Film.METALLIC))).isFalse();
        assertThat(blue.isConfusedWith(vinyl(2, "#e0c020", Film.REMOVABLE))).isFalse();
        assertThatThrownBy(() -> new Material(
                        1,
                        "Roll",
                        MaterialKind.VINYL,
                        "#2050a0",
                        OptionalDouble.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalInt.empty(),
                        7,
                        "",
                        List.of()))
                .isInstanceOf(InvalidInput.class);
    }

    private static Lot lot(long id, double left, String bought, String opened) {
        return new Lot(
                id,
                "L" + id,
                50,
                left,
                Optional.empty(),
                LocalDate.parse(bought),
                Optional.ofNullable(opened).map(LocalDate::parse));
    }

    @Test
    void openedLotsAreUsedUpFirstAndNoneBeforeItWasBought() {
        List<Lot> lots = List.of(
                lot(1, 10, "2026-10-01", null), lot(2, 4, "2026-10-05", "2026-10-06"), lot(3, 50, "2026-11-03", null));
        Lot.Drawing drawing = Lot.draw(lots, 20, DAY);
        assertThat(drawing.draws()).containsExactly(new Lot.Draw(2, 4), new Lot.Draw(1, 10));
        assertThat(drawing.missing()).isEqualTo(6);
        assertThatThrownBy(() -> lot(1, 1, "2026-10-05", "2026-10-01")).isInstanceOf(InvalidInput.class);
    }

    /** Of two opened lots the one opened first goes first, whichever was bought first. */
    @Test
    void ofOpenedLotsTheOneOpenedFirstGoesFirst() {
        List<Lot> lots = List.of(lot(1, 5, "2026-10-01", "2026-10-20"), lot(2, 5, "2026-10-05", "2026-10-06"));
        assertThat(Lot.draw(lots, 6, DAY).draws()).containsExactly(new Lot.Draw(2, 5), new Lot.Draw(1, 1));
    }

    /** A thousand shops: no draw takes a lot below nothing, and what is there is what was there less the draws. */
    @Test
    void whatIsThereIsTheSumOfItsMovements() {
        Random random = new Random(4);
        for (int shop = 0; shop < 1000; shop++) {
            List<Lot> lots = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                lots.add(lot(i, 50 * random.nextDouble(), "2026-10-0" + (1 + i), null));
            }
            double before = lots.stream().mapToDouble(Lot::left).sum();
            double wanted = 150 * random.nextDouble();
            Lot.Drawing drawing = Lot.draw(lots, wanted, DAY);
            double drawn =
                    drawing.draws().stream().mapToDouble(Lot.Draw::amount).sum();
            assertThat(drawn + drawing.missing()).isCloseTo(wanted, within(1e-6));
            assertThat(drawn).isLessThanOrEqualTo(before + 1e-9);
            for (Lot.Draw draw : drawing.draws()) {
                assertThat(draw.amount())
                        .isLessThanOrEqualTo(lots.get((int) draw.lotId()).left());
            }
        }
    }

    /**
     * A maker whose glitter truly takes 0.051 g/cm², weighed sixty times with a scatter of a fifth: found within a
     * tenth.
     */
    @Test
    void whatIsLearnedRecoversWhatIsTrue() {
        double truth = 0.051;
        for (int seed = 0; seed < 50; seed++) {
            Random random = new Random(seed);
            List<Usage.Weighed> weighings = new ArrayList<>();
            for (int i = 0; i < 60; i++) {
                double area = 300 + 300 * random.nextDouble();
                weighings.add(new Usage.Weighed(area, area * truth * (1 + 0.2 * random.nextGaussian())));
            }
            assertThat(Usage.learned(MaterialKind.GLITTER, weighings).perUnit()).isCloseTo(truth, within(0.1 * truth));
        }
        assertThat(Usage.learned(MaterialKind.GLITTER, List.of()).isFromMemory())
                .isTrue();
        assertThat(Usage.learned(MaterialKind.GLITTER, List.of()).on(450))
                .as("a 20 oz cup, from memory")
                .isBetween(10.0, 20.0);
    }

    /**
     * By hand: 20 there; 12 needed on Tuesday, 5 on Wednesday, 9 on Friday: 6 short from Friday on, 3 days to order.
     */
    @Test
    void whatRunsOutIsKnownBeforeItDoes() {
        LocalDate tuesday = LocalDate.parse("2026-11-03");
        List<StockAhead.Need> needs = List.of(
                new StockAhead.Need(tuesday.plusDays(3), 9),
                new StockAhead.Need(tuesday, 12),
                new StockAhead.Need(tuesday.plusDays(1), 5));
        StockAhead ahead = StockAhead.of(20, needs, 3);
        assertThat(ahead.needed()).isEqualTo(26);
        assertThat(ahead.missing()).isEqualTo(6);
        assertThat(ahead.runsOut()).contains(tuesday.plusDays(3));
        assertThat(ahead.buyBy()).contains(tuesday);
        assertThat(StockAhead.of(26, needs, 3).runsOut()).isEmpty();
        assertThat(StockAhead.of(0, List.of(), 3).missing()).isZero();
        assertThatThrownBy(() -> StockAhead.of(-1, needs, 3)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void anOldLotIsSeen() {
        Lot lot = lot(1, 10, "2025-10-01", null);
        assertThat(lot.isOld(365, DAY)).isTrue();
        assertThat(lot.isOld(400, DAY)).isFalse();
        assertThat(lot.isOld(0, DAY)).as("what does not age").isFalse();
    }

    @Test
    void aStepIsOfferedWhatItIsMadeWith() {
        assertThat(MaterialKind.usedBy(StepKind.GLITTER)).containsExactly(MaterialKind.GLITTER);
        assertThat(MaterialKind.usedBy(StepKind.STENCIL))
                .containsExactly(MaterialKind.VINYL, MaterialKind.STENCIL_FILM, MaterialKind.TRANSFER_FILM);
        assertThat(MaterialKind.named("Water-slide paper")).contains(MaterialKind.WATER_SLIDE);
        assertThat(MaterialKind.VINYL.basis(450, 60)).isEqualTo(60);
        assertThat(MaterialKind.GLITTER.basis(450, 60)).isEqualTo(450);
        assertThat(MaterialKind.GLOVES.basis(450, 60)).isEqualTo(1);
    }

    private static Material sheet(long id, String name, String colour, MaterialKind kind) {
        return new Material(
                id,
                name,
                kind,
                colour,
                OptionalDouble.empty(),
                kind == MaterialKind.VINYL ? Optional.of(Material.Film.PERMANENT) : Optional.empty(),
                OptionalDouble.empty(),
                OptionalInt.empty(),
                7,
                "",
                List.of());
    }

    private static final PlanStep VINYL_STEP =
            new PlanStep(1, StepKind.VINYL, Wait.none(), "", Optional.empty()).sized(new DecalSize(80, 50));

    private static Usage starting(Material material) {
        return Usage.learned(material.kind(), List.of());
    }

    /** By hand: a cm² of vinyl is one cm², of transfer film 0.3. Each colour goes to the vinyl it looks like. */
    @Test
    void sheetsGiveThePiecesOfTheirColour() {
        Material cream = sheet(1, "Cream", "#f1e7cf", MaterialKind.VINYL);
        Material brass = sheet(2, "Brass", "#c8a042", MaterialKind.VINYL);
        Material film = sheet(3, "Film", "#ffffff", MaterialKind.TRANSFER_FILM);
        List<StepUse.Cut> cuts =
                List.of(new StepUse.Cut("#fff8e0", 24), new StepUse.Cut("#d0a848", 6), new StepUse.Cut("#b08830", 10));
        assertThat(StepUse.of(VINYL_STEP, 300, cuts, List.of(cream, brass, film), StockTest::starting))
                .containsExactlyInAnyOrderEntriesOf(Map.of(cream, 24.0, brass, 16.0, film, 12.0));
    }

    /** By hand: 80 × 50 mm are 40 cm², 20 each for two; of a design all in one colour the other gives its half too. */
    @Test
    void withoutADesignOrWithOneColourTheyShare() {
        Material cream = sheet(1, "Cream", "#f1e7cf", MaterialKind.VINYL);
        Material brass = sheet(2, "Brass", "#c8a042", MaterialKind.VINYL);
        assertThat(StepUse.of(VINYL_STEP, 300, List.of(), List.of(cream, brass), StockTest::starting))
                .containsEntry(cream, 20.0)
                .containsEntry(brass, 20.0);
        List<StepUse.Cut> one = List.of(new StepUse.Cut("#ffffff", 30));
        assertThat(StepUse.of(VINYL_STEP, 300, one, List.of(cream, brass), StockTest::starting))
                .containsEntry(cream, 15.0)
                .containsEntry(brass, 15.0);
    }

    /** By hand: 60 g of blue and 20 of brass; half is used; 40 g of moss are put in: 30, 10 and 40 of 80. */
    @Test
    void aJarKnowsWhatWentInWhateverWasUsedOfIt() {
        Mixture jar = new Mixture(List.of())
                .with(0, "Blue", "#3b5fb5", 60)
                .with(60, "Brass", "#c89b3c", 20)
                .with(40, "Moss", "#7a9a4a", 40);
        assertThat(jar.parts()).extracting(Material.Part::name).containsExactly("Moss", "Blue", "Brass");
        assertThat(jar.parts().get(0).share()).isCloseTo(0.5, within(1e-9));
        assertThat(jar.parts().get(1).share()).isCloseTo(0.375, within(1e-9));
        assertThat(jar.parts().get(2).share()).isCloseTo(0.125, within(1e-9));
        assertThat(jar.with(80, "Blue", "#3b5fb5", 20).parts().get(0).share()).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void aJarThatWasUsedUpForgetsWhatWasInIt() {
        Mixture jar = new Mixture(List.of()).with(0, "Blue", "#3b5fb5", 60).with(0, "Moss", "#7a9a4a", 12);
        assertThat(jar.parts()).containsExactly(new Material.Part("Moss", "#7a9a4a", 1));
    }

    /** Half the light of white is sRGB 188 (IEC 61966-2-1: 0.5 linear is 0.7354); one colour stays itself. */
    @Test
    void aMixtureLooksLikeTheLightOfItsParts() {
        Mixture grey = new Mixture(List.of()).with(0, "White", "#ffffff", 5).with(5, "Black", "#000000", 5);
        assertThat(grey.colour()).isEqualTo("#bcbcbc");
        assertThat(new Mixture(List.of()).with(0, "Brass", "#c89b3c", 5).colour())
                .isEqualTo("#c89b3c");
    }

    @Test
    void sharesStayAWholeHoweverMuchFalls() {
        Random random = new Random(66);
        Mixture jar = new Mixture(List.of());
        double left = 0;
        for (int i = 0; i < 2000; i++) {
            double fell = 0.1 + 30 * random.nextDouble();
            jar = jar.with(left, "Glitter " + random.nextInt(40), "#3b5fb5", fell);
            left = (left + fell) * random.nextDouble();
            assertThat(jar.parts()).hasSizeLessThanOrEqualTo(Mixture.MOST_PARTS);
            assertThat(jar.parts().stream().mapToDouble(Material.Part::share).sum())
                    .isCloseTo(1, within(1e-9));
        }
    }

    @Test
    void oneIsAPieceAndHalfOfOneIsPieces() {
        assertThat(MaterialKind.Measure.PIECE.show(1.0)).isEqualTo("1\u00a0piece");
        assertThat(MaterialKind.Measure.PIECE.show(0.5)).isEqualTo("0.5\u00a0pieces");
        assertThat(MaterialKind.Measure.PIECE.show(0.999)).isEqualTo("1\u00a0piece");
        assertThat(MaterialKind.Measure.ML.show(30.03)).isEqualTo("30\u00a0ml");
        assertThat(MaterialKind.Measure.GRAM.show(0.034)).isEqualTo("0.03\u00a0g");
    }
}

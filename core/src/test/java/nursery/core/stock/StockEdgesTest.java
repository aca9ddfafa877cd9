package nursery.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nursery.core.stock.Material.Film;
import nursery.core.stock.MaterialKind.Measure;
import nursery.core.stock.StockAhead.Need;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where one thing of the shelf ends and the next begins. */
class StockEdgesTest {

    private static final LocalDate DAY = LocalDate.parse("2026-11-02");

    /**
     * ΔE*ab of the primaries by their published L*a*b* (as in StockTest): red to green √(34.49² + 166.27² + 15.98²) =
     * 170.6, red to blue √(20.94² + 0.90² + 175.06²) = 176.3, white to black 100.
     */
    @ParameterizedTest
    @CsvSource({"#ff0000,#00ff00,170.57", "#ff0000,#0000ff,176.31", "#ffffff,#000000,100", "#123456,#123456,0"})
    void howFarApartColoursLook(String one, String other, double distance) {
        assertThat(Colours.distance(one, other)).isCloseTo(distance, within(0.05));
        assertThat(Colours.distance(other, one)).isEqualTo(Colours.distance(one, other));
    }

    /** IEC 61966-2-1, by hand: 10 of 255 is 0.0392, on the straight part: ÷ 12.92; 11 of 255 is on the curve. */
    @Test
    void darkColoursAreOnTheStraightPartOfTheCurve() {
        assertThat(Colours.linear("#0a0000", 1)).isCloseTo(10 / 255.0 / 12.92, within(1e-9));
        assertThat(Colours.linear("#0b0000", 1)).isCloseTo(Math.pow((11 / 255.0 + 0.055) / 1.055, 2.4), within(1e-9));
        assertThat(Colours.eightBit(10 / 255.0 / 12.92)).isEqualTo(10);
        for (int value = 0; value < 256; value++) {
            String colour = "#%02x0000".formatted(value);
            assertThat(Colours.eightBit(Colours.linear(colour, 1))).as(colour).isEqualTo(value);
        }
        assertThat(Colours.eightBit(1.4)).isEqualTo(255);
        assertThat(Colours.eightBit(-0.1)).isZero();
    }

    private static Material glitter(OptionalInt printed) {
        return new Material(
                1,
                "Tin",
                MaterialKind.PAINT,
                "#888888",
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                printed,
                7,
                "",
                List.of());
    }

    /** Common practice: paint is good for two years; what is printed on it counts before. */
    @Test
    void howLongAThingLastsIsWhatIsPrintedOnIt() {
        assertThat(glitter(OptionalInt.of(90)).days()).isEqualTo(90);
        assertThat(glitter(OptionalInt.empty()).days()).isEqualTo(730);
        assertThat(MaterialKind.GLITTER.lastsDays()).as("glitter does not age").isZero();
    }

    @Test
    void whatAKindIsAndWhatItIsFor() {
        assertThat(MaterialKind.TRANSFER_FILM.word()).isEqualTo("transfer film");
        assertThat(Film.METALLIC.word()).isEqualTo("metallic, permanent");
        assertThat(MaterialKind.GLITTER.isUsedBy(StepKind.GLITTER)).isTrue();
        assertThat(MaterialKind.GLITTER.isUsedBy(StepKind.PAINT)).isFalse();
        assertThat(MaterialKind.GLITTER.isWeighed()).isTrue();
        assertThat(MaterialKind.PAINT.isWeighed()).isTrue();
        assertThat(MaterialKind.VINYL.isWeighed()).as("cut, not weighed").isFalse();
        assertThat(MaterialKind.SANDPAPER.isWeighed()).isFalse();
        assertThat(MaterialKind.VINYL.measure()).isEqualTo(Measure.CM2);
        assertThat(Measure.CM2.symbol()).isEqualTo("cm²");
    }

    /** From ten on a tenth is fine enough. */
    @Test
    void anAmountIsToldAsFinelyAsItMatters() {
        assertThat(Measure.GRAM.show(9.994)).isEqualTo("9.99\u00a0g");
        assertThat(Measure.GRAM.show(10.04)).isEqualTo("10\u00a0g");
        assertThat(Measure.PIECE.show(1)).isEqualTo("1\u00a0piece");
        assertThat(Measure.PIECE.show(2)).isEqualTo("2\u00a0pieces");
        assertThat(Measure.ML.show(1)).isEqualTo("1\u00a0ml");
    }

    /** By hand: 900 cm² at 0.03 g are 27; 36 g on 900 more make 63 on 1,800: 0.035. Pieces: (2·0.5 + 2)/(2 + 2). */
    @Test
    void aStartingValueCountsLikeTwoCups() {
        Usage none = Usage.learned(MaterialKind.GLITTER, List.of());
        assertThat(none.perUnit()).isCloseTo(0.03, within(1e-12));
        assertThat(none.isFromMemory()).isTrue();
        Usage one = Usage.learned(MaterialKind.GLITTER, List.of(new Usage.Weighed(900, 36)));
        assertThat(one.perUnit()).isCloseTo(0.035, within(1e-12));
        assertThat(one.isFromMemory()).isFalse();
        assertThat(Usage.learned(MaterialKind.SANDPAPER, List.of(new Usage.Weighed(2, 2)))
                        .perUnit())
                .isCloseTo(0.75, within(1e-12));
    }

    /** What is enough to the last gram lasts; a gram less does not, and it is the day that takes it. */
    @Test
    void whatIsJustEnoughLasts() {
        List<Need> needs = List.of(new Need(DAY, 10), new Need(DAY.plusDays(3), 10), new Need(DAY.plusDays(5), 10));
        StockAhead enough = StockAhead.of(30, needs, 4);
        assertThat(enough.runsOut()).isEmpty();
        assertThat(enough.missing()).isZero();
        StockAhead short1 = StockAhead.of(19, needs, 4);
        assertThat(short1.runsOut()).contains(DAY.plusDays(3));
        assertThat(short1.buyBy()).contains(DAY.minusDays(1));
        assertThat(short1.missing()).isCloseTo(11, within(1e-9));
    }

    /** By hand: 6 g of gold and 2 g of red, half of it used, then 4 g of blue: 3/8, 1/8, 4/8. */
    @Test
    void aJarKnowsWhatIsInIt() {
        Mixture jar = new Mixture(List.of())
                .with(0, "gold", "#c9a227", 6)
                .with(6, "red", "#b02020", 2)
                .with(4, "blue", "#2040b0", 4);
        assertThat(jar.parts()).extracting(Material.Part::name).containsExactly("blue", "gold", "red");
        assertThat(jar.parts()).extracting(Material.Part::share).containsExactly(0.5, 0.375, 0.125);
        Mixture more = jar.with(8, "gold", "#c9a227", 8);
        assertThat(more.parts().get(0).name()).isEqualTo("gold");
        assertThat(more.parts().get(0).share()).isCloseTo(11 / 16.0, within(1e-12));
    }

    @Test
    void anEmptyLotGivesNothing() {
        Lot empty = new Lot(1, "a", 50, 0, Optional.empty(), DAY, Optional.of(DAY));
        Lot full = new Lot(2, "b", 50, 50, Optional.empty(), DAY, Optional.empty());
        Lot.Drawing drawing = Lot.draw(List.of(empty, full), 60, DAY);
        assertThat(drawing.draws()).containsExactly(new Lot.Draw(2, 50));
        assertThat(drawing.missing()).isCloseTo(10, within(1e-12));
    }
}

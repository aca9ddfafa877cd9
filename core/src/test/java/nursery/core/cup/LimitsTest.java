package nursery.core.cup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The ends of what a cup can be belong to it, and what lies beyond is told under its own field. */
class LimitsTest {

    private static List<String> fields(Supplier<?> made) {
        try {
            made.get();
            return List.of();
        } catch (InvalidInput e) {
            return e.faults().stream().map(Fault::field).toList();
        }
    }

    private static List<Station> stations(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> new Station(i * 5.0, 200))
                .toList();
    }

    private static Blank sized(double circumferenceMm, double heightMm, double oz) {
        return new Blank(new Straight(heightMm, circumferenceMm), true, 0, 0, 0, OptionalDouble.of(oz));
    }

    @Test
    void theEndsAreIn() {
        assertThat(fields(() -> new Straight(20, 50))).isEmpty();
        assertThat(fields(() -> new Straight(600, 1000))).isEmpty();
        assertThat(fields(() -> new Straight(19.9, 49.9))).containsExactlyInAnyOrder("height", "circumference");
        assertThat(fields(() -> new Straight(600.1, 1000.1))).containsExactlyInAnyOrder("height", "circumference");
        assertThat(fields(() -> new Turned(stations(60)))).isEmpty();
        assertThat(fields(() -> new Turned(stations(61)))).containsExactly("outline");
        assertThat(fields(() -> new Turned(stations(1)))).containsExactly("outline");
    }

    @Test
    void eachFieldIsNamed() {
        assertThat(fields(() -> new Tapered(200, 10, 2000)))
                .containsExactlyInAnyOrder("baseCircumference", "rimCircumference");
        assertThat(fields(() -> new Turned(List.of(new Station(1, 200), new Station(1, 200), new Station(150, 20)))))
                .containsExactlyInAnyOrder("outline[0].heightMm", "outline[1].heightMm", "outline[2].circumferenceMm");
    }

    @Test
    void inchesAreAskedAboutOnlyWhereTheyWouldFit() {
        assertThatThrownBy(() -> new Straight(200, 9)).hasMessageContaining("did you mean 9 in (229 mm)?");
        assertThatThrownBy(() -> new Straight(200, 1)).hasMessageContaining("measure around the cup");
        assertThatThrownBy(() -> new Straight(200, 1001)).hasMessageContaining("measure around the cup");
    }

    @Test
    void aSizeLiesAboveNoughtAndUpToSixtyFour() {
        assertThatCode(() -> sized(500, 400, 64)).doesNotThrowAnyException();
        assertThat(fields(() -> sized(500, 400, 64.1))).containsExactly("nominalOz");
        assertThat(fields(() -> sized(500, 400, 0))).containsExactly("nominalOz");
    }

    /** By hand: C²h/4π of 229.3 x 205 is 857.7 ml, 29 US fl oz; 0.85 of what 34 oz hold is 854.7, of 35 oz 879.8. */
    @Test
    void aCupThatCouldNotHoldItsOwnSizeIsDoubted() {
        assertThat(sized(229.3, 205, 34).doubt()).isEmpty();
        assertThat(sized(229.3, 205, 35).doubt().orElseThrow())
                .contains("229 mm around is only 73 mm across")
                .contains("Is that the diameter? Around it is then 720 mm.");
        assertThat(sized(60, 25, 35).doubt().orElseThrow())
                .as("not even as a diameter")
                .doesNotContain("diameter");
        assertThat(sized(229.3, 205, 7.2).doubt().orElseThrow()).contains("858 ml, 4 times");
        assertThat(sized(229.3, 205, 7.3).doubt()).isEmpty();
    }

    /** Height over width: 229.3 mm around is 73 mm across, six times that 437.9 mm. */
    @Test
    void aPencilIsDoubted() {
        assertThat(new Blank(new Straight(437, 229.3), true, 0, 0, 0, OptionalDouble.empty()).doubt())
                .isEmpty();
        assertThat(new Blank(new Straight(438.5, 229.3), true, 0, 0, 0, OptionalDouble.empty())
                        .doubt()
                        .orElseThrow())
                .contains("Is that the diameter?");
    }

    /** A stack of frusta, by hand: 100 x (200² + 200·300 + 300²)/12π + 50 x (300² + 300·300 + 300²)/12π mm³. */
    @Test
    void whatAnOutlineHoldsIsAStackOfFrusta() {
        Blank turned = new Blank(
                new Turned(List.of(new Station(0, 200), new Station(100, 300), new Station(150, 300))),
                true,
                0,
                0,
                0,
                OptionalDouble.empty());
        double byHand = (100 * (40_000 + 60_000 + 90_000) + 50 * 270_000) / (12 * Math.PI) / 1000;
        assertThat(turned.outsideMl()).isCloseTo(byHand, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void anOutlineIsOfTheFormItWasMadeOf() {
        for (OutlineForm form : OutlineForm.values()) {
            Outline outline = form.through(List.of(new Station(0, 200), new Station(150, 260)));
            assertThat(OutlineForm.of(outline)).isEqualTo(form);
            assertThat(outline.heightMm()).isEqualTo(150);
            assertThat(outline.rimCircumferenceMm()).isEqualTo(260);
        }
        assertThat(OutlineForm.TAPERED
                        .through(List.of(new Station(0, 200), new Station(150, 260)))
                        .baseCircumferenceMm())
                .isEqualTo(200);
    }

    /** Cups as they are sold, mm across and high (from memory): the tape laid across is caught without a size too. */
    @ParameterizedTest
    @CsvSource({
        "66, 155",
        "73, 205",
        "85, 95",
        "76, 110",
        "90, 120",
        "89, 180",
        "100, 150",
        "80, 90",
        "60, 70",
        "95, 230",
        "72, 178",
        "87, 140",
        "50, 55",
        "84, 100",
        "120, 125"
    })
    void aDiameterTypedForTheWayAroundIsAskedAboutWithoutASize(double acrossMm, double tallMm) {
        assertThat(new Blank(new Straight(tallMm, acrossMm), true, 0, 0, 0, OptionalDouble.empty()).doubt())
                .hasValueSatisfying(doubt -> assertThat(doubt).contains("Is that the diameter?"));
        assertThat(new Blank(new Straight(tallMm, Math.PI * acrossMm), true, 0, 0, 0, OptionalDouble.empty()).doubt())
                .isEmpty();
        assertThat(new Blank(new Tapered(tallMm, acrossMm, Math.PI * acrossMm), true, 0, 0, 0, OptionalDouble.empty())
                        .doubt())
                .as("at the foot alone")
                .isPresent();
    }
}

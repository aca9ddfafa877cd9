package nursery.core.cup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BlankTest {

    private static Blank whole(Outline outline, boolean baseCoated) {
        return new Blank(outline, baseCoated, 0, 0, 0, OptionalDouble.empty());
    }

    /**
     * Common practice, worked value: a 20 oz slim, 73 mm across and 205 mm tall, has 470 cm² of side and 512 with its
     * base.
     */
    /** 73 mm across and 205 tall hold π/4·7.3²·20.5 = 858 ml outside; the same figure typed for the way around, 87. */
    @Test
    void aDiameterTypedForTheWayAroundIsAskedAbout() {
        Blank right = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        assertThat(right.outsideMl()).isCloseTo(858, within(1.0));
        assertThat(right.doubt()).isEmpty();
        assertThat(new Blank(new Straight(205, 73), true, 5, 0, 0, OptionalDouble.of(20)).doubt())
                .hasValueSatisfying(doubt -> assertThat(doubt).contains("23 mm across", "Around it is then 229 mm"));
        assertThat(new Blank(new Straight(205, 73), true, 5, 0, 0, OptionalDouble.empty()).doubt())
                .isPresent();
        assertThat(new Blank(new Straight(300, 600), true, 5, 0, 0, OptionalDouble.of(12)).doubt())
                .hasValueSatisfying(doubt -> assertThat(doubt).contains("units"));
    }

    @Test
    void aTwentyOunceSlimHas512SquareCentimetres() {
        CoatedArea area = whole(new Straight(205, Math.PI * 73), true).area();
        assertThat(area.sideCm2()).isCloseTo(470, within(0.5));
        assertThat(area.coatedCm2()).isCloseTo(512, within(0.5));
    }

    /**
     * Frustum, side = π (r1 + r2) s (any machinery handbook): r 30 and 40 mm, height 75 mm, worked by hand: s = √(75² +
     * 10²) = 75.6637 mm, side = 166.39 cm².
     */
    @Test
    void aTaperedSideIsAFrustum() {
        CoatedArea area = whole(new Tapered(75, 2 * Math.PI * 30, 2 * Math.PI * 40), false)
                .area();
        assertThat(area.slantMm()).isCloseTo(75.6637, within(1e-4));
        assertThat(area.sideCm2()).isCloseTo(166.39, within(0.005));
        assertThat(area.coatedCm2()).isEqualTo(area.sideCm2());
    }

    /** The zone of a sphere has the area 2πRh (Archimedes). A fine polygon through it comes within a thousandth. */
    @Test
    void aTurnedOutlineApproachesTheZoneOfASphere() {
        double radius = 60;
        List<Station> stations = IntStream.rangeClosed(0, 50)
                .mapToObj(i -> {
                    double height = i * 1.6;
                    return new Station(
                            height, 2 * Math.PI * Math.sqrt(radius * radius - (height - 40) * (height - 40)));
                })
                .toList();
        assertThat(whole(new Turned(stations), false).area().sideCm2())
                .isCloseTo(2 * Math.PI * radius * 80 / 100, within(0.3));
    }

    /** Pappus's second theorem: the area is the length of the profile times the way its centroid goes round. */
    @Property
    void anyOutlineObeysPappus(
            @ForAll @DoubleRange(min = 60, max = 900) double base,
            @ForAll @DoubleRange(min = 60, max = 900) double middle,
            @ForAll @DoubleRange(min = 60, max = 900) double rim,
            @ForAll @DoubleRange(min = 20, max = 290) double lower,
            @ForAll @DoubleRange(min = 20, max = 290) double upper) {
        List<Station> stations =
                List.of(new Station(0, base), new Station(lower, middle), new Station(lower + upper, rim));
        double first = Math.hypot(lower, (middle - base) / (2 * Math.PI));
        double second = Math.hypot(upper, (rim - middle) / (2 * Math.PI));
        double centroidMm =
                (first * (base + middle) / 2 + second * (middle + rim) / 2) / (first + second) / (2 * Math.PI);
        CoatedArea area = whole(new Turned(stations), false).area();
        assertThat(area.sideCm2()).isCloseTo((first + second) * 2 * Math.PI * centroidMm / 100, within(1e-6));
    }

    /** A station set on a straight stretch changes nothing. */
    @Property
    void measuringAStraightStretchTwiceChangesNothing(
            @ForAll @DoubleRange(min = 60, max = 900) double base,
            @ForAll @DoubleRange(min = 60, max = 900) double rim,
            @ForAll @IntRange(min = 1, max = 20) int extra,
            @ForAll @DoubleRange(min = 0, max = 40) double rimBare) {
        List<Station> stations = new ArrayList<>();
        for (int i = 0; i <= extra; i++) {
            double part = (double) i / extra;
            stations.add(new Station(part * 150, base + (rim - base) * part));
        }
        Blank coarse = new Blank(new Tapered(150, base, rim), true, rimBare, 7, 3, OptionalDouble.empty());
        Blank fine = new Blank(new Turned(stations), true, rimBare, 7, 3, OptionalDouble.empty());
        assertThat(fine.area().coatedCm2()).isCloseTo(coarse.area().coatedCm2(), within(1e-7));
    }

    @Test
    void bareBandsAndAHandleAreLeftOut() {
        CoatedArea area = new Blank(new Straight(100, 200), true, 6, 4, 30, OptionalDouble.empty()).area();
        assertThat(area.sideCm2()).isEqualTo(200);
        assertThat(area.coatedCm2()).isCloseTo(90 * (200 - 30) / 100.0 + 200 * 200 / (4 * Math.PI) / 100, within(1e-9));
    }

    @Test
    void theCoatedPartRunsBetweenTheBareBands() {
        Blank blank = new Blank(new Straight(100, 200), true, 6, 4, 0, OptionalDouble.empty());
        assertThat(blank.coatedStations()).containsExactly(new Station(4, 200), new Station(94, 200));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -220, Double.NaN, 1e308, Double.POSITIVE_INFINITY, 1001})
    void sizesThatNoCupHasAreRefused(double circumferenceMm) {
        assertThatThrownBy(() -> new Straight(160, circumferenceMm))
                .isInstanceOf(InvalidInput.class)
                .hasMessageContaining("50–1000 mm");
        assertThatThrownBy(() -> new Straight(circumferenceMm, 220)).isInstanceOf(InvalidInput.class);
    }

    @Test
    void inchesTypedForMillimetresAreRecognised() {
        assertThatThrownBy(() -> new Straight(8.07, 9.03))
                .hasMessageContaining("9.03 in (229 mm)")
                .hasMessageContaining("8.07 in (205 mm)");
    }

    @Test
    void everyFaultOfAnOutlineIsNamedByItsPlace() {
        List<Station> stations = List.of(new Station(5, 220), new Station(4, -1), new Station(160, 276));
        assertThatThrownBy(() -> new Turned(stations))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("outline[1].circumferenceMm", "outline[0].heightMm", "outline[1].heightMm"));
        assertThatThrownBy(() -> new Turned(List.of())).hasMessageContaining("at least two");
    }

    @Test
    void bandsThatLeaveNothingToCoatAreRefused() {
        assertThatThrownBy(() -> new Blank(new Straight(100, 200), true, 60, 40, 0, OptionalDouble.empty()))
                .hasMessageContaining("nothing to coat");
        assertThatThrownBy(() -> new Blank(new Straight(100, 200), true, -1, 0, 0, OptionalDouble.empty()))
                .hasMessageContaining("between 0 and 100");
        assertThatThrownBy(() -> new Blank(new Straight(100, 200), true, 0, 0, 200, OptionalDouble.empty()))
                .hasMessageContaining("handle");
    }
}

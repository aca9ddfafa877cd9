package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import org.assertj.core.data.Percentage;
import org.hipparchus.analysis.integration.IterativeLegendreGaussIntegrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CureClockTest {

    private static final Instant START = Instant.parse("2026-03-01T18:00:00Z");
    private static final CureClock AT_20 = new CureClock(20, 50);

    private static Instant hours(double hours) {
        return START.plusMillis(Math.round(hours * 3_600_000));
    }

    /**
     * ASTM C1074 with Ea 50 kJ/mol, reference 20 °C: 24 h at 30 °C is 47.2 h. By hand: 50000/8.314462618 · (1/293.15 -
     * 1/303.15) = 0.67667; e^0.67667 = 1.96732; · 24 = 47.216.
     */
    @Test
    void aDayAtThirtyDegreesIsWorthFortySevenHoursAtTwenty() {
        assertThat(AT_20.equivalentAgeHours(RoomCourse.steady(30), START, hours(24)))
                .isCloseTo(47.216, within(0.001));
    }

    /** By hand: 50000/8.314462618 · (1/293.15 - 1/283.15) = -0.72448; e^-0.72448 = 0.48458; · 10 = 4.8458. */
    @Test
    void tenHoursAtTenDegreesAreWorthLessThanFive() {
        assertThat(AT_20.equivalentAgeHours(RoomCourse.steady(10), START, hours(10)))
                .isCloseTo(4.8458, within(0.0005));
    }

    /** Common practice (P28): a factor of two for 10 °C. */
    @Test
    void tenDegreesAboutDoubleTheSpeed() {
        assertThat(AT_20.rateAt(30)).isBetween(1.9, 2.1);
        assertThat(AT_20.rateAt(10)).isBetween(0.47, 0.53);
        assertThat(AT_20.rateAt(20)).isEqualTo(1);
    }

    /** Against the adaptive quadrature of a general-purpose library, on random histories. */
    @Test
    void theIntegralAgreesWithAnIndependentQuadrature() {
        Random random = new Random(20261124);
        for (int run = 0; run < 200; run++) {
            List<RoomReading> readings = new ArrayList<>();
            double at = 0;
            for (int i = 0; i < 6; i++) {
                readings.add(new RoomReading(hours(at), -5 + 45 * random.nextDouble()));
                at += 0.2 + 10 * random.nextDouble();
            }
            RoomCourse room = new RoomCourse(readings);
            double expected = 0;
            for (int i = 1; i < readings.size(); i++) {
                expected += quadrature(
                        room, readings.get(i - 1).at(), readings.get(i).at());
            }
            assertThat(AT_20.equivalentAgeHours(
                            room, readings.get(0).at(), readings.get(5).at()))
                    .isCloseTo(expected, Percentage.withPercentage(1e-7));
        }
    }

    private static double quadrature(RoomCourse room, Instant from, Instant until) {
        double span = Duration.between(from, until).toMillis() / 3_600_000.0;
        double startC = room.temperatureCAt(from);
        double slope = (room.temperatureCAt(until) - startC) / span;
        return new IterativeLegendreGaussIntegrator(12, 1e-12, 1e-13)
                .integrate(
                        100_000,
                        elapsed -> Math.exp(
                                -50_000 / 8.314462618 * (1 / (startC + slope * elapsed + 273.15) - 1 / 293.15)),
                        0,
                        span);
    }

    @Property
    void splittingAStraightStretchChangesNothing(
            @ForAll @DoubleRange(min = 0, max = 35) double startC,
            @ForAll @DoubleRange(min = 0, max = 35) double endC,
            @ForAll @LongRange(min = 1, max = 35_999_999) long splitMs) {
        RoomCourse coarse = new RoomCourse(List.of(new RoomReading(START, startC), new RoomReading(hours(10), endC)));
        Instant split = START.plusMillis(splitMs);
        RoomCourse fine = new RoomCourse(List.of(
                new RoomReading(START, startC),
                new RoomReading(split, coarse.temperatureCAt(split)),
                new RoomReading(hours(10), endC)));
        double whole = AT_20.equivalentAgeHours(coarse, START, hours(10));
        assertThat(AT_20.equivalentAgeHours(fine, START, hours(10))).isCloseTo(whole, Percentage.withPercentage(1e-9));
        assertThat(AT_20.equivalentAgeHours(coarse, START, split) + AT_20.equivalentAgeHours(coarse, split, hours(10)))
                .isCloseTo(whole, Percentage.withPercentage(1e-9));
    }

    @Property
    void warmerIsNeverSlower(
            @ForAll @DoubleRange(min = -10, max = 40) double celsius,
            @ForAll @DoubleRange(min = 0, max = 20) double more) {
        assertThat(AT_20.rateAt(celsius + more)).isGreaterThanOrEqualTo(AT_20.rateAt(celsius));
    }

    @Property
    void anAgeIsReachedWhenTheClockSaysSo(
            @ForAll @DoubleRange(min = 0.01, max = 80) double age,
            @ForAll @DoubleRange(min = 2, max = 35) double dayC,
            @ForAll @DoubleRange(min = 2, max = 35) double nightC) {
        RoomCourse room = new RoomCourse(List.of(
                new RoomReading(START, dayC), new RoomReading(hours(8), nightC), new RoomReading(hours(20), dayC)));
        Instant reached = AT_20.whenReached(room, START.plusSeconds(777), age);
        assertThat(AT_20.equivalentAgeHours(room, START.plusSeconds(777), reached))
                .isCloseTo(age, within(5e-6));
    }

    @Test
    void temperatureIsHeldFlatOutsideTheReadings() {
        RoomCourse room = new RoomCourse(List.of(new RoomReading(hours(2), 10), new RoomReading(hours(4), 20)));
        assertThat(room.temperatureCAt(START)).isEqualTo(10);
        assertThat(room.temperatureCAt(hours(3))).isEqualTo(15);
        assertThat(room.temperatureCAt(hours(99))).isEqualTo(20);
    }

    @Test
    void readingsMayComeInAnyOrderAndTheLaterOfTwoAtOnceCounts() {
        RoomCourse room = new RoomCourse(
                List.of(new RoomReading(hours(4), 30), new RoomReading(START, 10), new RoomReading(hours(4), 20)));
        assertThat(room.temperatureCAt(hours(2))).isEqualTo(15);
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, 1e308, -31, 61})
    void roomsThatCannotBeAreRefused(double celsius) {
        assertThatThrownBy(() -> new RoomReading(START, celsius)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void fahrenheitForCelsiusIsAskedAbout() {
        assertThatThrownBy(() -> new RoomReading(START, 70)).hasMessageContaining("70 °F (21.1 °C)");
    }

    @Test
    void aClockNeverRunsBackwards() {
        assertThatThrownBy(() -> AT_20.equivalentAgeHours(RoomCourse.steady(20), hours(1), START))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new RoomCourse(List.of())).isInstanceOf(IllegalArgumentException.class);
    }
}

package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Ranges of a forecast whose misses are known, worked by hand from the published steps. */
class SpreadTest {

    private static final Instant START = Instant.parse("2026-03-01T00:00:00Z");

    private static RoomCourse every(Duration step, int readings, DoubleUnaryOperator celsiusAtHour) {
        List<RoomReading> course = new ArrayList<>();
        for (int i = 0; i < readings; i++) {
            Instant at = START.plus(step.multipliedBy(i));
            course.add(new RoomReading(
                    at, celsiusAtHour.applyAsDouble(step.multipliedBy(i).toMinutes() / 60.0)));
        }
        return new RoomCourse(course);
    }

    /** A forecast that is wrong by as much as is said of a lead, hours. */
    private static Function<Instant, Spread.Foretold> wrongBy(double truthC, DoubleUnaryOperator missAfterH) {
        return origin -> at -> OptionalDouble.of(
                truthC + missAfterH.applyAsDouble(Duration.between(origin, at).toMinutes() / 60.0));
    }

    private static double width(Spread spread, double hours) {
        return spread.widthC(Duration.ofMinutes(Math.round(hours * 60)));
    }

    /**
     * 47 misses of 2 °C three hours apart are worth 47·3/14 = 10.07 that are independent; Student's ninetieth
     * percentile for 10 degrees of freedom is 1.372 (NIST/SEMATECH e-Handbook, table 1.3.6.7.2), so 2.74 °C.
     */
    @Test
    void aWeekOfEqualMissesIsWidenedAsStudentSays() {
        RoomCourse week = every(Duration.ofMinutes(30), 281 + 1, hour -> 20);
        Spread spread = Spread.of(week, wrongBy(20, lead -> 2));
        assertThat(width(spread, 0.5)).isCloseTo(1.372 * 2, within(0.02));
        assertThat(width(spread, 0.1)).as("sooner than the first lead").isEqualTo(width(spread, 0.5));
    }

    /** With a month of them there is hardly any doubt left: 1.28 standard deviations, normal distribution. */
    @ParameterizedTest
    @CsvSource({"1, 2", "8, 2", "24, 2", "24, 4", "8, 0.5"})
    void amonthOfEqualMissesIsTakenAtItsWord(double hours, double missC) {
        RoomCourse month = every(Duration.ofHours(1), 24 * 28 + 1, hour -> 20);
        Spread spread = Spread.of(month, wrongBy(20, lead -> missC));
        assertThat(width(spread, hours)).isCloseTo(1.2816 * missC, within(0.03 * missC));
    }

    /** The ages of the backtest: a miss that grows with the lead is found again at its lead. */
    @Test
    void aMissThatGrowsIsFoundAtItsLead() {
        RoomCourse month = every(Duration.ofHours(1), 24 * 28 + 1, hour -> 20);
        Spread spread = Spread.of(month, wrongBy(20, lead -> lead / 8));
        assertThat(width(spread, 8)).isCloseTo(1.2816, within(0.08));
        assertThat(width(spread, 24)).isCloseTo(3 * 1.2816, within(0.3));
        double between = width(spread, 12);
        assertThat(between).isBetween(width(spread, 8), width(spread, 16));
        double part = Math.log(12 / 8.0) / Math.log(16 / 8.0);
        assertThat(between)
                .as("straight over the logarithm of the lead")
                .isCloseTo(width(spread, 8) + part * (width(spread, 16) - width(spread, 8)), within(1e-9));
    }

    /**
     * Pool adjacent violators (Ayer et al. 1955): three leads that look worse than all after them are one with them.
     */
    @Test
    void nobodyKnowsNextWeekBetterThanTomorrow() {
        RoomCourse month = every(Duration.ofHours(1), 24 * 28 + 1, hour -> 20);
        Spread spread = Spread.of(month, wrongBy(20, lead -> lead <= 2 ? 3 : 1));
        assertThat(width(spread, 1)).isBetween(1.2816 * 1.3, 1.2816 * 2.2);
        assertThat(width(spread, 48)).isGreaterThanOrEqualTo(width(spread, 1)).isLessThan(1.2816 * 2.6);
    }

    @Test
    void itWidensSlowlyBeyondTheLastLeadAndNotWithoutEnd() {
        RoomCourse month = every(Duration.ofHours(1), 24 * 28 + 1, hour -> 20);
        Spread spread = Spread.of(month, wrongBy(20, lead -> 2));
        double week = width(spread, 168);
        assertThat(width(spread, 168 * 16)).isCloseTo(week * Math.pow(16, 0.04), within(1e-9));
        Spread wild = Spread.of(month, wrongBy(20, lead -> 90));
        assertThat(width(wild, 24)).isEqualTo(15);
        assertThat(width(wild, 1000)).isEqualTo(15);
    }

    @Test
    void aThermometerIsNeverTrustedBeyondATenth() {
        RoomCourse month = every(Duration.ofHours(1), 24 * 28 + 1, hour -> 20);
        assertThat(width(Spread.of(month, wrongBy(20, lead -> 0)), 1)).isBetween(0.1, 0.25);
    }

    private static double expected(RoomCourse history, double hoursAhead) {
        Instant now = history.lastReadingAt();
        return new Forecast.LikeLastDays(5)
                .foretold(history, now, ZoneOffset.UTC)
                .celsiusAt(now.plus(Duration.ofMinutes(Math.round(hoursAhead * 60))))
                .orElseThrow();
    }

    /** A difference that is gone an hour later says nothing of the next hour; one that stays fades over 6 h. */
    @Test
    void whatLastsOfADifferenceIsReadFromTheRoom() {
        RoomCourse unrest = every(
                Duration.ofHours(1),
                24 * 6,
                hour -> 20 + (Math.round(hour) % 2 == 0 ? 1 : -1) * 0.8 + (hour == 24 * 6 - 1 ? 3 : 0));
        // Every clock hour is even or odd on each day alike: the pattern holds the unrest, only the last is off.
        double usual = expected(
                every(Duration.ofHours(1), 24 * 6, hour -> 20 + (Math.round(hour) % 2 == 0 ? 1 : -1) * 0.8), 1);
        assertThat(expected(unrest, 1)).isBetween(usual, usual + 3);
        RoomCourse drifting = every(Duration.ofHours(1), 24 * 6, hour -> 20 + 3 * Math.sin(2 * Math.PI * hour / 71));
        double now = drifting.temperatureCAt(drifting.lastReadingAt());
        double usualNow = new Forecast.LikeLastDays(5)
                .foretold(drifting, drifting.lastReadingAt(), ZoneOffset.UTC)
                .celsiusAt(drifting.lastReadingAt())
                .orElseThrow();
        assertThat(usualNow).as("at once nothing has faded").isCloseTo(now, within(1e-6));
        RoomCourse restless = every(Duration.ofHours(1), 24 * 6, hour -> 20 + 2 * Math.sin(hour * hour));
        double noisy = restless.temperatureCAt(restless.lastReadingAt());
        double left = expected(restless, 0) - 20;
        assertThat(Math.abs(left)).as("unrest does not last").isLessThan(Math.abs(noisy - 20) * 0.75 + 1);
    }
}

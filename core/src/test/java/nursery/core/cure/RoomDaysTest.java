package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a room does from day to day. 2 March 2026 is a Monday. */
class RoomDaysTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final ZoneId ZONE = ZoneOffset.UTC;

    private static Instant hours(double hours) {
        return START.plusMillis(Math.round(hours * 3_600_000));
    }

    /** A wave over the day, a trend, days that are warmer and colder by a fifth of a degree, and weekends. */
    private static RoomCourse room(int days, double perDayC, double weekendC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int h = 0; h <= days * 24; h++) {
            int day = h / 24;
            DayOfWeek weekday = hours(h).atZone(ZONE).getDayOfWeek();
            boolean weekend = weekday == DayOfWeek.SATURDAY || weekday == DayOfWeek.SUNDAY;
            readings.add(new RoomReading(
                    hours(h),
                    20
                            + perDayC * h / 24
                            + Math.sin(2 * Math.PI * (h % 24) / 24)
                            + (day * 7 % 5 - 2) * 0.1
                            + (weekend ? weekendC : 0)));
        }
        return new RoomCourse(readings);
    }

    /**
     * Ordinary least squares by NumPy 2.4.6 (numpy.linalg.lstsq, standard errors from the inverse of AᵀA), on the means
     * of the days at every other hour; and how much of the slope is believed, 1/(1 + (6/t)⁴).
     */
    @ParameterizedTest
    @CsvSource({
        "5, -0.4, 0, false, -0.350000000000001, -0.22730592372194125",
        "20, -0.15, -2, true, -0.14692307692307754, -0.14640578957772263",
        "20, 0.05, 0, false, 0.053007518796992524, 0.045004058901486794",
        "12, 0.03, -1.5, true, 0.03069930069930084, 0.0007039641420584223",
        "30, 0.2, 3, true, 0.20114598254981103, 0.2010116010119454",
        "6, -0.1, -2, false, -0.38571428571428584, -0.004362363321040673",
        "7, -0.1, -2, true, -0.04285714285714254, -2.6768983670920114e-05",
        "20, 0.1, -0.5, false, 0.09736842105263178, 0.08260052275193683"
    })
    void theTrendAndTheWeekendAreFittedTogether(
            int days, double perDayC, double weekendC, boolean hasWeek, double fittedC, double believedC) {
        RoomDays known = RoomDays.of(room(days, perDayC, weekendC), hours(days * 24), ZONE);
        assertThat(known.hasWeek()).isEqualTo(hasWeek);
        assertThat(known.fittedC()).isCloseTo(fittedC, within(1e-9));
        assertThat(known.perDayC()).isCloseTo(believedC, within(1e-9));
        assertThat(known.hasTrend()).isEqualTo(Math.abs(believedC) > 0.1);
    }

    @Test
    void threeDaysSayNothingOfATrendAndAStillRoomHasNone() {
        assertThat(RoomDays.of(room(3, 1, 0), hours(72), ZONE)).isEqualTo(new RoomDays(hours(72), 0, 0, false));
        assertThat(RoomDays.of(room(4, 1, 0), hours(96), ZONE).fittedC()).isGreaterThan(0.5);
        RoomCourse still = new RoomCourse(List.of(new RoomReading(START, 20), new RoomReading(hours(240), 20)));
        assertThat(RoomDays.of(still, hours(240), ZONE).perDayC()).isZero();
        assertThat(new RoomDays(START, 0.1, 0.1, false).hasTrend()).as("slight").isFalse();
        assertThat(new RoomDays(START, -0.11, -0.11, false).hasTrend()).isTrue();
    }

    /**
     * Behind, the whole slope; ahead, each day 0.97 of the one before, added up as the integral (1 − 0.97ᵈ)/−ln 0.97;
     * after a fortnight it stands.
     */
    @Test
    void aTrendGoesOnALittleDampedForAFortnight() {
        RoomDays known = new RoomDays(START, -0.4, -0.5, false);
        assertThat(known.sinceC(hours(-48))).isCloseTo(-0.8, within(1e-12));
        assertThat(known.levelC(hours(-48))).isCloseTo(-1, within(1e-12));
        assertThat(known.sinceC(START)).isZero();
        assertThat(known.sinceC(hours(24))).isCloseTo(0.4 * 0.03 / 0.030459207484709, within(1e-9));
        assertThat(known.sinceC(hours(14 * 24)))
                .isEqualTo(known.sinceC(hours(30 * 24)))
                .isGreaterThan(4);
        assertThat(known.sinceC(hours(13 * 24))).isLessThan(known.sinceC(hours(14 * 24)));
    }

    private static Calibration touched(double low, double high) {
        return new Calibration(Math.sqrt(low * high), low, high, 50, 5, 9, 0);
    }

    @Test
    void aResinDiffersFromItsLabelWhereTheRangeLeavesItOut() {
        assertThat(touched(1, 1.5).differsFromTheLabel()).isFalse();
        assertThat(touched(1.001, 1.5).differsFromTheLabel()).isTrue();
        assertThat(touched(0.5, 1).differsFromTheLabel()).isFalse();
        assertThat(touched(0.5, 0.999).differsFromTheLabel()).isTrue();
    }

    /** Touches of one coat that is a quarter faster than the resin agree with one another: none of them is a slip. */
    @ParameterizedTest
    @CsvSource({"1.25", "0.8", "1"})
    void aCoatOfItsOwnSpeedIsNoSlip(double faster) {
        Label label = StartingProfile.REGULAR.label();
        RoomCourse room = RoomCourse.steady(22);
        List<Calibration.Observation> touches = new ArrayList<>();
        // Nine coats that are as the label says: off the turner at 4 h, sandable at 8.
        for (int coat = 0; coat < 9; coat++) {
            touches.add(touch(room, coat, 3.4, Touch.STRINGS));
            touches.add(touch(room, coat, 4.6, Touch.FIRM_WITH_PRINT));
            touches.add(touch(room, coat, 9.2, Touch.SANDS_TO_DUST));
        }
        assertThat(Calibration.of(label, touches).slips()).isZero();
        touches.add(touch(room, 50, 3.7 / faster, Touch.STRINGS));
        touches.add(touch(room, 50, 4.5 / faster, Touch.FIRM_WITH_PRINT));
        touches.add(touch(room, 50, 8.8 / faster, Touch.SANDS_TO_DUST));
        assertThat(Calibration.of(label, touches).slips()).isZero();
        touches.add(touch(room, 50, 30, Touch.STICKY_NEXT_DAY));
        assertThat(Calibration.of(label, touches).slips())
                .as("against its own three, the fourth is one")
                .isEqualTo(1);
    }

    private static Calibration.Observation touch(RoomCourse room, long coat, double ageH, Touch touch) {
        return Calibration.Observation.of(room, coat, START, hours(ageH), touch);
    }

    /** A reading that jumps away and back within the time is none; one that stays, or lies far apart, is one. */
    @ParameterizedTest
    @CsvSource({
        "10, 20, 28.1, 20, false",
        "10, 20, 11.9, 20, false",
        "30, 20, 28.1, 20, false",
        "31, 20, 28.1, 20, true",
        "10, 20, 28, 20, true",
        "10, 20, 29, 29, true",
        "10, 20, 33, 23.9, false",
        "10, 20, 33, 24, true"
    })
    void aSpikeIsNoReading(int minutesApart, double before, double here, double after, boolean kept) {
        List<RoomReading> readings = List.of(
                new RoomReading(START, before),
                new RoomReading(START.plus(Duration.ofMinutes(minutesApart)), here),
                new RoomReading(START.plus(Duration.ofMinutes(2L * minutesApart)), after));
        assertThat(RoomCourse.withoutSpikes(readings)).hasSize(kept ? 3 : 2).contains(readings.get(0), readings.get(2));
    }

    /** What is behind a moment, and nothing else; behind the last reading the room stands. */
    @Test
    void aCourseIsCutAndShifted() {
        RoomCourse course = new RoomCourse(
                List.of(new RoomReading(START, 20), new RoomReading(hours(2), 22), new RoomReading(hours(4), 18)));
        assertThat(course.from(hours(1)).firstReadingAt()).isEqualTo(hours(1));
        assertThat(course.from(hours(1)).temperatureCAt(hours(1))).isCloseTo(21, within(1e-9));
        assertThat(course.from(hours(9)).temperatureCAt(hours(9))).isEqualTo(18);
        RoomCourse warmer = course.shifted(hours(1), 1);
        assertThat(warmer.temperatureCAt(hours(0.5))).isCloseTo(20.5, within(1e-9));
        assertThat(warmer.temperatureCAt(hours(1))).isCloseTo(21, within(1e-9));
        assertThat(warmer.temperatureCAt(hours(2))).isCloseTo(23, within(1e-9));
        assertThat(warmer.temperatureCAt(hours(3))).isCloseTo(21, within(1e-9));
        RoomCourse just = course.shifted(hours(2).minusSeconds(30), 1);
        assertThat(just.temperatureCAt(hours(2)))
                .as("a reading within the minute")
                .isCloseTo(23, within(1e-9));
    }
}

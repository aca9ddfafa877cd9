package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import nursery.core.cure.CoatFitness.Verdict;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MixRatio;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a phase, a verdict, a spike or a trend begins and ends. 2 March 2026 is a Monday. */
class CureEdgesTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final LabelTimes TIMES = new LabelTimes(0.75, 4, 5, 7, 9, 12, 8, 48, 120);
    private static final Label LABEL = new Label(
            new MixRatio(1, 1),
            TIMES,
            22,
            50,
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty());

    private static Instant hours(double hours) {
        return START.plusMillis(Math.round(hours * 3_600_000));
    }

    private static RoomCourse room(double... hourThenC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i < hourThenC.length; i += 2) {
            readings.add(new RoomReading(hours(hourThenC[i]), hourThenC[i + 1]));
        }
        return new RoomCourse(readings);
    }

    /** Each phase begins at its hour and not before. */
    @ParameterizedTest
    @CsvSource({
        "0, WORKABLE",
        "0.749, WORKABLE",
        "0.75, TURNING",
        "3.999, TURNING",
        "4, GELLED",
        "4.999, GELLED",
        "5, TACK",
        "6.999, TACK",
        "7, FADING",
        "7.999, FADING",
        "8, HARDENING",
        "8.999, HARDENING",
        "9, SANDABLE",
        "47.999, SANDABLE",
        "48, CURED",
        "119.999, CURED",
        "120, FULL_CURE",
        "9999, FULL_CURE"
    })
    void aPhaseBeginsAtItsAge(double ageH, Phase phase) {
        assertThat(Phase.at(TIMES, ageH)).isEqualTo(phase);
        assertThat(phase.word()).isNotBlank();
        assertThat(phase.meaning()).endsWith(".");
    }

    /**
     * In a room at the label's own temperature an hour is an hour: before the first reading and after the last, too.
     */
    @Test
    void atTheLabelsTemperatureTheClockIsAClock() {
        CoatTimes coat = new CoatTimes(LABEL, room(10, 22, 20, 22), hours(2));
        assertThat(coat.at(CoatMoment.OFF_TURNER)).isEqualTo(hours(6)).isEqualTo(coat.offTurnerFrom());
        assertThat(coat.at(CoatMoment.FULL_CURE)).isEqualTo(hours(122));
        assertThat(coat.ageHoursAt(hours(30))).isCloseTo(28, within(1e-9));
        assertThat(coat.ageHoursAt(hours(1))).isZero();
        assertThat(coat.speedAt(hours(15))).isEqualTo(1);
        assertThat(coat.pouredAt()).isEqualTo(hours(2));
        assertThat(coat.label()).isEqualTo(LABEL);
        assertThat(CoatMoment.SCUFF_AFTER.words()).isEqualTo("Scuff needed after");
    }

    /** Arrhenius by hand: at 32 °C it runs exp(50000/8.314·(1/295.15 − 1/305.15)) = 1.9497 times as fast. */
    @Test
    void beforeTheFirstAndAfterTheLastReadingTheRoomStandsStill() {
        double fast = Math.exp(50_000 / 8.314462618 * (1 / 295.15 - 1 / 305.15));
        CureClock clock = CureClock.of(LABEL);
        RoomCourse warm = room(10, 32, 20, 32);
        assertThat(clock.whenReached(warm, hours(0), 2 * fast)).isEqualTo(hours(2));
        assertThat(clock.whenReached(warm, hours(0), 12 * fast)).isEqualTo(hours(12));
        assertThat(clock.whenReached(warm, hours(0), 50 * fast)).isEqualTo(hours(50));
        assertThat(clock.whenReached(warm, hours(30), 5 * fast)).isEqualTo(hours(35));
        assertThat(clock.equivalentAgeHours(warm, hours(2), hours(8))).isCloseTo(6 * fast, within(1e-9));
    }

    /** When an age is reached is where that much age is: on rooms that rise, fall and stand, to a second. */
    @Test
    void whenAnAgeIsReachedItIsThere() {
        Random random = new Random(4);
        CureClock clock = CureClock.of(LABEL);
        for (int round = 0; round < 300; round++) {
            double[] course = new double[2 * (2 + random.nextInt(6))];
            double at = 0;
            for (int i = 0; i < course.length; i += 2) {
                course[i] = at;
                course[i + 1] = random.nextInt(4) == 0 ? 20 : -10 + 50 * random.nextDouble();
                at += 0.05 + 12 * random.nextDouble() * random.nextDouble();
            }
            RoomCourse room = room(course);
            Instant from = hours(-3 + (at + 6) * random.nextDouble());
            double age = 30 * random.nextDouble() * random.nextDouble();
            Instant reached = clock.whenReached(room, from, age);
            assertThat(clock.equivalentAgeHours(room, from, reached))
                    .as("round %d", round)
                    .isCloseTo(age, within(3e-6));
        }
    }

    /** By the figures of the page: 12, 18 and 32 °C, 70 and 85 %; what is exactly there counts as written. */
    @ParameterizedTest
    @CsvSource({
        "22, 50, GO",
        "11.9, 50, NOT_NOW",
        "12, 50, WAIT",
        "17.9, 50, WAIT",
        "18, 50, GO",
        "32, 30, GO",
        "32.1, 30, WAIT",
        "22, 69.9, GO",
        "22, 70, WAIT",
        "22, 84.9, NOT_NOW",
        "22, 85, NOT_NOW"
    })
    void whetherItIsFitForACoat(double celsius, double percent, Verdict verdict) {
        CoatFitness fitness = CoatFitness.of(celsius, OptionalDouble.of(percent), celsius);
        assertThat(fitness.verdict()).as("%s", fitness.reasons()).isEqualTo(verdict);
        assertThat(verdict.words()).isNotBlank();
    }

    /**
     * At 84.9 % and 22 °C the dew point is 19.3 °C: less than 3 K below the cup. A cup at 30 °C is far enough above.
     */
    @Test
    void aWarmCupIsDryWhereAColdOneIsNot() {
        assertThat(CoatFitness.of(22, OptionalDouble.of(84.9), 30).verdict()).isEqualTo(Verdict.WAIT);
        assertThat(CoatFitness.of(22, OptionalDouble.of(50), 11.9).verdict())
                .as("a cup from the cellar")
                .isEqualTo(Verdict.NOT_NOW);
        assertThat(CoatFitness.of(22, OptionalDouble.empty(), 22).reasons().get(0))
                .contains("humidity is not known");
    }

    @Test
    void aWindowIsOpenFromItsBeginningToBeforeItsEnd() {
        Window window = Window.between(hours(4), hours(8));
        assertThat(window.hasOpenedBy(hours(4).minusMillis(1))).isFalse();
        assertThat(window.isOpenAt(hours(4))).isTrue();
        assertThat(window.isOpenAt(hours(8).minusMillis(1))).isTrue();
        assertThat(window.isOpenAt(hours(8))).isFalse();
        assertThat(Window.from(hours(4)).hasClosedBy(hours(9999))).isFalse();
    }

    /** What a sun-lit or knocked thermometer does, and what a room can. */
    @ParameterizedTest
    @CsvSource({"20, 35, 20, true", "20, 5, 20, true", "20, 35, 34, false", "20, 21, 20, false", "10, 35, 20, false"})
    void aSpikeStandsOffBothNeighbours(double before, double here, double after, boolean isSpike) {
        List<RoomReading> three = List.of(
                new RoomReading(hours(0), before),
                new RoomReading(hours(0.25), here),
                new RoomReading(hours(0.5), after));
        assertThat(RoomCourse.withoutSpikes(three)).hasSize(isSpike ? 2 : 3);
        List<RoomReading> slow = List.of(
                new RoomReading(hours(0), before), new RoomReading(hours(24), here), new RoomReading(hours(48), after));
        assertThat(RoomCourse.withoutSpikes(slow))
                .as("in two days a room can do that")
                .hasSize(3);
    }

    @Test
    void partsOfACourse() {
        RoomCourse course = room(0, 10, 10, 20, 20, 30);
        assertThat(course.readings(hours(10), hours(20))).hasSize(2);
        assertThat(course.readings(hours(10.1), hours(19.9))).isEmpty();
        assertThat(course.from(hours(15)).temperatureCAt(hours(15))).isCloseTo(25, within(1e-9));
        assertThat(course.from(hours(15)).temperatureCAt(hours(12)))
                .as("held from there")
                .isCloseTo(25, within(1e-9));
        assertThat(course.from(hours(25)).temperatureCAt(hours(99))).isEqualTo(30);
        assertThat(course.between(hours(5), hours(15)).temperatureCAt(hours(10)))
                .isEqualTo(20);
        assertThat(course.between(hours(5), hours(15)).temperatureCAt(hours(0))).isCloseTo(15, within(1e-9));
        RoomCourse shifted = course.shifted(hours(10), -4);
        assertThat(shifted.temperatureCAt(hours(10))).isEqualTo(20);
        assertThat(shifted.temperatureCAt(hours(15))).isCloseTo(21, within(1e-9));
        assertThat(shifted.temperatureCAt(hours(30))).isEqualTo(26);
        assertThat(course.temperatureCAt(hours(2.5))).isCloseTo(12.5, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"-30, true", "60, true", "-30.1, false", "60.1, false"})
    void whatARoomCanBe(double celsius, boolean can) {
        if (can) {
            assertThat(new RoomReading(START, celsius).temperatureC()).isEqualTo(celsius);
        } else {
            assertThatThrownBy(() -> new RoomReading(START, celsius)).hasMessageContaining("outside");
        }
    }

    @Test
    void humidityIsBetweenDryAndWet() {
        for (double percent : new double[] {1, 100}) {
            assertThat(new RoomReading(START, 20, OptionalDouble.of(percent)).humidityPercent())
                    .hasValue(percent);
        }
        for (double percent : new double[] {0.9, 100.1}) {
            assertThatThrownBy(() -> new RoomReading(START, 20, OptionalDouble.of(percent)))
                    .hasMessageContaining("check the hygrometer");
        }
        assertThatThrownBy(() -> new RoomReading(START, 72)).hasMessageContaining("did you mean 72 °F (22.2 °C)?");
    }

    /** A cold night makes a coat late by hours, and is told; a room that stays as it was is not. */
    @Test
    void whatMovedIsToldWithItsReason() {
        Label regular = StartingProfile.REGULAR.label();
        RoomCourse coldNight = room(0, 22, 2, 22, 4, 10, 10, 10, 12, 22, 200, 22);
        Moved late = Moved.of(regular, hours(0), coldNight, hours(100)).orElseThrow();
        assertThat(late.isLater()).isTrue();
        assertThat(late.extremeC()).isEqualTo(10);
        assertThat(late.extremeAt()).isEqualTo(hours(4));
        RoomCourse heated = room(0, 15, 2, 15, 3, 28, 200, 28);
        Moved early = Moved.of(regular, hours(0), heated, hours(100)).orElseThrow();
        assertThat(early.isLater()).isFalse();
        assertThat(early.extremeC()).isEqualTo(28);
        assertThat(Moved.of(regular, hours(0), room(0, 22, 200, 22), hours(100)))
                .isEmpty();
        assertThat(Moved.of(regular, hours(0), coldNight, hours(1.5)))
                .as("what is only foretold is not told as what happened")
                .isEmpty();
    }

    private static RoomCourse noisy(Random random, int days, double perDayC, double weekendC, double noiseC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i <= days * 24; i++) {
            double off = RoomDays.isWeekend(hours(i), ZoneOffset.UTC) ? weekendC : 0;
            readings.add(new RoomReading(hours(i), 20 + perDayC * i / 24 + off + noiseC * random.nextGaussian()));
        }
        return new RoomCourse(readings);
    }

    /** Least squares of day and weekend, solved here by elimination, as any textbook has them. */
    private static double[] leastSquares(RoomCourse room, Instant now, int days, boolean withWeekends) {
        int unknowns = withWeekends ? 3 : 2;
        double[][] normal = new double[unknowns][unknowns + 1];
        for (int day = 0; day < days; day++) {
            double mean = 0;
            double weekend = 0;
            for (int i = 0; i < 12; i++) {
                Instant at = now.minus(Duration.ofMinutes(Math.round((day * 24 + 2 * i + 1) * 60.0)));
                mean += room.temperatureCAt(at) / 12;
                weekend += RoomDays.isWeekend(at, ZoneOffset.UTC) ? 1 / 12.0 : 0;
            }
            double[] x = {1, -day, weekend};
            for (int r = 0; r < unknowns; r++) {
                for (int c = 0; c < unknowns; c++) {
                    normal[r][c] += x[r] * x[c];
                }
                normal[r][unknowns] += x[r] * mean;
            }
        }
        for (int pivot = 0; pivot < unknowns; pivot++) {
            for (int r = 0; r < unknowns; r++) {
                double by = r == pivot ? 0 : normal[r][pivot] / normal[pivot][pivot];
                for (int c = pivot; c <= unknowns; c++) {
                    normal[r][c] -= by * normal[pivot][c];
                }
            }
        }
        double[] solved = new double[unknowns];
        for (int r = 0; r < unknowns; r++) {
            solved[r] = normal[r][unknowns] / normal[r][r];
        }
        return solved;
    }

    @Test
    void aTrendIsTheLeastSquaresOfItsDays() {
        Random random = new Random(8);
        int weeks = 0;
        for (int round = 0; round < 120; round++) {
            int days = 4 + random.nextInt(18);
            RoomCourse room = noisy(
                    random,
                    days,
                    random.nextDouble() - 0.5,
                    random.nextBoolean() ? -1 - 5 * random.nextDouble() : 0,
                    random.nextDouble());
            Instant now = room.lastReadingAt();
            RoomDays known = RoomDays.of(room, now, ZoneOffset.UTC);
            double[] expected = leastSquares(room, now, days, known.hasWeek());
            assertThat(known.fittedC()).as("round %d", round).isCloseTo(expected[1], within(1e-6));
            assertThat(Math.abs(known.perDayC())).isLessThanOrEqualTo(Math.abs(known.fittedC()) + 1e-12);
            weeks += known.hasWeek() ? 1 : 0;
        }
        assertThat(weeks).as("weekends by several degrees are seen").isBetween(25, 70);
    }

    /** A slope of 0.3 °C a day in a still room is believed; in one as restless as that for a few days it is not. */
    @Test
    void aSlopeIsBelievedBySoMuchAsItIsSure() {
        RoomDays sure = RoomDays.of(noisy(new Random(1), 14, -0.3, 0, 0.05), hours(14 * 24), ZoneOffset.UTC);
        assertThat(sure.perDayC()).isCloseTo(-0.3, within(0.01));
        assertThat(sure.hasTrend()).isTrue();
        List<RoomReading> spells = new ArrayList<>();
        for (int day = 0; day <= 5; day++) {
            spells.add(new RoomReading(hours(day * 24), 20 + (day % 2 == 0 ? 2 : -2) - 0.1 * day));
            spells.add(new RoomReading(hours(day * 24 + 23.9), 20 + (day % 2 == 0 ? 2 : -2) - 0.1 * day));
        }
        RoomDays unsure = RoomDays.of(new RoomCourse(spells), hours(5 * 24 + 23.9), ZoneOffset.UTC);
        assertThat(unsure.hasTrend()).isFalse();
        assertThat(Math.abs(unsure.perDayC())).isLessThan(0.01);
    }

    @Test
    void whoKnowsThreeDaysKnowsNoTrend() {
        RoomDays three = RoomDays.of(noisy(new Random(1), 3, -0.3, 0, 0.01), hours(3 * 24), ZoneOffset.UTC);
        assertThat(three.perDayC()).isZero();
        assertThat(three.hasWeek()).isFalse();
        assertThat(RoomDays.of(noisy(new Random(1), 4, -0.3, 0, 0.01), hours(4 * 24), ZoneOffset.UTC)
                        .perDayC())
                .isCloseTo(-0.3, within(0.01));
    }

    /**
     * By hand, 0.3 °C a day: two days ago 0.6 warmer; ahead it is damped, 0.3·(1 − 0.97³)/−ln 0.97, and ends after 14.
     */
    @Test
    void aTrendGoesOnDampedForAFortnight() {
        RoomDays days = new RoomDays(hours(0), -0.3, -0.3, false);
        assertThat(days.sinceC(hours(-48))).isCloseTo(-0.6, within(1e-12));
        double three = 0.3 * (1 - Math.pow(0.97, 3)) / -Math.log(0.97);
        assertThat(days.sinceC(hours(72))).isCloseTo(three, within(1e-9));
        assertThat(days.sinceC(hours(24 * 14))).isEqualTo(days.sinceC(hours(24 * 40)));
        assertThat(days.sinceC(hours(24 * 13))).isLessThan(days.sinceC(hours(24 * 14)));
        assertThat(days.levelC(hours(-48))).isCloseTo(-0.6, within(1e-12));
    }

    /** A forecast of a heating: each setting from its time on, the last one of the day before the first. */
    @Test
    void aHeatingIsAsItIsSet() {
        Forecast heating = new Forecast.Heating(List.of(
                new Forecast.Heating.Setting(java.time.LocalTime.of(22, 0), 16),
                new Forecast.Heating.Setting(java.time.LocalTime.of(6, 30), 21)));
        RoomCourse ahead = heating.continuing(RoomCourse.steady(19), hours(12), ZoneOffset.UTC);
        assertThat(ahead.temperatureCAt(hours(24 + 3))).isEqualTo(16);
        assertThat(ahead.temperatureCAt(hours(24 + 6.5))).isEqualTo(21);
        assertThat(ahead.temperatureCAt(hours(24 + 21.5))).isEqualTo(21);
        assertThat(ahead.temperatureCAt(hours(24 + 22))).isEqualTo(16);
        assertThat(heating.foretold(RoomCourse.steady(19), hours(12), ZoneOffset.UTC)
                        .celsiusAt(hours(24 + 5)))
                .hasValue(16);
        Forecast steady = new Forecast.Steady(18);
        assertThat(steady.continuing(RoomCourse.steady(22), hours(0), ZoneOffset.UTC)
                        .temperatureCAt(hours(1)))
                .as("half the way in an hour of two")
                .isCloseTo(20, within(1e-9));
        assertThat(steady.foretold(RoomCourse.steady(22), hours(0), ZoneOffset.UTC)
                        .celsiusAt(hours(9)))
                .hasValue(18);
        assertThat(Forecast.isSilent(room(0, 20), hours(6))).isFalse();
        assertThat(Forecast.isSilent(room(0, 20), hours(6.01))).isTrue();
    }
}

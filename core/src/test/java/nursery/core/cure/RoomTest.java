package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.cure.CoatFitness.Verdict;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.hipparchus.analysis.integration.IterativeLegendreGaussIntegrator;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The room: its dew point, whether it is fit for a coat, what it will do, and what that does to a coat. */
class RoomTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final Label REGULAR = StartingProfile.REGULAR.label();

    private static final int ROOMS = 200;

    private static Instant hour(double hours) {
        return START.plus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    /**
     * The first is the value in WMO-No. 8's own form worked by hand: γ = ln 0.5 + 17.62·20/263.12 = 0.6462, t_d =
     * 243.12·0.6462/16.9738 = 9.26. The others are dew points as psychrometric tables give them to a tenth (from
     * memory), for 25 °C and 60 %, 15 °C and 80 %, 30 °C and 70 %.
     */
    @ParameterizedTest
    @CsvSource({"20, 50, 9.26", "25, 60, 16.7", "15, 80, 11.6", "30, 70, 23.9", "20, 100, 20.0", "0, 100, 0.0"})
    void theDewPointIsThatOfTheTables(double airC, double percent, double dewC) {
        assertThat(DewPoint.celsius(airC, percent)).isCloseTo(dewC, within(0.07));
    }

    @Property(tries = 300)
    void theDewPointIsNeverAboveTheAirAndRisesWithTheMoisture(
            @ForAll @DoubleRange(min = -10, max = 40) double airC,
            @ForAll @DoubleRange(min = 2, max = 99) double percent) {
        assertThat(DewPoint.celsius(airC, percent)).isLessThan(airC).isLessThan(DewPoint.celsius(airC, percent + 1));
    }

    @ParameterizedTest
    @CsvSource({"20, 0", "20, 101", "20, NaN", "99, 50", "NaN, 50"})
    void whatIsNoAirIsRefused(double airC, double percent) {
        assertThatThrownBy(() -> DewPoint.celsius(airC, percent)).isInstanceOf(nursery.core.measure.InvalidInput.class);
    }

    private static CoatFitness fitness(double airC, double percent, double surfaceC) {
        return CoatFitness.of(airC, OptionalDouble.of(percent), surfaceC);
    }

    /**
     * ISO 8502-4: at least 3 K above the dew point, which at 20 °C and 50 % lies at 9.26 °C. Haze and blush in cold and
     * damp: P28, P36.
     */
    @Test
    void aColdCupInMoistAirIsNotCoated() {
        assertThat(fitness(22, 45, 22).verdict()).isEqualTo(Verdict.GO);
        assertThat(fitness(20, 50, 12.2).verdict()).isEqualTo(Verdict.NOT_NOW);
        assertThat(fitness(20, 50, 12.2).reasons().get(0)).contains("2.9 K above the dew point, 9.3 °C");
        assertThat(fitness(20, 50, 12.3).reasons()).noneMatch(reason -> reason.contains("dew point"));
        assertThat(fitness(15, 50, 15).verdict()).isEqualTo(Verdict.WAIT);
        assertThat(fitness(22, 75, 22).reasons()).anyMatch(reason -> reason.contains("may blush"));
        assertThat(fitness(22, 88, 22).verdict()).isEqualTo(Verdict.NOT_NOW);
        assertThat(CoatFitness.of(22, OptionalDouble.empty(), 22)).satisfies(fitness -> {
            assertThat(fitness.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(fitness.dewPointC()).isEmpty();
        });
    }

    /**
     * A thousand piecewise-linear histories against a general-purpose library's adaptive quadrature, stretch by
     * stretch.
     */
    @Test
    void theIntegralIsThatOfAnAdaptiveQuadrature() {
        Random random = new Random(11);
        CureClock clock = new CureClock(22, 50);
        IterativeLegendreGaussIntegrator outside = new IterativeLegendreGaussIntegrator(12, 1e-13, 1e-13);
        for (int i = 0; i < 1000; i++) {
            List<RoomReading> readings = new ArrayList<>();
            double at = 0;
            for (int n = 0; n < 2 + random.nextInt(12); n++) {
                readings.add(new RoomReading(hour(at), 5 + 30 * random.nextDouble()));
                at += 0.1 + 8 * random.nextDouble();
            }
            RoomCourse room = new RoomCourse(readings);
            double expected = 0;
            for (int n = 1; n < readings.size(); n++) {
                RoomReading a = readings.get(n - 1);
                RoomReading b = readings.get(n);
                double hours = Duration.between(a.at(), b.at()).toMillis() / 3.6e6;
                expected += outside.integrate(
                        100_000,
                        t -> clock.rateAt(a.temperatureC() + (b.temperatureC() - a.temperatureC()) * t / hours),
                        0,
                        hours);
            }
            double age = clock.equivalentAgeHours(
                    room,
                    readings.get(0).at(),
                    readings.get(readings.size() - 1).at());
            assertThat(Math.abs(age / expected - 1)).as("case " + i).isLessThan(1e-9);
            Instant middle = hour(at * 0.4);
            assertThat(clock.whenReached(room, START, clock.equivalentAgeHours(room, START, middle)))
                    .isCloseTo(middle, within(5, java.time.temporal.ChronoUnit.MILLIS));
        }
    }

    /** Steps between steady rooms are summed exactly: 6 h at 22 °C and, a second later, 6 h at 12 °C. */
    @Test
    void aSuddenChangeIsSummedExactly() {
        CureClock clock = new CureClock(22, 50);
        RoomCourse room = new RoomCourse(List.of(
                new RoomReading(hour(0), 22),
                new RoomReading(hour(6), 22),
                new RoomReading(hour(6).plusMillis(1), 12),
                new RoomReading(hour(12), 12)));
        assertThat(clock.equivalentAgeHours(room, hour(0), hour(12))).isCloseTo(6 + 6 * clock.rateAt(12), within(1e-6));
    }

    /**
     * ASTM C1074's equivalent age worked by hand: Ea/R = 50000/8.314462618 = 6013.6 K; at 15 °C against 22 °C k =
     * exp(−6013.6·(1/288.15 − 1/295.15)) = exp(−0.49496) = 0.6096; at 30 °C exp(0.53768) = 1.7120.
     */
    @ParameterizedTest
    @CsvSource({"15, 0.6096", "30, 1.7120", "22, 1"})
    void theRateIsThatWorkedByHand(double roomC, double rate) {
        CureClock clock = new CureClock(22, 50);
        assertThat(clock.equivalentAgeHours(RoomCourse.steady(roomC), hour(0), hour(10)))
                .isCloseTo(10 * rate, within(0.002));
    }

    private static RoomCourse days(int days, double meanC) {
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i <= days * 48; i++) {
            readings.add(new RoomReading(
                    hour(i / 2.0), meanC - 4 * Math.cos(2 * Math.PI * (i / 2.0 - 3) / 24), OptionalDouble.of(50)));
        }
        return new RoomCourse(readings);
    }

    /** A room that swings between 14 and 22 °C, coldest at 03:00, is expected to go on swinging. */
    @Test
    void theLastDaysPatternGoesOn() {
        RoomCourse room = new Forecast.LikeLastDays(3).continuing(days(3, 18), hour(72), ZoneOffset.UTC);
        assertThat(room.temperatureCAt(hour(75))).isCloseTo(14, within(0.1));
        assertThat(room.temperatureCAt(hour(87))).isCloseTo(22, within(0.1));
        assertThat(room.temperatureCAt(hour(72 + 24 * 170 + 3)))
                .as("also in half a year")
                .isCloseTo(14, within(0.1));
        assertThat(room.temperatureCAt(hour(72 + 24 * 170 + 15))).isCloseTo(22, within(0.1));
    }

    /** Five degrees warmer than usual now: after six hours 37 % of that is left, after a day almost nothing. */
    @Test
    void todaysDifferenceFades() {
        List<RoomReading> readings = new ArrayList<>(days(3, 18).readings(Instant.MIN, hour(71.5)));
        double usual = days(3, 18).temperatureCAt(hour(72));
        readings.add(new RoomReading(hour(72), usual + 5));
        RoomCourse room = new Forecast.LikeLastDays(2).continuing(new RoomCourse(readings), hour(72), ZoneOffset.UTC);
        assertThat(room.temperatureCAt(hour(78)) - days(5, 18).temperatureCAt(hour(78)))
                .isCloseTo(5 * Math.exp(-1) * (2.0 / 3) + 0, within(0.9));
        assertThat(room.temperatureCAt(hour(94)) - days(5, 18).temperatureCAt(hour(94)))
                .isCloseTo(0, within(0.3));
    }

    @Test
    void aSilentThermometerAndAnEmptyHistoryWidenTheRange() {
        assertThat(Forecast.isSilent(days(3, 18), hour(72 + 48))).isTrue();
        Spread unknown = new Forecast.LikeLastDays(3).spread(RoomCourse.steady(20), ZoneOffset.UTC);
        assertThat(unknown.widthC(Duration.ofHours(1))).isGreaterThan(3);
        Spread read = new Forecast.LikeLastDays(4).spread(room(new Random(1), 10, true), ZoneOffset.UTC);
        double before = 0;
        for (int hours = 1; hours < 24 * 60; hours *= 2) {
            double width = read.widthC(Duration.ofHours(hours));
            assertThat(width).isBetween(before, 15.0);
            before = width;
        }
    }

    /**
     * A simulated room: a daily swing of 5 °C about 18 °C and a thermometer's noise; an irregular one has spells of
     * some hours (an opened window, the sun) and weather of some days on top.
     */
    private static RoomCourse room(Random random, int days, boolean irregular) {
        List<RoomReading> readings = new ArrayList<>();
        double spell = 0;
        double weather = 2 * random.nextGaussian();
        double phase = 24 * random.nextDouble();
        for (int i = 0; i <= days * 48; i++) {
            spell = spell * Math.exp(-0.5 / 6) + 1.2 * Math.sqrt(1 - Math.exp(-1.0 / 6)) * random.nextGaussian();
            weather = weather * Math.exp(-0.5 / 72) + 2 * Math.sqrt(1 - Math.exp(-1.0 / 72)) * random.nextGaussian();
            double regular = 18 + 5 * Math.sin(2 * Math.PI * (i / 2.0 + phase) / 24) + 0.3 * random.nextGaussian();
            readings.add(new RoomReading(hour(i / 2.0), irregular ? regular + spell + weather : regular));
        }
        return new RoomCourse(readings);
    }

    /** In regular and irregular rooms the range of eight in ten holds 75 to 85 of 100 truths, near and far. */
    @Tag("simulation")
    @Test
    void theRangeHoldsTheTruthAsOftenAsItSays() {
        Forecast forecast = new Forecast.LikeLastDays(4);
        Random random = new Random(20261126);
        for (boolean irregular : new boolean[] {false, true}) {
            double all = 0;
            for (int lead : new int[] {8, 24, 72, 168}) {
                double inside = 0;
                for (int trial = 0; trial < ROOMS; trial++) {
                    int days = 5 + trial % 20;
                    RoomCourse whole = room(random, days + 8, irregular);
                    Instant now = hour(24 * days + random.nextInt(24));
                    RoomCourse history = new RoomCourse(whole.readings(Instant.MIN, now));
                    Instant then = now.plus(Duration.ofHours(lead));
                    double expected =
                            forecast.continuing(history, now, ZoneOffset.UTC).temperatureCAt(then);
                    double width = forecast.spread(history, ZoneOffset.UTC).widthC(Duration.ofHours(lead));
                    inside += Math.abs(whole.temperatureCAt(then) - expected) <= width ? 1 : 0;
                }
                assertThat(inside / ROOMS).as("%d h ahead", lead).isBetween(0.72, 0.88);
                all += inside / ROOMS / 4;
            }
            assertThat(all).isBetween(0.75, 0.85);
        }
    }

    /**
     * Heating to 21 °C from 06:30 and down to 16 °C from 22:00, by the clock on the wall also on the night it is
     * changed (29 March 2026).
     */
    @Test
    void aHeatingFollowsTheClockOnTheWall() {
        Forecast heating = new Forecast.Heating(List.of(
                new Forecast.Heating.Setting(LocalTime.of(22, 0), 16),
                new Forecast.Heating.Setting(LocalTime.of(6, 30), 21)));
        ZoneId berlin = ZoneId.of("Europe/Berlin");
        Instant evening = Instant.parse("2026-03-28T20:30:00Z");
        RoomCourse room = heating.continuing(RoomCourse.steady(21), evening, berlin);
        assertThat(room.temperatureCAt(Instant.parse("2026-03-29T04:00:00Z")))
                .as("06:00 summer time")
                .isEqualTo(16);
        assertThat(room.temperatureCAt(Instant.parse("2026-03-29T04:30:00Z")))
                .as("06:30 summer time")
                .isEqualTo(21);
        assertThatThrownBy(() -> new Forecast.Heating(List.of())).hasMessageContaining("1 to 12");
        assertThatThrownBy(() -> new Forecast.Steady(99)).hasMessageContaining("99");
    }

    /**
     * A coat at 22 °C is sandable after 8 h; the room falls to 12 °C within an hour of the pour and stays there, at
     * 0.49 of label speed.
     */
    @Test
    void aColdNightMovesTheSandingAndSaysWhen() {
        RoomCourse room = new RoomCourse(
                List.of(new RoomReading(hour(0), 22), new RoomReading(hour(1), 12), new RoomReading(hour(12), 12)));
        assertThat(Moved.of(REGULAR, hour(0), room, hour(12))).hasValueSatisfying(moved -> {
            assertThat(moved.isLater()).isTrue();
            assertThat(moved.from()).isEqualTo(hour(8));
            assertThat(Duration.between(hour(0), moved.to()).toMinutes() / 60.0)
                    .isCloseTo(
                            1
                                    + (8 - new CureClock(22, 50).equivalentAgeHours(room, hour(0), hour(1)))
                                            / new CureClock(22, 50).rateAt(12),
                            within(0.02));
            assertThat(moved.extremeC()).isEqualTo(12);
            assertThat(moved.extremeAt()).isEqualTo(hour(1));
        });
        assertThat(Moved.of(REGULAR, hour(0), RoomCourse.steady(22), hour(12))).isEmpty();
    }

    /** Warmer is never slower, and a shifted future leaves the past as it was. */
    @Property(tries = 200)
    void aWarmerFutureIsNeverSlower(
            @ForAll @DoubleRange(min = 0.1, max = 8) double byC, @ForAll @DoubleRange(min = 1, max = 60) double nowH) {
        RoomCourse room = days(3, 18);
        Instant now = hour(nowH);
        RoomCourse warm = room.shifted(now, byC);
        assertThat(warm.temperatureCAt(hour(nowH / 2))).isCloseTo(room.temperatureCAt(hour(nowH / 2)), within(1e-9));
        assertThat(new CoatTimes(REGULAR, warm, now).sandableFrom())
                .isBefore(new CoatTimes(REGULAR, room, now).sandableFrom());
        assertThat(new CoatTimes(REGULAR, room.shifted(now, -byC), now).sandableFrom())
                .isAfter(new CoatTimes(REGULAR, room, now).sandableFrom());
    }

    @Test
    void humidityIsLinearBetweenReadingsAndMayBeUnknown() {
        RoomCourse room = new RoomCourse(List.of(
                new RoomReading(hour(0), 20, OptionalDouble.of(40)),
                new RoomReading(hour(1), 20),
                new RoomReading(hour(2), 20, OptionalDouble.of(60))));
        assertThat(room.humidityPercentAt(hour(1))).hasValue(50);
        assertThat(room.humidityPercentAt(hour(9))).hasValue(60);
        assertThat(RoomCourse.steady(20).humidityPercentAt(hour(0))).isEmpty();
        assertThatThrownBy(() -> new RoomReading(hour(0), 20, OptionalDouble.of(130)))
                .hasMessageContaining("hygrometer");
    }

    @Test
    void aSpikeIsLeftOutAndAColdNightIsNot() {
        List<RoomReading> readings = List.of(
                new RoomReading(hour(0), 20),
                new RoomReading(hour(0.25), 60),
                new RoomReading(hour(0.5), 20.5),
                new RoomReading(hour(6), 8),
                new RoomReading(hour(12), 21));
        assertThat(RoomCourse.withoutSpikes(readings))
                .extracting(RoomReading::temperatureC)
                .containsExactly(20.0, 20.5, 8.0, 21.0);
    }

    /**
     * Three hours at 32 °C instead of 22 °C gain 3·(k − 1) hours of age, k = exp(−6013.6·(1/305.15 − 1/295.15)) =
     * 1.9502.
     */
    @Test
    void aWarmShelfForThreeHoursGainsWhatTheClockSays() {
        RoomCourse shelf = RoomCourse.steady(22).heldAt(hour(2), hour(5), 32);
        assertThat(new CureClock(22, 50).equivalentAgeHours(shelf, hour(0), hour(8)))
                .isCloseTo(8 + 3 * (1.9502 - 1), within(0.02));
        assertThat(shelf.temperatureCAt(hour(1))).isEqualTo(22);
        assertThat(shelf.temperatureCAt(hour(3))).isEqualTo(32);
        assertThat(shelf.temperatureCAt(hour(6))).isEqualTo(22);
    }

    /**
     * By hand: 50 % at 20 °C is at 25 °C 50·exp(17.62·20/263.12 − 17.62·25/268.12) = 36.9 %; at its dew point of 9.26
     * °C it is 100 %.
     */
    @Test
    void theSameMoistureIsAnotherHumidityWhenTheRoomWarms() {
        assertThat(DewPoint.humidityPercentAt(25, 20, 50)).isCloseTo(36.9, within(0.05));
        assertThat(DewPoint.humidityPercentAt(DewPoint.celsius(20, 50), 20, 50)).isCloseTo(100, within(1e-6));
        assertThat(DewPoint.humidityPercentAt(5, 20, 50)).isEqualTo(100);
    }

    /** Cold and damp now, warmed from 14 to 22 °C within four hours: 68 % there, 41 % here; from 18 °C on it is fit. */
    @Test
    void whenTheRoomBecomesFitIsForeseen() {
        RoomCourse warming = new RoomCourse(List.of(
                new RoomReading(hour(0), 14, OptionalDouble.of(68)),
                new RoomReading(hour(4), 22),
                new RoomReading(hour(60), 22)));
        assertThat(CoatFitness.at(warming, hour(0)).verdict()).isEqualTo(Verdict.WAIT);
        assertThat(CoatFitness.turnsAt(warming, hour(0))).contains(hour(2));
        assertThat(CoatFitness.turnsAt(
                        new RoomCourse(List.of(new RoomReading(hour(0), 22, OptionalDouble.of(45)))), hour(0)))
                .isEmpty();
    }
}

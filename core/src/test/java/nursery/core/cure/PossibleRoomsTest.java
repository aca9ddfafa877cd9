package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.hipparchus.special.Erf;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The rooms that may come are off by what is known of the room, at a moment and on the mean; and chances hold. */
class PossibleRoomsTest {

    private static final Instant START = Instant.parse("2026-03-02T00:00:00Z");
    private static final Forecast FORECAST = new Forecast.LikeLastDays(4);
    private static final int ROOMS = 500;

    private static Instant hour(double hours) {
        return START.plus(Duration.ofMinutes(Math.round(hours * 60)));
    }

    /** A room read every half hour, swinging by the day, with spells of hours and of days. */
    private static RoomCourse restless(Random random, int days, double trendC, double weekendC, double nightsC) {
        List<RoomReading> readings = new ArrayList<>();
        double hours = 0;
        double weather = 0;
        double weekend = 0;
        double cold = 0;
        double swing = 1 + 2 * random.nextDouble();
        for (int i = 0; i <= days * 48; i++) {
            DayOfWeek day = hour(i / 2.0).atZone(ZoneOffset.UTC).getDayOfWeek();
            boolean off = day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY;
            weekend += ((off ? -weekendC : 0) - weekend) * 0.06;
            hours = 0.92 * hours + 0.15 * random.nextGaussian();
            weather = 0.985 * weather + 0.1 * random.nextGaussian();
            cold = i % 48 == 44 ? (random.nextInt(4) == 0 ? nightsC : 0) : i % 48 == 14 ? 0 : cold;
            readings.add(new RoomReading(
                    hour(i / 2.0),
                    20 + swing * Math.sin(i * Math.PI / 24) + trendC * i / 48 + weekend + hours + weather - cold));
        }
        return new RoomCourse(readings);
    }

    private static PossibleRooms rooms(RoomCourse history, Instant now, long seed) {
        return PossibleRooms.of(
                FORECAST.continuing(history, now, ZoneOffset.UTC),
                FORECAST.spread(history, ZoneOffset.UTC),
                history.lastReadingAt(),
                now,
                ROOMS,
                seed);
    }

    /** Of 500 normal draws the standard deviation is told to 3 % (its error is one over the root of 2n). */
    @Test
    void atAMomentTheyAreOffAsFarAsTheSpreadSays() {
        RoomCourse history = restless(new Random(5), 21, 0, 0, 0);
        Instant now = history.lastReadingAt();
        Spread spread = FORECAST.spread(history, ZoneOffset.UTC);
        PossibleRooms rooms = rooms(history, now, 1);
        for (int lead : new int[] {3, 12, 48, 120, 168}) {
            Instant at = now.plus(Duration.ofHours(lead));
            double[] off = IntStream.range(0, ROOMS)
                    .mapToDouble(room -> rooms.offC(room, at))
                    .toArray();
            double mean = Arrays.stream(off).average().orElseThrow();
            double sd = Math.sqrt(
                    Arrays.stream(off).map(c -> (c - mean) * (c - mean)).sum() / ROOMS);
            assertThat(mean).isCloseTo(0, within(3 * sd / Math.sqrt(ROOMS)));
            assertThat(sd).as("%d h ahead", lead).isCloseTo(spread.sdC(lead), within(0.12 * spread.sdC(lead)));
        }
    }

    /** On the mean of days they are off by less than at a moment: a cold night and a warm day even out. */
    @Test
    void onTheMeanTheyAreOffAsFarAsMeansWere() {
        RoomCourse history = restless(new Random(6), 28, 0, 0, 4);
        Instant now = history.lastReadingAt();
        Spread spread = FORECAST.spread(history, ZoneOffset.UTC);
        PossibleRooms rooms = rooms(history, now, 1);
        for (int lead : new int[] {48, 96, 168}) {
            double[] means = IntStream.range(0, ROOMS)
                    .mapToDouble(room -> IntStream.range(0, lead)
                            .mapToDouble(h -> rooms.offC(room, now.plus(Duration.ofHours(h))))
                            .average()
                            .orElseThrow())
                    .toArray();
            double sd = Math.sqrt(Arrays.stream(means).map(c -> c * c).sum() / ROOMS);
            assertThat(sd)
                    .as("%d h ahead", lead)
                    .isCloseTo(spread.meanSdC(lead), within(0.15 * spread.meanSdC(lead)))
                    .isLessThan(spread.sdC(lead));
        }
    }

    /** Some nights six degrees colder than others: the days after them were further off, and so may the next be. */
    @Test
    void theMeansMissesAreFoundInTheHistory() {
        RoomCourse even = restless(new Random(7), 28, 0, 0, 0);
        RoomCourse nights = restless(new Random(7), 28, 0, 0, 6);
        assertThat(FORECAST.spread(nights, ZoneOffset.UTC).meanSdC(72))
                .isGreaterThan(1.3 * FORECAST.spread(even, ZoneOffset.UTC).meanSdC(72));
    }

    @Test
    void whatIsReachedIsReachedSoonerInWarmerRooms() {
        RoomCourse steady = RoomCourse.steady(22);
        Spread spread = Spread.of(steady, origin -> at -> OptionalDouble.of(22));
        PossibleRooms rooms = PossibleRooms.of(steady, spread, START, START, ROOMS, 3);
        CureClock clock = new CureClock(22, 50);
        List<Instant> when = rooms.whenReached(clock, 72);
        assertThat(when).isSorted().hasSize(ROOMS);
        // Half of them before, half of them behind: the room expected is the middle.
        assertThat(when.get(ROOMS / 2)).isCloseTo(START.plus(Duration.ofHours(72)), within(Duration.ofHours(3)));
        // Arrhenius: at 50 kJ/mol and 22 °C one degree is 6.9 % (E/(R·T²) = 50000/(8.314·295.15²)).
        double sdOfLog = spread.meanSdC(72) * 50_000 / (8.314 * 295.15 * 295.15);
        double ninetieth = Math.sqrt(2) * Erf.erfInv(0.8) * sdOfLog;
        double hours = Duration.between(START, when.get((int) (0.9 * ROOMS))).toMinutes() / 60.0;
        assertThat(Math.log(hours / 72)).isCloseTo(ninetieth, within(0.25 * ninetieth));
        assertThat(rooms.whenReached(clock, 0)).containsOnly(START);
        assertThat(rooms.whenReached(clock, 2000).get(ROOMS - 1)).isAfter(START.plus(PossibleRooms.REACH));
    }

    @Test
    void aSilentThermometerKnowsLess() {
        RoomCourse history = restless(new Random(8), 21, 0, 0, 0);
        Instant now = history.lastReadingAt().plus(Duration.ofDays(3));
        Instant soon = now.plus(Duration.ofHours(1));
        PossibleRooms silent = rooms(history, now, 1);
        PossibleRooms read = rooms(history, history.lastReadingAt(), 1);
        double off = IntStream.range(0, ROOMS)
                .mapToDouble(room -> Math.abs(silent.offC(room, soon)))
                .average()
                .orElseThrow();
        double offRead = IntStream.range(0, ROOMS)
                .mapToDouble(
                        room -> Math.abs(read.offC(room, history.lastReadingAt().plus(Duration.ofHours(1)))))
                .average()
                .orElseThrow();
        assertThat(off).isGreaterThan(1.2 * offRead);
    }

    @Test
    void aColderWeekThanEveryOneKnownIsSaid() {
        RoomCourse history = restless(new Random(9), 28, 0, 0, 0);
        Instant first = history.firstReadingAt();
        Instant now = history.lastReadingAt();
        RoomCourse likeAlways = FORECAST.continuing(history, now, ZoneOffset.UTC);
        assertThat(Forecast.strange(likeAlways, first, now)).isEmpty();
        assertThat(Forecast.strange(likeAlways.shifted(now, -6), first, now))
                .hasValue("The room is colder than any week I know: what I say about it may be worse than I say.");
        assertThat(Forecast.strange(likeAlways.shifted(now, 6), first, now)).isEmpty();
        // A day colder than any week counts too: the fridge has been open since yesterday.
        Instant yesterday = now.minus(Duration.ofDays(1));
        assertThat(Forecast.strange(likeAlways.shifted(yesterday, -8), first, now))
                .isPresent();
        // A shop that begins today knows nothing to compare with.
        assertThat(Forecast.strange(RoomCourse.steady(4), now, now)).isEmpty();
    }

    /**
     * 240 rooms with a trend, a week of their own or cold nights, known for 8 to 30 days: of what is said to be ready
     * with a chance that part is, to five in a hundred and what 240 rooms can tell.
     */
    @Tag("simulation")
    @Test
    void whatIsSaidToHoldHolds() {
        double[] chances = {0.5, 0.6, 0.7, 0.8, 0.9, 0.95};
        double[] held = new double[chances.length];
        CureClock clock = new CureClock(22, 50);
        Random random = new Random(20261203);
        int trials = 240;
        int[] hours = {44, 140, 310};
        for (int trial = 0; trial < trials; trial++) {
            int known = 8 + random.nextInt(23);
            int kind = trial % 4;
            RoomCourse whole = restless(
                    random,
                    known + 40,
                    kind == 1 ? 0.5 * (random.nextDouble() - 0.5) : 0,
                    kind == 2 ? 2 + 3 * random.nextDouble() : 0,
                    kind == 3 ? 2 + 3 * random.nextDouble() : 0);
            Instant now = hour(24 * known + random.nextInt(24));
            RoomCourse history = new RoomCourse(whole.readings(START, now));
            PossibleRooms rooms = rooms(history, now, trial);
            for (int h : hours) {
                List<Instant> when = rooms.whenReached(clock, h);
                Instant truth = clock.whenReached(whole, now, h);
                for (int i = 0; i < chances.length; i++) {
                    Instant said = when.get((int) Math.ceil(chances[i] * ROOMS) - 1);
                    held[i] += truth.isAfter(said) ? 0 : 1.0 / trials / hours.length;
                }
            }
        }
        for (int i = 0; i < chances.length; i++) {
            double error = Math.sqrt(chances[i] * (1 - chances[i]) / trials);
            assertThat(held[i])
                    .as("said %s: %s", chances[i], Arrays.toString(held))
                    .isCloseTo(chances[i], within(0.05 + error));
        }
    }
}

package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.hipparchus.special.Erf;

/**
 * Rooms that may come, all as likely: each is the room expected and what it is off by, hour by hour. Together they are
 * off by what is known of the room: at each moment as {@link Spread} says, and on the mean from now until then as far
 * as that was off before.
 *
 * <p>Model: what is off is the sum of two normal parts. The slow one is one draw a room, spread over the hours so that
 * its mean until each of them has the spread known for means; the quick one, which days even out, is autoregressive of
 * the first order and fills what is left of a moment's spread. The slow draws are evenly spaced quantiles, so that few
 * hundred rooms give smooth shares. The same seed gives the same rooms.
 *
 * <p>Good for a month ahead; behind it what is off stays.
 */
public final class PossibleRooms {

    /** So far ahead rooms differ by the hour. */
    public static final Duration REACH = Duration.ofDays(30);

    private static final int HOURS = (int) REACH.toHours();
    private static final double SECONDS_PER_HOUR = 3600;
    /** So long the quick part holds; from memory. */
    private static final double QUICK_H = 5;
    /** Part of a moment's variance that is always quick; from memory. */
    private static final double LEAST_QUICK = 0.1;

    private final RoomCourse expected;
    private final double[] expectedC = new double[HOURS];
    private final Instant from;
    private final float[][] offC;

    private PossibleRooms(RoomCourse expected, Instant from, float[][] offC) {
        this.expected = expected;
        this.from = from;
        Arrays.setAll(expectedC, hour -> expected.temperatureCAt(from.plus(Duration.ofMinutes(60L * hour + 30))));
        this.offC = offC;
    }

    /**
     * @param expected the room as it was read, and as it is expected
     * @param lastRead behind it nothing is known
     * @param from the first hour asked about
     */
    public static PossibleRooms of(
            RoomCourse expected, Spread spread, Instant lastRead, Instant from, int rooms, long seed) {
        double silentH = Math.max(0, Duration.between(lastRead, from).toMinutes() / 60.0);
        double[] slow = new double[HOURS];
        double[] quick = new double[HOURS];
        for (int hour = 0; hour < HOURS; hour++) {
            double lead = silentH + hour + 0.5;
            double sd = spread.sdC(lead);
            slow[hour] = slowAt(spread, lead + 0.5) - slowAt(spread, lead - 0.5);
            quick[hour] = Math.sqrt(Math.max(LEAST_QUICK * sd * sd, sd * sd - slow[hour] * slow[hour]));
        }
        SplittableRandom random = new SplittableRandom(seed);
        int[] ranks = ranks(rooms, random);
        double keeps = Math.exp(-1 / QUICK_H);
        double fresh = Math.sqrt(1 - keeps * keeps);
        float[][] offC = new float[rooms][HOURS];
        for (int room = 0; room < rooms; room++) {
            double draw = normal((ranks[room] + 0.5) / rooms);
            double unrest = random.nextGaussian();
            for (int hour = 0; hour < HOURS; hour++) {
                offC[room][hour] = (float) (draw * slow[hour] + unrest * quick[hour]);
                unrest = keeps * unrest + fresh * random.nextGaussian();
            }
        }
        return new PossibleRooms(expected, from, offC);
    }

    /** The one room expected: nothing is doubted. */
    public static PossibleRooms asExpected(RoomCourse expected, Instant from) {
        return new PossibleRooms(expected, from, new float[1][HOURS]);
    }

    /** The slow part's sum from the last reading on, degree hours, for a draw of one. */
    private static double slowAt(Spread spread, double hours) {
        if (hours <= 0) {
            return 0;
        }
        double moment = spread.sdC(hours);
        double mean = spread.meanSdC(hours);
        // What the quick part gives to the mean: of so many hours about so many are on their own.
        double left = Math.max(LEAST_QUICK * moment * moment, moment * moment - mean * mean);
        double ofQuick = left * Math.min(1, 2 * QUICK_H / hours);
        return hours * Math.sqrt(Math.max(mean * mean - ofQuick, mean * mean / 4));
    }

    /** Each number below so many once, in any order (Fisher and Yates 1938). */
    private static int[] ranks(int rooms, SplittableRandom random) {
        int[] ranks = IntStream.range(0, rooms).toArray();
        for (int last = rooms - 1; last > 0; last--) {
            int other = random.nextInt(last + 1);
            int kept = ranks[last];
            ranks[last] = ranks[other];
            ranks[other] = kept;
        }
        return ranks;
    }

    private static double normal(double share) {
        return Math.sqrt(2) * Erf.erfInv(2 * share - 1);
    }

    public int count() {
        return offC.length;
    }

    public Instant from() {
        return from;
    }

    /** How much warmer a room is than expected, °C, at a moment not before the first. */
    public double offC(int room, Instant at) {
        return offC[room][hourOf(at)];
    }

    private int hourOf(Instant at) {
        return (int) Math.max(0, Math.min(HOURS - 1, Duration.between(from, at).toHours()));
    }

    /** By the hour, for so many of them: how many times as fast as expected a clock runs in a room. */
    public double[] faster(int room, CureClock clock, int hours) {
        double[] faster = new double[Math.min(hours, HOURS)];
        Arrays.setAll(
                faster,
                hour -> clock.rateAt(RoomReading.possibleC(expectedC[hour] + offC[room][hour]))
                        / clock.rateAt(expectedC[hour]));
        return faster;
    }

    /** When what cures by a clock from the first hour on has gained so much, in each of the rooms; soonest first. */
    public List<Instant> whenReached(CureClock clock, double ageH) {
        double[] usual = new double[HOURS];
        Arrays.setAll(usual, hour -> clock.equivalentAgeHours(expected, hour(hour), hour(hour + 1)));
        return IntStream.range(0, count())
                .mapToObj(room -> whenReached(usual, faster(room, clock, HOURS), ageH))
                .sorted()
                .toList();
    }

    private Instant whenReached(double[] usual, double[] faster, double ageH) {
        double left = ageH;
        int hour = 0;
        while (hour < HOURS - 1 && left > usual[hour] * faster[hour]) {
            left -= usual[hour] * faster[hour];
            hour++;
        }
        // Behind the last hour it goes on as in it.
        double hours = hour + left / (usual[hour] * faster[hour]);
        return from.plus(Duration.ofSeconds((long) Math.ceil(hours * SECONDS_PER_HOUR)));
    }

    private Instant hour(int hour) {
        return from.plus(Duration.ofHours(hour));
    }
}

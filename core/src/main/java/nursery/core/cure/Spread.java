package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;

/**
 * How far the room may be from what is expected of it: the half width, °C, of the range that holds the truth four times
 * in five, growing with the hours ahead.
 *
 * <p>Model: the same forecast is made again at moments of the last weeks, with what was known then, and set against
 * what came (a backtest over a rolling origin: Tashman, Int. J. Forecasting 16, 2000). The mean square of the misses at
 * each lead is its variance. Leads far ahead have few moments of their own, and those overlap, so each lead leans on
 * the one before it, grown by a little, as much as on one independent miss (shrinkage); the normal quantile is widened
 * to Student's for so few (Cornish–Fisher expansion, Abramowitz and Stegun 26.7.5). How fast a range grows without
 * evidence, and how wide it is in a room nobody knows, are from memory.
 */
public final class Spread {

    /** Nine in ten below: a range of eight in ten has this many standard deviations on each side. */
    static final double NINETIETH = 1.2815515655446004;

    private static final double[] LEADS_H = {0.5, 1, 2, 4, 8, 16, 24, 36, 48, 72, 96, 120, 168};
    static final Duration BETWEEN_ORIGINS = Duration.ofHours(3);
    private static final Duration LOOKS_BACK = Duration.ofDays(28);
    /** Misses closer together than this are hardly news; from memory. */
    private static final double INDEPENDENT_AFTER_H = 14;
    /** Nor are misses that overlap, by so much of their lead; from memory. */
    private static final double APART = 1.25;
    /** A standard deviation in a room nobody knows; from memory. */
    private static final double BLIND_C = 1.8;

    private static final double BLIND_WEIGHT = 0.03;
    private static final double LEANS = 0.8;
    /** A variance grows so with the lead where nothing is known: between not at all and in proportion. */
    private static final double GROWS = 0.08;
    /** How much of what is known of the lead before holds for the next; from memory. */
    private static final double KEEPS = 0.7;

    /** No room is known better than a thermometer. */
    private static final double LEAST_C = 0.1;

    private static final double MOST_C = 15;

    private final double[] halfWidthC = new double[LEADS_H.length];
    private final Drift drift;

    /** What a forecast said at one moment of others. */
    @FunctionalInterface
    public interface Foretold {
        OptionalDouble celsiusAt(Instant at);
    }

    private Spread(double[] variance, double[] weight, double[] freedom, Drift.Misses drifts) {
        neverLess(variance, weight);
        for (int i = 0; i < variance.length; i++) {
            double own = student(freedom[i]) * Math.sqrt(variance[i]);
            halfWidthC[i] = Math.max(i == 0 ? LEAST_C : halfWidthC[i - 1], own);
        }
        drift = Drift.of(drifts, this);
    }

    /**
     * Nobody knows next week better than tomorrow, whatever a few misses say: leads that seem to be known better than
     * the one before are taken together with it (pool adjacent violators; Ayer et al., Ann. Math. Stat. 26, 1955).
     */
    private static void neverLess(double[] variance, double[] weight) {
        for (int i = 1; i < variance.length; i++) {
            int from = i;
            double sum = variance[i] * weight[i];
            double weights = weight[i];
            while (from > 0 && variance[from - 1] > sum / weights) {
                from--;
                sum += variance[from] * weight[from];
                weights += weight[from];
            }
            Arrays.fill(variance, from, i + 1, sum / weights);
        }
    }

    private Spread(double[] halfWidthC, Drift drift, double by) {
        for (int i = 0; i < halfWidthC.length; i++) {
            this.halfWidthC[i] = by * halfWidthC[i];
        }
        this.drift = drift.wider(by);
    }

    /** So many times as wide. */
    Spread wider(double times) {
        return times == 1 ? this : new Spread(halfWidthC, drift, times);
    }

    /** @param history nothing after its last reading is known */
    public static Spread of(RoomCourse history, Function<Instant, Foretold> foretoldAt) {
        double[] squares = new double[LEADS_H.length];
        int[] misses = new int[LEADS_H.length];
        Drift.Misses drifts = new Drift.Misses();
        Instant last = history.lastReadingAt();
        List<RoomReading> readings = history.readings(last.minus(LOOKS_BACK), last);
        Instant next = Instant.MIN;
        for (int i = 0; i < readings.size(); i++) {
            Instant origin = readings.get(i).at();
            if (!origin.isBefore(next)) {
                next = origin.plus(BETWEEN_ORIGINS);
                Foretold foretold = foretoldAt.apply(origin);
                misses(readings, i, foretold, squares, misses);
                drifts.add(readings, i, foretold);
            }
        }
        return pooled(squares, misses, drifts);
    }

    private static void misses(
            List<RoomReading> readings, int from, Foretold foretold, double[] squares, int[] misses) {
        Instant origin = readings.get(from).at();
        int at = from;
        for (int lead = 0; lead < LEADS_H.length; lead++) {
            Instant wanted = origin.plus(minutes(LEADS_H[lead]));
            while (at < readings.size() && readings.get(at).at().isBefore(wanted)) {
                at++;
            }
            if (at == readings.size()) {
                return;
            }
            OptionalDouble expected = foretold.celsiusAt(readings.get(at).at());
            if (expected.isPresent()) {
                double miss = readings.get(at).temperatureC() - expected.getAsDouble();
                squares[lead] += miss * miss;
                misses[lead]++;
            }
        }
    }

    private static Spread pooled(double[] squares, int[] misses, Drift.Misses drifts) {
        double[] variance = new double[LEADS_H.length];
        double[] weights = new double[LEADS_H.length];
        double[] freedom = new double[LEADS_H.length];
        double lean = BLIND_C * BLIND_C;
        double leaned = BLIND_WEIGHT;
        for (int lead = 0; lead < LEADS_H.length; lead++) {
            double apartH = Math.max(INDEPENDENT_AFTER_H, APART * LEADS_H[lead]);
            double own = misses[lead] == 0
                    ? 0
                    : Math.max(Math.min(1, misses[lead]), misses[lead] * BETWEEN_ORIGINS.toHours() / apartH);
            double mean = misses[lead] == 0 ? 0 : squares[lead] / misses[lead];
            variance[lead] = (lean * leaned + mean * own) / (leaned + own);
            weights[lead] = leaned + own;
            freedom[lead] = own + (lead == 0 ? leaned : KEEPS * freedom[lead - 1]);
            if (lead + 1 < LEADS_H.length) {
                lean = variance[lead] * Math.pow(LEADS_H[lead + 1] / LEADS_H[lead], GROWS);
                leaned = Math.min(LEANS, weights[lead]);
            }
        }
        return new Spread(variance, weights, freedom, drifts);
    }

    /** The half width so long after the last reading, °C. */
    public double widthC(Duration lead) {
        double hours = lead.toMinutes() / 60.0;
        int last = LEADS_H.length - 1;
        if (hours >= LEADS_H[last]) {
            return Math.min(MOST_C, halfWidthC[last] * Math.pow(hours / LEADS_H[last], GROWS / 2));
        }
        if (hours <= LEADS_H[0]) {
            return halfWidthC[0];
        }
        int after = 1;
        while (LEADS_H[after] < hours) {
            after++;
        }
        double part = Math.log(hours / LEADS_H[after - 1]) / Math.log(LEADS_H[after] / LEADS_H[after - 1]);
        return Math.min(MOST_C, halfWidthC[after - 1] + (halfWidthC[after] - halfWidthC[after - 1]) * part);
    }

    /** The standard deviation so long after the last reading, °C. */
    double sdC(double hours) {
        return widthC(minutes(hours)) / NINETIETH;
    }

    /** The standard deviation of the mean from now until so many hours after the last reading, °C. */
    double meanSdC(double hours) {
        return drift.sdC(hours);
    }

    /** The ninetieth percentile of Student's distribution. */
    static double student(double freedom) {
        double z = NINETIETH;
        double nu = Math.max(1, freedom);
        return z
                + (Math.pow(z, 3) + z) / (4 * nu)
                + (5 * Math.pow(z, 5) + 16 * Math.pow(z, 3) + 3 * z) / (96 * nu * nu);
    }

    private static Duration minutes(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}

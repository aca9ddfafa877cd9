package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;

/**
 * How far the mean of the room, from now until some hours ahead, may be from the mean expected: that, and not how far
 * it is off at a moment, decides when a coat has cured. What is off by night may be made good by day; what is off for a
 * week is not.
 *
 * <p>Model: as {@link Spread}, by the misses of the same forecast made again at moments of the last weeks; each lead
 * leans on the part that the one before it had of a moment's variance.
 */
final class Drift {

    private static final double[] LEADS_H = {6, 12, 24, 36, 48, 72, 96, 120, 168, 240, 336};
    /** The room is looked at so often between now and then. */
    private static final Duration EVERY = Duration.ofHours(3);
    /** Misses closer together than this are hardly news; from memory. */
    private static final double INDEPENDENT_AFTER_H = 24;
    /** Nor are misses that overlap, by so much of their lead; from memory. */
    private static final double APART = 1.25;
    /** What is known of the lead before counts as so many independent misses; from memory. */
    private static final double LEANS = 1;
    /** How much of what is known of the lead before holds for the next; from memory. */
    private static final double KEEPS = 0.7;
    /** Of a moment's variance so much is of the mean, where nobody knows; from memory. */
    private static final double SHARE = 0.6;

    private final double[] sdC = new double[LEADS_H.length];

    private Drift() {}

    /** The misses of the means, as they come. */
    static final class Misses {

        private final double[] squares = new double[LEADS_H.length];
        private final int[] count = new int[LEADS_H.length];

        void add(List<RoomReading> readings, int from, Spread.Foretold foretold) {
            Instant origin = readings.get(from).at();
            Instant next = origin.plus(EVERY);
            double sum = 0;
            double last = 0;
            double lastH = 0;
            int lead = 0;
            for (int i = from + 1; i < readings.size() && lead < LEADS_H.length; i++) {
                RoomReading reading = readings.get(i);
                if (reading.at().isBefore(next)) {
                    continue;
                }
                OptionalDouble expected = foretold.celsiusAt(reading.at());
                if (expected.isEmpty()) {
                    return;
                }
                next = reading.at().plus(EVERY);
                double hours = Duration.between(origin, reading.at()).toMinutes() / 60.0;
                double miss = reading.temperatureC() - expected.getAsDouble();
                sum += (last + miss) / 2 * (hours - lastH);
                last = miss;
                lastH = hours;
                for (; lead < LEADS_H.length && hours >= LEADS_H[lead]; lead++) {
                    squares[lead] += Math.pow(sum / hours, 2);
                    count[lead]++;
                }
            }
        }
    }

    static Drift of(Misses misses, Spread spread) {
        Drift drift = new Drift();
        double share = SHARE;
        double leaned = LEANS;
        double freedom = 0;
        for (int lead = 0; lead < LEADS_H.length; lead++) {
            double apartH = Math.max(INDEPENDENT_AFTER_H, APART * LEADS_H[lead]);
            int count = misses.count[lead];
            double own =
                    count == 0 ? 0 : Math.max(Math.min(1, count), count * Spread.BETWEEN_ORIGINS.toHours() / apartH);
            freedom = own + KEEPS * freedom;
            // A moment's spread is widened for what is hardly known already; the means' own misses are not.
            double widened = Math.pow(Spread.student(Math.max(freedom, LEANS)) / Spread.NINETIETH, 2);
            double mean = count == 0 ? 0 : widened * misses.squares[lead] / count;
            double moment = Math.pow(spread.sdC(LEADS_H[lead]), 2);
            double variance = (share * moment * leaned + mean * own) / (leaned + own);
            drift.sdC[lead] = Math.sqrt(variance);
            share = variance / moment;
            leaned = Math.min(LEANS, leaned + own);
        }
        return drift;
    }

    Drift wider(double by) {
        Drift wider = new Drift();
        for (int i = 0; i < sdC.length; i++) {
            wider.sdC[i] = by * sdC[i];
        }
        return wider;
    }

    /** The standard deviation of the mean from now until so many hours ahead, °C. */
    double sdC(double hours) {
        int last = LEADS_H.length - 1;
        if (hours <= LEADS_H[0]) {
            return sdC[0];
        }
        if (hours >= LEADS_H[last]) {
            return sdC[last];
        }
        int after = 1;
        while (LEADS_H[after] < hours) {
            after++;
        }
        double part = Math.log(hours / LEADS_H[after - 1]) / Math.log(LEADS_H[after] / LEADS_H[after - 1]);
        return sdC[after - 1] + (sdC[after] - sdC[after - 1]) * part;
    }
}

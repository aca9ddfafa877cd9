package nursery.app.scale;

import java.time.Duration;
import java.time.Instant;
import java.util.Random;

/**
 * A stand-in for a bench scale: it tares, drifts, trembles, and has liquid poured on it at a chosen speed. The same
 * seed and the same moments give the same readings.
 */
final class SimulatedScale {

    /** As much as an ordinary kitchen scale wanders; from memory. */
    private static final double DRIFT_G_PER_HOUR = 0.4;

    private static final double NOISE_G = 0.03;
    private static final double CUP_G = 8;
    private static final double MS_PER_HOUR = 3_600_000;
    private static final double MS_PER_SECOND = 1000;

    private final Random random;
    private final Instant switchedOn;
    private double loadG = CUP_G;
    private double tareG;
    private double pourGPerSecond;
    private double toPourG;
    private Instant last;

    SimulatedScale(long seed, Instant switchedOn) {
        this.random = new Random(seed);
        this.switchedOn = switchedOn;
        this.last = switchedOn;
    }

    /** Shows 0 from now on. */
    synchronized void tare(Instant now) {
        flow(now);
        tareG = shownG(now);
    }

    /** Pours, so fast, until the scale shows so much; what was still being poured stops. */
    synchronized void pourTo(Instant now, double grams, double gramsPerSecond) {
        flow(now);
        toPourG = Math.max(0, grams - (shownG(now) - tareG));
        pourGPerSecond = gramsPerSecond;
    }

    /** The pouring hand stops. */
    synchronized void stop(Instant now) {
        flow(now);
        toPourG = 0;
    }

    /** A clean, empty cup is set on it. */
    synchronized void freshCup(Instant now) {
        stop(now);
        loadG = CUP_G;
    }

    synchronized ScaleReading read(Instant now) {
        flow(now);
        double trembling = NOISE_G * random.nextGaussian() * (toPourG > 0 ? 3 : 1);
        double grams = Math.round((shownG(now) - tareG + trembling) * 100) / 100.0;
        return new ScaleReading(now, grams, toPourG == 0);
    }

    private double shownG(Instant now) {
        return loadG + DRIFT_G_PER_HOUR * Duration.between(switchedOn, now).toMillis() / MS_PER_HOUR;
    }

    private void flow(Instant now) {
        double poured = Math.min(
                toPourG,
                pourGPerSecond * Math.max(0, Duration.between(last, now).toMillis()) / MS_PER_SECOND);
        loadG += poured;
        toPourG -= poured;
        last = now;
    }
}

package nursery.core.film;

/**
 * How much a turning cup can carry before the coat sags.
 *
 * <p>Model: a viscous film on a horizontal cylinder of radius {@code r} turning at {@code Ω}. With the thickness scaled
 * by {@code h0 = √(μΩr/ρg)} the steady film obeys {@code q = η − ⅓·η³·cos θ}; above {@code q = 2/3} no unbroken film
 * exists, and there {@code ∮ η dθ = 4.443}, so the mean film must stay below {@code 4.4427/2π = 0.70708} of {@code h0}
 * (Moffatt, J. Mécanique 16, 1977; Pukhnachev 1977).
 *
 * <p>Valid for a thin film of constant viscosity on a round, level cup. A fresh mix is at its thinnest, so this is the
 * worst moment; surface tension and the rising viscosity help later.
 */
public final class TurningLimit {

    /** Mean film over {@code h0} at the limit: {@code ∮ η dθ / 2π} at {@code q = 2/3}. */
    static final double MEAN_OVER_SCALE = 0.707081;

    private static final double GRAVITY = 9.80665;
    private static final double SECONDS_PER_MINUTE = 60;
    private static final double MM_PER_M = 1000;
    private static final double KG_PER_M3 = 1000;

    private TurningLimit() {}

    /**
     * The thickest mean film a turning cup carries, mm.
     *
     * @param viscosityPaS of the mix at the room's temperature
     * @param rpm turns of the spindle a minute
     * @param radiusMm of the cup; the narrowest coated place carries least
     * @param densityGPerMl of the mix
     */
    public static double filmMm(double viscosityPaS, double rpm, double radiusMm, double densityGPerMl) {
        double turnsPerSecond = rpm * 2 * Math.PI / SECONDS_PER_MINUTE;
        double scaleM = Math.sqrt(
                viscosityPaS * turnsPerSecond * (radiusMm / MM_PER_M) / (densityGPerMl * KG_PER_M3 * GRAVITY));
        return MEAN_OVER_SCALE * scaleM * MM_PER_M;
    }
}

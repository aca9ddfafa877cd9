package nursery.core.film;

/**
 * How long a bubble takes to leave a film: it rises at {@code v = 2/9·ρ·g·a²/μ} (Stokes), ρ the density of the resin, a
 * the bubble's radius. Valid while the bubble is small beside the film and slow; surface tension, which holds the
 * smallest back at the surface, is left out.
 */
public final class Bubbles {

    private static final double GRAVITY = 9.80665;
    private static final double MM_PER_M = 1000;
    private static final double KG_PER_M3 = 1000;

    private Bubbles() {}

    /** The time in seconds from the bottom of a film to its surface. */
    public static double riseSeconds(double radiusMm, double filmMm, double viscosityPaS, double densityGPerMl) {
        double radiusM = radiusMm / MM_PER_M;
        double metresPerSecond = 2.0 / 9 * densityGPerMl * KG_PER_M3 * GRAVITY * radiusM * radiusM / viscosityPaS;
        return filmMm / MM_PER_M / metresPerSecond;
    }
}

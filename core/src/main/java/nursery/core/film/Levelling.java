package nursery.core.film;

/**
 * How fast a wet film levels itself: a ripple of wavelength {@code λ} on a film {@code h} dies as {@code exp(−t/τ)}
 * with {@code τ = 3μλ⁴/(16π⁴σh³)} (Orchard 1963). Valid for ripples longer than the film is thick, under surface
 * tension alone.
 */
public final class Levelling {

    /** Surface tension of epoxy, N/m, from memory. */
    static final double SURFACE_TENSION = 0.035;

    private static final double MM_PER_M = 1000;

    private Levelling() {}

    /** The time in seconds in which a ripple falls to 37 %. */
    public static double timeConstantSeconds(double viscosityPaS, double wavelengthMm, double filmMm) {
        double wavelengthM = wavelengthMm / MM_PER_M;
        double filmM = filmMm / MM_PER_M;
        return 3
                * viscosityPaS
                * Math.pow(wavelengthM, 4)
                / (16 * Math.pow(Math.PI, 4) * SURFACE_TENSION * Math.pow(filmM, 3));
    }
}

package nursery.core.film;

/** Mean film thickness and volume: {@code h = V / area}. */
public final class Film {

    private static final double MM_PER_CM = 10;

    private Film() {}

    /** 1 ml on 1 cm² stands 1 cm high. */
    public static double thicknessMm(double volumeMl, double areaCm2) {
        return volumeMl / areaCm2 * MM_PER_CM;
    }

    public static double volumeMl(double thicknessMm, double areaCm2) {
        return thicknessMm * areaCm2 / MM_PER_CM;
    }
}

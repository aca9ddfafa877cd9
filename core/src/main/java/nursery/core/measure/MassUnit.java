package nursery.core.measure;

/** Units a bench scale shows. */
public enum MassUnit implements Unit {
    G("g", 1, 1),
    /** Avoirdupois ounce, exactly 28.349 523 125 g (NIST SP 811, appendix B.8). */
    OZ("oz", 28.349523125, 3);

    private final String symbol;
    private final double grams;
    private final int decimals;

    MassUnit(String symbol, double grams, int decimals) {
        this.symbol = symbol;
        this.grams = grams;
        this.decimals = decimals;
    }

    @Override
    public String symbol() {
        return symbol;
    }

    @Override
    public int decimals() {
        return decimals;
    }

    @Override
    public double toBase(double value) {
        return value * grams;
    }

    @Override
    public double fromBase(double valueG) {
        return valueG / grams;
    }
}

package nursery.core.measure;

/** Units on a measuring cup. */
public enum VolumeUnit implements Unit {
    ML("ml", 1, 1),
    /** US fluid ounce, 29.573 53 ml (NIST SP 811, appendix B.8). */
    FL_OZ("fl oz", 29.5735295625, 2);

    private final String symbol;
    private final double ml;
    private final int decimals;

    VolumeUnit(String symbol, double ml, int decimals) {
        this.symbol = symbol;
        this.ml = ml;
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
        return value * ml;
    }

    @Override
    public double fromBase(double valueMl) {
        return valueMl / ml;
    }
}

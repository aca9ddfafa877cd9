package nursery.core.measure;

/** Units a tape measure carries. */
public enum LengthUnit implements Unit {
    MM("mm", 1, 0),
    /** Exactly 25.4 mm (NIST SP 811, appendix B.8). */
    IN("in", 25.4, 2);

    private final String symbol;
    private final double mm;
    private final int decimals;

    LengthUnit(String symbol, double mm, int decimals) {
        this.symbol = symbol;
        this.mm = mm;
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
        return value * mm;
    }

    @Override
    public double fromBase(double valueMm) {
        return valueMm / mm;
    }
}

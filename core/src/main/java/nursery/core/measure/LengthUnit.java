package nursery.core.measure;

/** Units a tape measure carries. */
public enum LengthUnit implements Unit {
    MM(Scale.of("mm", 0, 1)),
    /** Exactly 25.4 mm (NIST SP 811, appendix B.8). */
    IN(Scale.of("in", 2, 25.4));

    /** Smaller areas are of decals, and told finer. */
    private static final double SMALL_CM2 = 30;

    private static final double THOU_PER_IN = 1000;
    private static final double MM_PER_M = 1000;
    private static final double INCHES_IN_A_FOOT = 12;

    private final Scale scale;

    LengthUnit(Scale scale) {
        this.scale = scale;
    }

    /** An area in the square of this unit; of centimetres where lengths are in millimetres. */
    public String showArea(double cm2) {
        AreaUnit unit = areaUnit();
        int finer = cm2 < SMALL_CM2 ? 1 : 0;
        return Numbers.show(unit.fromBase(cm2), unit.scale().decimals() + finer) + "\u00a0" + unit.symbol();
    }

    /** A way longer than any cup: in metres or feet. */
    public String showFar(double mm) {
        return this == MM
                ? Numbers.show(mm / MM_PER_M, 1) + "\u00a0m"
                : Numbers.show(fromBase(mm) / INCHES_IN_A_FOOT, 1) + "\u00a0ft";
    }

    /** What areas are told in where lengths are told in this. */
    public AreaUnit areaUnit() {
        return this == MM ? AreaUnit.CM2 : AreaUnit.SQ_IN;
    }

    /** A film, which in inches is told in thousandths. */
    public String showFilm(double mm) {
        return this == MM
                ? Numbers.show(mm, 2) + "\u00a0mm"
                : Numbers.show(fromBase(mm) * THOU_PER_IN, 0) + "\u00a0thou";
    }

    /** A film as that is told. */
    public double filmNumber(double mm) {
        return this == MM ? mm : fromBase(mm) * THOU_PER_IN;
    }

    public String filmSymbol() {
        return this == MM ? "mm" : "thou";
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

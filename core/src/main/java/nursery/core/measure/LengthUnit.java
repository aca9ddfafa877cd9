package nursery.core.measure;

/** Units a tape measure carries. */
public enum LengthUnit implements Unit {
    MM(Scale.of("mm", 0, 1)),
    /** Exactly 25.4 mm (NIST SP 811, appendix B.8). */
    IN(Scale.of("in", 2, 25.4));

    private final Scale scale;

    LengthUnit(Scale scale) {
        this.scale = scale;
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

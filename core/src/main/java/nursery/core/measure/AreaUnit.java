package nursery.core.measure;

/** Units an area is told in. */
public enum AreaUnit implements Unit {
    CM2(Scale.of("cm²", 0, 1)),
    /** Exactly 6.4516 cm² (NIST SP 811, appendix B.8). */
    SQ_IN(Scale.of("sq\u00a0in", 1, 6.4516));

    private final Scale scale;

    AreaUnit(Scale scale) {
        this.scale = scale;
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

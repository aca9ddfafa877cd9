package nursery.core.measure;

/** Units a bench scale shows. */
public enum MassUnit implements Unit {
    G(Scale.of("g", 1, 1)),
    /** Avoirdupois ounce, exactly 28.349 523 125 g (NIST SP 811, appendix B.8). */
    OZ(Scale.of("oz", 3, 28.349523125));

    private final Scale scale;

    MassUnit(Scale scale) {
        this.scale = scale;
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

package nursery.core.measure;

/** Units on a measuring cup. */
public enum VolumeUnit implements Unit {
    ML(Scale.of("ml", 1, 1)),
    /** US fluid ounce, 29.573 53 ml (NIST SP 811, appendix B.8). */
    FL_OZ(Scale.of("fl oz", 2, 29.5735295625));

    private final Scale scale;

    VolumeUnit(Scale scale) {
        this.scale = scale;
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

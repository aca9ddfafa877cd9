package nursery.core.measure;

/** Scales a room thermometer shows; {@code t_C = (t_F - 32) / 1.8} (NIST SP 811, appendix B.8). */
public enum TemperatureUnit implements Unit {
    C(Scale.of("°C", 1, 1)),
    F(new Scale("°F", 1, 1 / 1.8, 32));

    private final Scale scale;

    TemperatureUnit(Scale scale) {
        this.scale = scale;
    }

    @Override
    public Scale scale() {
        return scale;
    }
}

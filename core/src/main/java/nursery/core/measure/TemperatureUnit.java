package nursery.core.measure;

/** Scales a room thermometer shows; {@code t_C = (t_F - 32) / 1.8} (NIST SP 811, appendix B.8). */
public enum TemperatureUnit implements Unit {
    C("°C"),
    F("°F");

    private final String symbol;

    TemperatureUnit(String symbol) {
        this.symbol = symbol;
    }

    @Override
    public String symbol() {
        return symbol;
    }

    @Override
    public int decimals() {
        return 1;
    }

    @Override
    public double toBase(double value) {
        return this == C ? value : (value - 32) / 1.8;
    }

    @Override
    public double fromBase(double valueC) {
        return this == C ? valueC : valueC * 1.8 + 32;
    }
}

package nursery.core.measure;

/** A unit of measure, converted to and from the one unit the core computes in (mm, cm², ml, g, °C). */
public sealed interface Unit permits LengthUnit, AreaUnit, VolumeUnit, MassUnit, TemperatureUnit {

    Scale scale();

    default String symbol() {
        return scale().symbol();
    }

    default double toBase(double value) {
        return (value - scale().zero()) * scale().factor();
    }

    default double fromBase(double base) {
        return base / scale().factor() + scale().zero();
    }

    /** Shows a base value in this unit, for example {@code 24 ml}. */
    default String show(double base) {
        return showNumber(base) + "\u00a0" + symbol();
    }

    /** Shows a base value in this unit without the symbol. */
    default String showNumber(double base) {
        return Numbers.show(fromBase(base), scale().decimals());
    }

    /** A base value as it is written into a form: as it was measured, not rounded for the eye. */
    default String writeNumber(double base) {
        return Numbers.show(fromBase(base), 4);
    }
}

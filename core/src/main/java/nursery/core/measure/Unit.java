package nursery.core.measure;

/** A unit of measure, converted to and from the one unit the core computes in (mm, ml, g, °C). */
public sealed interface Unit permits LengthUnit, VolumeUnit, MassUnit, TemperatureUnit {

    String symbol();

    /** How many decimals a bench reading in this unit is worth. */
    int decimals();

    double toBase(double value);

    double fromBase(double base);

    /** Shows a base value in this unit, for example {@code 24 ml}. */
    default String show(double base) {
        return showNumber(base) + "\u00a0" + symbol();
    }

    /** Shows a base value in this unit without the symbol. */
    default String showNumber(double base) {
        return Numbers.show(fromBase(base), decimals());
    }
}

package nursery.core.measure;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a quantity as typed: a number, and a unit if the writer named one. A named unit wins over the form's own, so
 * {@code 8.5 in} is right in a form that asks for millimetres.
 */
public final class Reading {

    private static final Pattern NUMBER_THEN_UNIT =
            Pattern.compile("(.*?[\\d½¼¾⅛⅜⅝⅞.,])\\s*([^\\d\\s.,½¼¾⅛⅜⅝⅞][^\\d]*)?", Pattern.DOTALL);
    private static final Map<String, Unit> UNITS = Map.ofEntries(
            Map.entry("mm", LengthUnit.MM),
            Map.entry("in", LengthUnit.IN),
            Map.entry("inch", LengthUnit.IN),
            Map.entry("inches", LengthUnit.IN),
            Map.entry("\"", LengthUnit.IN),
            Map.entry("″", LengthUnit.IN),
            Map.entry("ml", VolumeUnit.ML),
            Map.entry("floz", VolumeUnit.FL_OZ),
            Map.entry("fl.oz", VolumeUnit.FL_OZ),
            Map.entry("g", MassUnit.G),
            Map.entry("oz", MassUnit.OZ),
            Map.entry("°c", TemperatureUnit.C),
            Map.entry("c", TemperatureUnit.C),
            Map.entry("°f", TemperatureUnit.F),
            Map.entry("f", TemperatureUnit.F));

    private Reading() {}

    /**
     * @param expected the unit the form asks in; also says which kind of quantity is meant
     * @return the value in the core's own unit for that kind
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static double parse(String text, Unit expected) {
        Matcher parts = NUMBER_THEN_UNIT.matcher(text.strip());
        if (!parts.matches() || parts.group(2) == null) {
            return expected.toBase(Numbers.parse(text));
        }
        Unit named = UNITS.get(parts.group(2).strip().replace(" ", "").toLowerCase(Locale.ROOT));
        if (named == null || named.getClass() != expected.getClass()) {
            throw new IllegalArgumentException(
                    "“%s” is not a measure in %s.".formatted(text.strip(), expected.symbol()));
        }
        return named.toBase(Numbers.parse(parts.group(1)));
    }
}

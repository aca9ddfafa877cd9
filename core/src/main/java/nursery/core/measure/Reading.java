package nursery.core.measure;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a quantity as typed: a number, and a unit if the writer named one. A named unit wins over the form's own, so
 * {@code 8.5 in} is right in a form that asks for millimetres. An ounce is of the kind the form asks for.
 */
public final class Reading {

    /** Everything up to the last digit, one-sign fraction or decimal mark; then the unit, which begins otherwise. */
    private static final Pattern NUMBER_THEN_UNIT =
            Pattern.compile("([^\\p{L}\"'°]*(?:'\\d{3}[^\\p{L}\"'°]*)*)\\s*([\\p{L}\"'°].*)?", Pattern.DOTALL);

    /** What keyboards and phones make of the marks of foot and inch. */
    private static final Pattern FOOT_MARKS = Pattern.compile("[\u2018\u2019\u201b\u2032\u2035\u00b4`]");

    private static final Pattern INCH_MARKS = Pattern.compile("[\u201c\u201d\u201e\u201f\u2033\u2036]|''");

    /** Such as 1' 2 3/8": not 1'000, which is a thousand. */
    private static final Pattern FEET_AND_INCHES = Pattern.compile(
            "([^\\p{L}\"'°]*\\d)\\s*(?:'|ft\\.?|foot|feet)(?!\\d{3}\\D*$)\\s*([^\\p{L}\"'°]*[\\d½-¾⅐-⅞])\\s*"
                    + "(?:\"|in\\.?|inch|inches)?",
            Pattern.CASE_INSENSITIVE);

    private static final int INCHES_IN_A_FOOT = 12;

    private static final Map<String, Spelled> LENGTHS = Map.ofEntries(
            Map.entry("mm", Spelled.of(LengthUnit.MM)),
            Map.entry("millimetre", Spelled.of(LengthUnit.MM)),
            Map.entry("millimeter", Spelled.of(LengthUnit.MM)),
            Map.entry("cm", new Spelled(LengthUnit.MM, 10)),
            Map.entry("centimetre", new Spelled(LengthUnit.MM, 10)),
            Map.entry("centimeter", new Spelled(LengthUnit.MM, 10)),
            Map.entry("in", Spelled.of(LengthUnit.IN)),
            Map.entry("inch", Spelled.of(LengthUnit.IN)),
            Map.entry("inche", Spelled.of(LengthUnit.IN)),
            Map.entry("\"", Spelled.of(LengthUnit.IN)),
            Map.entry("'", new Spelled(LengthUnit.IN, INCHES_IN_A_FOOT)),
            Map.entry("ft", new Spelled(LengthUnit.IN, INCHES_IN_A_FOOT)),
            Map.entry("foot", new Spelled(LengthUnit.IN, INCHES_IN_A_FOOT)),
            Map.entry("feet", new Spelled(LengthUnit.IN, INCHES_IN_A_FOOT)));
    private static final Map<String, Spelled> VOLUMES = Map.ofEntries(
            Map.entry("ml", Spelled.of(VolumeUnit.ML)),
            Map.entry("cc", Spelled.of(VolumeUnit.ML)),
            Map.entry("millilitre", Spelled.of(VolumeUnit.ML)),
            Map.entry("milliliter", Spelled.of(VolumeUnit.ML)),
            Map.entry("cl", new Spelled(VolumeUnit.ML, 10)),
            Map.entry("l", new Spelled(VolumeUnit.ML, 1000)),
            Map.entry("litre", new Spelled(VolumeUnit.ML, 1000)),
            Map.entry("liter", new Spelled(VolumeUnit.ML, 1000)),
            Map.entry("floz", Spelled.of(VolumeUnit.FL_OZ)),
            Map.entry("usfloz", Spelled.of(VolumeUnit.FL_OZ)),
            Map.entry("fluidounce", Spelled.of(VolumeUnit.FL_OZ)),
            Map.entry("oz", Spelled.of(VolumeUnit.FL_OZ)),
            Map.entry("ounce", Spelled.of(VolumeUnit.FL_OZ)));
    private static final Map<String, Spelled> MASSES = Map.ofEntries(
            Map.entry("g", Spelled.of(MassUnit.G)),
            Map.entry("gram", Spelled.of(MassUnit.G)),
            Map.entry("kg", new Spelled(MassUnit.G, 1000)),
            Map.entry("oz", Spelled.of(MassUnit.OZ)),
            Map.entry("ounce", Spelled.of(MassUnit.OZ)),
            Map.entry("lb", new Spelled(MassUnit.OZ, 16)));
    private static final Map<String, Spelled> AREAS = Map.ofEntries(
            Map.entry("cm²", Spelled.of(AreaUnit.CM2)),
            Map.entry("sqcm", Spelled.of(AreaUnit.CM2)),
            Map.entry("in²", Spelled.of(AreaUnit.SQ_IN)),
            Map.entry("sqin", Spelled.of(AreaUnit.SQ_IN)),
            Map.entry("squareinche", Spelled.of(AreaUnit.SQ_IN)),
            Map.entry("squareinch", Spelled.of(AreaUnit.SQ_IN)));
    private static final Map<String, Spelled> TEMPERATURES = Map.ofEntries(
            Map.entry("°c", Spelled.of(TemperatureUnit.C)),
            Map.entry("c", Spelled.of(TemperatureUnit.C)),
            Map.entry("celsiu", Spelled.of(TemperatureUnit.C)),
            Map.entry("°f", Spelled.of(TemperatureUnit.F)),
            Map.entry("f", Spelled.of(TemperatureUnit.F)),
            Map.entry("fahrenheit", Spelled.of(TemperatureUnit.F)));

    private static final Pattern SQUARED = Pattern.compile("(?i)(cm|in)\\^?2\\s*$");

    /** Nobody works at a bench outside these; from memory. */
    private static final double COLD_BENCH_C = 5;

    private static final double HOT_BENCH_C = 40;

    /** A unit by one of its names, and how many of it one such is. */
    private record Spelled(Unit unit, double times) {
        static Spelled of(Unit unit) {
            return new Spelled(unit, 1);
        }
    }

    private Reading() {}

    /**
     * @param expected the unit the form asks in; also says which kind of quantity is meant
     * @return the value in the core's own unit for that kind
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static double parse(String text, Unit expected) {
        String marked = expected instanceof AreaUnit ? SQUARED.matcher(text).replaceAll("$1²") : marked(text);
        Matcher feet = FEET_AND_INCHES.matcher(marked);
        if (expected instanceof LengthUnit && feet.matches()) {
            return feetAndInches(text, Numbers.parse(feet.group(1)), Numbers.parse(feet.group(2)));
        }
        Matcher parts = NUMBER_THEN_UNIT.matcher(marked);
        if (!namesAUnit(parts)) {
            return expected.toBase(Numbers.parse(expected instanceof AreaUnit ? marked : text));
        }
        Spelled named = spelled(parts.group(2), expected)
                .orElseThrow(() -> new IllegalArgumentException(
                        "“%s” is not a measure in %s.".formatted(shorten(text.strip()), expected.symbol())));
        return named.unit().toBase(Numbers.parse(parts.group(1)) * named.times());
    }

    /** With one mark for a foot and one for an inch, however they are typed. */
    private static String marked(String text) {
        String feet = FOOT_MARKS.matcher(text.strip()).replaceAll("'");
        return INCH_MARKS.matcher(feet).replaceAll("\"");
    }

    private static double feetAndInches(String text, double feet, double inches) {
        if (!(inches >= 0 && inches < INCHES_IN_A_FOOT) || feet < 0 || feet != Math.rint(feet)) {
            throw new IllegalArgumentException(
                    "“%s”: whole feet, and behind them less than 12 inches.".formatted(shorten(text.strip())));
        }
        return LengthUnit.IN.toBase(feet * INCHES_IN_A_FOOT + inches);
    }

    /** The unit of length that stands behind what was typed, if one does. */
    public static Optional<LengthUnit> lengthNamed(String text) {
        String marked = marked(text);
        if (FEET_AND_INCHES.matcher(marked).matches()) {
            return Optional.of(LengthUnit.IN);
        }
        Matcher parts = NUMBER_THEN_UNIT.matcher(marked);
        return namesAUnit(parts)
                ? spelled(parts.group(2), LengthUnit.MM).map(Spelled::unit).map(LengthUnit.class::cast)
                : Optional.empty();
    }

    private static boolean namesAUnit(Matcher parts) {
        return parts.matches()
                && parts.group(2) != null
                && !parts.group(1).isBlank()
                && parts.group(2).chars().noneMatch(Character::isDigit);
    }

    private static Optional<Spelled> spelled(String written, Unit expected) {
        // The decimal sign of a degree may stand in two ways in Unicode.
        String name = written.replace('º', '°').replaceAll("[\\s.\\u00a0]", "").toLowerCase(Locale.ROOT);
        Spelled named = names(expected).get(name);
        return Optional.ofNullable(
                named == null && name.endsWith("s")
                        ? names(expected).get(name.substring(0, name.length() - 1))
                        : named);
    }

    /**
     * Reads a room's temperature. One that no bench has, but would have in the other unit, is asked about unless its
     * unit stands behind it: 21 typed where °F are meant is a slip more often than a hard frost.
     */
    public static double parseRoom(String text, TemperatureUnit expected) {
        double celsius = parse(text, expected);
        TemperatureUnit other = expected == TemperatureUnit.C ? TemperatureUnit.F : TemperatureUnit.C;
        boolean said = text.chars().anyMatch(Character::isLetter);
        if (!said && !isOrdinary(celsius) && isOrdinary(other.toBase(expected.fromBase(celsius)))) {
            String number = Numbers.show(expected.fromBase(celsius));
            double meantC = other.toBase(expected.fromBase(celsius));
            throw new IllegalArgumentException(
                    "%s\u00a0%s at a bench? If not, did you mean %s %s (%s)? Write the unit behind it."
                            .formatted(
                                    number,
                                    expected.symbol(),
                                    number,
                                    other.symbol(),
                                    expected.show(meantC).replace('\u00a0', ' ')));
        }
        return celsius;
    }

    private static boolean isOrdinary(double celsius) {
        return celsius >= COLD_BENCH_C && celsius <= HOT_BENCH_C;
    }

    private static Map<String, Spelled> names(Unit expected) {
        if (expected instanceof LengthUnit) {
            return LENGTHS;
        }
        if (expected instanceof VolumeUnit) {
            return VOLUMES;
        }
        if (expected instanceof AreaUnit) {
            return AREAS;
        }
        return expected instanceof MassUnit ? MASSES : TEMPERATURES;
    }

    private static String shorten(String written) {
        return written.length() <= 40 ? written : written.substring(0, 40) + "…";
    }
}

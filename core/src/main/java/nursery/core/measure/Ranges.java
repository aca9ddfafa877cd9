package nursery.core.measure;

/** The one wording for a number outside its range. */
final class Ranges {

    private Ranges() {}

    static String outside(String what, double value, double low, double high, String unit) {
        String given = Double.isNaN(value) ? "not a number" : Numbers.show(value) + suffix(unit);
        return "%s is %s: it must lie between %s and %s%s."
                .formatted(what, given, Numbers.show(low), Numbers.show(high), suffix(unit));
    }

    private static String suffix(String unit) {
        return unit.isEmpty() ? "" : " " + unit;
    }
}

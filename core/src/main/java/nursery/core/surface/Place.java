package nursery.core.surface;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.Faults;

/**
 * Where on a cup something is done.
 *
 * @param base whether the base is among it
 * @param fromMm up the side from the foot, mm
 * @param toMm to here, mm; {@link #RIM_MM} and more is the rim
 * @param whole whether all of that is covered; spots, and what ends short of the handle, leave what lies between them
 */
public record Place(boolean base, double fromMm, double toMm, boolean whole) {

    /** No side is this high: from here on it is the rim. */
    public static final double RIM_MM = 1_000_000;

    private static final Pattern BAND = Pattern.compile("(\\d{1,4}(?:\\.\\d)?)\\s*[-–]\\s*(\\d{1,4}(?:\\.\\d)?)");
    private static final int LONGEST = 40;

    public static final Place ALL = new Place(true, 0, 2 * RIM_MM, true);
    public static final Place SPOTS = new Place(true, 0, 2 * RIM_MM, false);
    public static final Place RIM = new Place(false, RIM_MM, 2 * RIM_MM, true);
    public static final Place BASE = new Place(true, 0, 0, true);

    public Place {
        Faults faults = new Faults();
        faults.require(
                fromMm >= 0 && toMm >= fromMm && toMm <= 2 * RIM_MM,
                "place",
                "A place goes from %s to %s mm up the side: from 0, and not downwards."
                        .formatted(number(fromMm), number(toMm)));
        faults.require(base || toMm > fromMm, "place", "A place of no height, and not the base, is nowhere.");
        faults.throwIfAny();
    }

    public static Place band(double fromMm, double toMm) {
        return new Place(false, fromMm, toMm, true);
    }

    /**
     * A place as a file names it: {@code all}, {@code rim}, {@code base}, {@code spots}, {@code handle-side}, or a band
     * up the side such as {@code 0-60}.
     *
     * @param sideMm how high the side is
     */
    public static Place parse(String written, double sideMm) {
        return switch (written.strip().toLowerCase(Locale.ROOT)) {
            case "all" -> ALL;
            case "rim" -> RIM;
            case "base" -> BASE;
            case "spots", "handle-side" -> SPOTS;
            default -> {
                Matcher band = BAND.matcher(written.strip());
                if (!band.matches()) {
                    throw new IllegalArgumentException(
                            "“%s” is no place: all, rim, base, spots, handle-side, or a band such as 0-60, mm."
                                    .formatted(written.length() > LONGEST ? written.substring(0, LONGEST) : written));
                }
                double from = Double.parseDouble(band.group(1));
                double to = Double.parseDouble(band.group(2));
                if (!(to <= sideMm)) {
                    throw new IllegalArgumentException("The band %s ends above the side, which is %s mm high."
                            .formatted(written.strip(), number(Math.rint(sideMm))));
                }
                yield band(from, to);
            }
        };
    }

    boolean touches(Place other) {
        return base && other.base || Math.max(fromMm, other.fromMm) < Math.min(toMm, other.toMm);
    }

    /** {@code all}, {@code rim}, {@code base}, {@code 0-60}, and {@code spots of} any of them. */
    public String written() {
        String where = base && toMm > RIM_MM
                ? "all"
                : base ? "base" : fromMm >= RIM_MM ? "rim" : number(fromMm) + "-" + number(toMm);
        return whole ? where : "all".equals(where) ? "spots" : "spots of " + where;
    }

    private static String number(double mm) {
        return mm >= RIM_MM ? "rim" : String.format(Locale.ROOT, mm == Math.rint(mm) ? "%.0f" : "%.1f", mm);
    }
}

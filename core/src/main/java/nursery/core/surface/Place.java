package nursery.core.surface;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.cup.Blank;
import nursery.core.measure.Faults;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Where;

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
    public static final Place RIM_AND_BASE = new Place(true, RIM_MM, 2 * RIM_MM, true);
    /** Of a 20 oz slim, where the cup is not known; from memory. */
    public static final double USUAL_SIDE_MM = 200;

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
     * Where something is done that a plan says it of. What is laid in spots stays that wherever it is laid, but all
     * over it is a whole wrap.
     *
     * @param sideMm how long the side is: a part is of this, and a band that reaches its top ends there
     */
    public static Place of(Where where, Doing doing, double sideMm) {
        Where.Part part = where.isUsual() ? doing.step().map(Where::usual).orElse(Where.Part.ALL) : where.part();
        Place place = part == Where.Part.BAND ? bandOn(where, sideMm) : of(part, sideMm);
        boolean isInSpots = Lay.of(doing).filter(Lay::liesInSpots).isPresent();
        boolean isAWrap = part == Where.Part.ALL || part == Where.Part.SIDE;
        return isInSpots && !isAWrap ? new Place(place.base(), place.fromMm(), place.toMm(), false) : place;
    }

    private static Place of(Where.Part part, double sideMm) {
        return switch (part) {
            case USUAL, BAND, ALL -> ALL;
            case SIDE -> band(0, RIM_MM);
            case UPPER_HALF -> band(sideMm / 2, RIM_MM);
            case LOWER_HALF -> band(0, sideMm / 2);
            case LOWER_HALF_AND_BASE -> new Place(true, 0, sideMm / 2, true);
            case UPPER_THIRD -> band(sideMm * 2 / 3, RIM_MM);
            case MIDDLE_THIRD -> band(sideMm / 3, sideMm * 2 / 3);
            case LOWER_THIRD -> band(0, sideMm / 3);
            case RIM -> RIM;
            case BASE -> BASE;
            case RIM_AND_BASE -> RIM_AND_BASE;
            case HANDLE_SIDE, SPOTS -> SPOTS;
        };
    }

    /** A band that begins above this side is on its topmost millimetre. */
    private static Place bandOn(Where where, double sideMm) {
        return where.toMm() >= sideMm
                ? band(Math.min(where.fromMm(), sideMm - Where.LEAST_MM), RIM_MM)
                : band(where.fromMm(), where.toMm());
    }

    /** Where on a blank a step goes. */
    public static Place on(PlanStep step, Blank blank) {
        return of(step.how().where(), Doing.of(step.kind()), blank.sideMm());
    }

    /** The part of a blank that a step goes over; of spots the part they lie in. */
    public static Blank of(PlanStep step, Blank blank) {
        Place place = on(step, blank);
        return place.base && place.fromMm == 0 && place.toMm >= RIM_MM
                ? blank
                : blank.within(place.base, place.fromMm, place.toMm);
    }

    /** Whether it is the base and nothing else. */
    public boolean isTheBaseAlone() {
        return base && toMm <= fromMm;
    }

    /** Whether all of the side is covered, whatever is with the base and the rim. */
    boolean coversTheSide() {
        return whole && fromMm == 0 && toMm >= RIM_MM;
    }

    /**
     * A place as a file names it: a part such as {@code all}, {@code rim} or {@code lower-half}, or a band up the side
     * such as {@code 0-60}.
     *
     * @param sideMm how high the side is
     */
    public static Place parse(String written, double sideMm) {
        Optional<Where.Part> part = Where.parse(written.toLowerCase(Locale.ROOT))
                .map(Where::part)
                .filter(named -> named != Where.Part.USUAL && named != Where.Part.BAND);
        if (part.isPresent()) {
            return of(part.get(), sideMm < RIM_MM ? sideMm : USUAL_SIDE_MM);
        }
        Matcher band = BAND.matcher(written.strip());
        if (!band.matches()) {
            throw new IllegalArgumentException(
                    "“%s” is no place: all, rim, base, spots, lower-half and so on, or a band such as 0-60, mm."
                            .formatted(written.length() > LONGEST ? written.substring(0, LONGEST) : written));
        }
        double from = Double.parseDouble(band.group(1));
        double to = Double.parseDouble(band.group(2));
        if (!(to <= sideMm)) {
            throw new IllegalArgumentException("The band %s ends above the side, which is %s mm high."
                    .formatted(written.strip(), number(Math.rint(sideMm))));
        }
        return band(from, to);
    }

    boolean touches(Place other) {
        return base && other.base || Math.max(fromMm, other.fromMm) < Math.min(toMm, other.toMm);
    }

    /** {@code all}, {@code rim}, {@code base}, {@code 0-60}, and {@code spots of} any of them. */
    public String written() {
        String where = base && fromMm == 0 && toMm > RIM_MM
                ? "all"
                : toMm <= fromMm ? "base" : (base ? "base and " : "") + side();
        return whole ? where : "all".equals(where) ? "spots" : "spots of " + where;
    }

    private String side() {
        return fromMm >= RIM_MM ? "rim" : number(fromMm) + "-" + number(toMm);
    }

    private static String number(double mm) {
        return mm >= RIM_MM ? "rim" : String.format(Locale.ROOT, mm == Math.rint(mm) ? "%.0f" : "%.1f", mm);
    }
}

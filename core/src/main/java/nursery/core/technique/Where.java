package nursery.core.technique;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.Reading;

/**
 * Where on a cup a step is done, as a maker says it. Parts of the side are of the cup it is done on, so that a
 * technique fits every size; a band is in mm from the foot, measured along the side.
 *
 * @param part the part that is named
 * @param fromMm where a band begins, 0 for every other part
 * @param toMm where a band ends, 0 for every other part
 */
public record Where(Part part, double fromMm, double toMm) {

    /** No side of a cup is longer. */
    public static final double LONGEST_MM = 400;
    /** What is laid narrower than this is a line and no band. */
    public static final double LEAST_MM = 1;

    public static final Where USUAL = new Where(Part.USUAL);

    private static final Pattern BAND = Pattern.compile("(\\d{1,3}(?:\\.\\d{1,2})?)-(\\d{1,3}(?:\\.\\d{1,2})?)");
    private static final int MOST_DECIMALS = 4;
    private static final double ROUNDING_MM = 1e-6;
    private static final Pattern ENDS = Pattern.compile("\\s*(?:-|–|—|\\bto\\b)\\s*");
    private static final String UNIT = "[\\p{L}\"″”“„'’‘′]+\\s*$";

    /** A part of a cup that has a name. */
    public enum Part implements Field.Choice {
        USUAL("where it usually goes"),
        ALL("all over"),
        SIDE("all round the side"),
        UPPER_HALF("upper half"),
        LOWER_HALF("lower half"),
        LOWER_HALF_AND_BASE("lower half and base"),
        UPPER_THIRD("upper third"),
        MIDDLE_THIRD("middle third"),
        LOWER_THIRD("lower third"),
        RIM("rim"),
        BASE("base"),
        RIM_AND_BASE("rim and base"),
        HANDLE_SIDE("handle side"),
        SPOTS("in spots"),
        BAND("a band");

        private final String word;

        Part(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** As it stands behind a title. */
        String inWords() {
            return this == BAND ? "in a band" : word;
        }

        /** Whether a coat can be poured there: it runs, and is not laid in spots nor kept to a rim. */
        boolean isOfACoat() {
            return switch (this) {
                case USUAL,
                        ALL,
                        SIDE,
                        UPPER_HALF,
                        LOWER_HALF,
                        LOWER_HALF_AND_BASE,
                        UPPER_THIRD,
                        MIDDLE_THIRD,
                        LOWER_THIRD,
                        BASE,
                        BAND -> true;
                case RIM, RIM_AND_BASE, HANDLE_SIDE, SPOTS -> false;
            };
        }
    }

    public Where {
        if (part == Part.BAND) {
            if (!isBand(fromMm, toMm)) {
                throw new IllegalArgumentException(
                        "A band from %s to %s mm cannot be: write where it begins and ends, from 0 to %s mm."
                                .formatted(Numbers.show(fromMm, 1), Numbers.show(toMm, 1), Numbers.show(LONGEST_MM)));
            }
        } else if (fromMm != 0 || toMm != 0) {
            throw new IllegalArgumentException("Only a band has ends: " + part);
        }
    }

    private static boolean isBand(double fromMm, double toMm) {
        return fromMm >= 0 && toMm <= LONGEST_MM && toMm - fromMm >= LEAST_MM - ROUNDING_MM;
    }

    public Where(Part part) {
        this(part, 0, 0);
    }

    /**
     * Where a kind of step goes if nothing is said: a wave below the middle, a decal in spots, a rim's sanding at the
     * rim, the rest all over. Of tape no part is meant: it is where it is.
     */
    public static Part usual(StepKind kind) {
        return switch (kind) {
            case PARTIAL_COAT -> Part.LOWER_HALF;
            case TRIM, SAND_RIM -> Part.RIM;
            case INK, VINYL, STENCIL, FOIL, WATER_SLIDE, SPONGE, SMOKE, SOAP, FOIL_ADHESIVE, TOUCH_UP -> Part.SPOTS;
            case MASK, PULL_TAPE -> Part.USUAL;
            default -> Part.ALL;
        };
    }

    /** A band, to a hundredth of a millimetre: no tape is laid truer, and a sixteenth of an inch stays what it is. */
    public static Where band(double fromMm, double toMm) {
        return new Where(Part.BAND, hundredths(fromMm), hundredths(toMm));
    }

    private static double hundredths(double mm) {
        return Math.round(mm * 100) / 100.0;
    }

    public boolean isUsual() {
        return part == Part.USUAL;
    }

    /** As a file and a table write it: {@code lower-half}, {@code 12.5-60}. */
    public String written() {
        return part == Part.BAND
                ? String.format(Locale.ROOT, "%s-%s", shortest(fromMm), shortest(toMm))
                : part.written();
    }

    /** What {@link #written()} wrote; nothing if it says no place. */
    public static Optional<Where> parse(String written) {
        Matcher band = BAND.matcher(written.strip());
        if (band.matches()) {
            double from = Double.parseDouble(band.group(1));
            double to = Double.parseDouble(band.group(2));
            return isBand(from, to) ? Optional.of(band(from, to)) : Optional.empty();
        }
        return Arrays.stream(Part.values())
                .filter(part -> part != Part.BAND && part.written().equals(written.strip()))
                .findFirst()
                .map(Where::new);
    }

    /**
     * A band as a maker types it: {@code 12–60}, {@code 2 3/8 to 4 in}, in whichever order.
     *
     * @param unit of what has none beside it
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static Where band(String typed, LengthUnit unit) {
        String[] ends = ENDS.split(typed.strip(), -1);
        if (ends.length != 2 || ends[0].isBlank() || ends[1].isBlank()) {
            throw new IllegalArgumentException(
                    "“%s” is no band: write where it begins and ends above the foot, such as %s."
                            .formatted(typed.strip(), unit == LengthUnit.MM ? "12–60" : "1/2–2 3/8"));
        }
        // A unit behind the second number is meant for both.
        Matcher named = Pattern.compile(UNIT).matcher(ends[1]);
        String first = !ends[0].matches(".*" + UNIT) && named.find() ? ends[0] + " " + named.group() : ends[0];
        double one = Reading.parse(first, unit);
        double other = Reading.parse(ends[1], unit);
        return band(Math.min(one, other), Math.max(one, other));
    }

    /** A band as it is typed in a unit; empty for what is none. */
    public String bandIn(LengthUnit unit) {
        return part == Part.BAND ? typed(fromMm, unit) + "–" + typed(toMm, unit) : "";
    }

    /** So finely that it is the same band when it is read again. */
    private static String typed(double mm, LengthUnit unit) {
        int decimals = 0;
        while (decimals < MOST_DECIMALS && hundredths(unit.toBase(Numbers.parse(shown(mm, unit, decimals)))) != mm) {
            decimals++;
        }
        return shown(mm, unit, decimals);
    }

    private static String shown(double mm, LengthUnit unit, int decimals) {
        return Numbers.show(unit.fromBase(mm), decimals);
    }

    /** As it is read to a maker. */
    public String word() {
        return part == Part.BAND
                ? "band %s–%s mm".formatted(Numbers.show(fromMm, 1), Numbers.show(toMm, 1))
                : part.word();
    }

    private static String shortest(double mm) {
        return mm == Math.rint(mm) ? String.format(Locale.ROOT, "%.0f", mm) : String.format(Locale.ROOT, "%.2f", mm);
    }
}

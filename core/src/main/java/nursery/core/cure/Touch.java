package nursery.core.cure;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import nursery.core.resin.LabelTimes;

/**
 * What a finger, or a paper, finds on a coat. Each says between which ages of the label the coat is: common practice
 * (P13–P16, P39), and where practice leaves it open, from memory. The ages come from the label's own order of times,
 * because a fast resin may be sanded while a slow one is still tacky.
 */
public enum Touch {
    WET("wet"),
    STRINGS("pulls strings"),
    TACKY("tacky"),
    FIRM_WITH_PRINT("firm, takes a print"),
    FIRM("firm"),
    GUMS_PAPER("gums the paper"),
    SANDS_TO_DUST("sands to dust"),
    STICKY_NEXT_DAY("sticky the next day");

    /** Ages nearer to each other than this are one and the same to a finger. */
    private static final double SAME = 1.05;

    private final String words;

    Touch(String words) {
        this.words = words;
    }

    /** The touch with this name where one is sent, such as {@code sands-to-dust}. */
    public static Optional<Touch> named(String written) {
        return Arrays.stream(values())
                .filter(touch -> touch.written().equals(written))
                .findFirst();
    }

    private String written() {
        return this == GUMS_PAPER
                ? "gums-the-paper"
                : name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String words() {
        return words;
    }

    /** The age that must be reached for it, hours; 0 if none. */
    double fromH(LabelTimes times) {
        return switch (this) {
            case WET, STRINGS, GUMS_PAPER, STICKY_NEXT_DAY -> 0;
            case TACKY -> tackFollowsGel(times) ? times.turningH() : times.workingH();
            case FIRM_WITH_PRINT -> Math.min(times.recoatFromH(), times.sandableFromH());
            case FIRM -> tackEndsH(times);
            case SANDS_TO_DUST -> times.sandableFromH();
        };
    }

    /** The age that must not be reached yet, hours; without end if none. */
    double untilH(LabelTimes times) {
        return switch (this) {
            case WET, STRINGS -> times.turningH();
            case TACKY -> tackFollowsGel(times) ? tackEndsH(times) : sandedByH(times);
            case FIRM_WITH_PRINT ->
                times.sandableFromH() > fromH(times) * SAME ? times.sandableFromH() : sandedByH(times);
            case GUMS_PAPER -> times.sandableFromH();
            case STICKY_NEXT_DAY -> tackEndsH(times);
            case FIRM, SANDS_TO_DUST -> Double.POSITIVE_INFINITY;
        };
    }

    /** A coat no longer sticks once it grips less, or can be sanded, whichever comes first. */
    private static double tackEndsH(LabelTimes times) {
        return Math.min(times.recoatUntilH(), times.sandableFromH());
    }

    private static boolean tackFollowsGel(LabelTimes times) {
        return tackEndsH(times) > times.turningH() * SAME;
    }

    /** Surely past tack and prints; where a label makes no difference between possible and sure, a little later. */
    private static double sandedByH(LabelTimes times) {
        return Math.max(times.sandableSureH(), times.sandableFromH() * SAME * SAME);
    }
}

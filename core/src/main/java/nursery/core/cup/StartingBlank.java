package nursery.core.cup;

import java.util.OptionalDouble;

/**
 * Blanks to start from until the maker puts a tape to their own. The 20 oz slim cup is about 73 mm across and 205 mm
 * tall, from memory, and so are the others: a blank taken from here says that its measures are assumed.
 */
public enum StartingBlank {
    SLIM_20("20 oz slim", new Straight(205, 229), 0, 20),
    SLIM_12("12 oz slim", new Straight(155, 210), 0, 12),
    TAPERED_30("30 oz tapered", new Tapered(200, 220, 310), 0, 30),
    MUG_16("16 oz mug with handle", new Straight(118, 262), 34, 16);

    private static final double RIM_BARE_MM = 6;

    private final String title;
    private final Outline outline;
    private final double handleGapMm;
    private final double nominalOz;

    StartingBlank(String title, Outline outline, double handleGapMm, double nominalOz) {
        this.title = title;
        this.outline = outline;
        this.handleGapMm = handleGapMm;
        this.nominalOz = nominalOz;
    }

    public String title() {
        return title;
    }

    /** What it is called on the shelf until it is measured. */
    public String assumedName() {
        return title + " (assumed)";
    }

    public Blank blank() {
        return new Blank(outline, true, RIM_BARE_MM, 0, handleGapMm, OptionalDouble.of(nominalOz));
    }
}

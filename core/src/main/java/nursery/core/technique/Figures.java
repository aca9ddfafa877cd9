package nursery.core.technique;

import nursery.core.resin.LabelTimes;

/** The craft's figures, in one place for all that judge by them. Common practice unless one says "from memory". */
public final class Figures {

    /** P23, under epoxy and paint. */
    public static final double INK_MIN = 30;
    /** P23. */
    public static final double INK_UNDER_VINYL_MIN = 24 * 60;
    /** P24, overnight; the figure is from memory. */
    public static final double SLIDE_MIN = 8 * 60;
    /** From memory. */
    public static final double FLASH_OFF_MIN = 10;
    /** P20: until it is stiff, and safe for epoxy. */
    public static final double GLUE_STIFF_MIN = 60;
    /** P20: until it is dry enough for the next thing. */
    public static final double GLUE_DRY_MIN = 30;
    /** P72: how long it takes flakes; from memory. */
    public static final double GLUE_TAKES_MIN = 15;
    /** P21, of spray adhesive and of sealer. */
    public static final double SEALER_MIN = 30;
    /** From memory: the can's own time overrides it. */
    public static final double PAINT_MIN = 30;
    /** From memory. */
    public static final double COOL_MIN = 10;
    /** P23 of vinyl straight on ink; elsewhere from memory. */
    public static final double VINYL_MIN = 60;
    /** P19. */
    public static final double SETTLE_MIN = 2;
    /** P16; the figure is from memory. */
    public static final double PEELS_AFTER_H = 72;
    /** Step 7: coarser than this shows through paint. */
    public static final int FINE_GRIT = 220;
    /** Step 6: coarser than this is for the rim. */
    public static final int BODY_GRIT = 180;

    /** Nobody cuts to less; from memory. */
    static final double CUT_MM = 0.5;
    /** What the eye forgives of a small picture and not of a wrap (P56); the figure is from memory. */
    static final double CLIMBS_MM = 5;

    private Figures() {}

    /** From when the last coat takes no prints any more, h (step 10 of the order of work: 8 to 12). */
    public static final double FIRM_H = 8;

    private static final double GENEROUS_SET_H = 6;
    private static final double THIN_SET_H = 2;

    /** When a film holds its glitter: a fast one, and a thin one, after about two hours, a generous one after six. */
    public static double setH(boolean isGenerous, LabelTimes times) {
        return isGenerous && times.turningH() > Wait.FAST_TURNING_H ? GENEROUS_SET_H : THIN_SET_H;
    }
}

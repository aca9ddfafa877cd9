package nursery.core.technique;

import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;

/**
 * What a step asks of the newest epoxy on the cup, whatever it waits for itself. A wait belongs to a place in a list:
 * leave a step out, put one in or move one, and it no longer tells of the coat. This does, so that wet epoxy is never
 * called ready.
 */
public enum Ground {
    /** Nothing: it touches no coat, or is done to one while it is wet. */
    ANY,
    /** That it no longer runs: what is laid on it sinks, drags and marks it (P13). A film that it is set. */
    GELLED,
    /** That paper makes dust of it and not gum (P15). */
    SANDABLE,
    /** That it holds another coat: straight on of a coat (P14), set of a film under glitter (P19). */
    CARRIES,
    /** That it can be cleaned up and held: 8 to 12 h (step 10 of the order of work). */
    FIRM,
    /** That it is cured enough to be rubbed matte (step 9). */
    CURED;

    public static final double FIRM_H = 8;
    private static final double GENEROUS_SET_H = 6;
    private static final double THIN_SET_H = 2;

    public static Ground of(StepKind kind) {
        return switch (kind) {
            case ADHESIVE, FLOOD_COAT, BUILD_COAT, THIN_COAT, PARTIAL_COAT, FINISHING_COAT -> CARRIES;
            case PREP, SAND_RIM, SAND, TRIM_AND_SAND -> SANDABLE;
            case FINISH, PACK -> FIRM;
            case POLISH -> CURED;
            case CLEAN,
                    PAINT,
                    GLUE,
                    FOIL_ADHESIVE,
                    SPRAY_ADHESIVE,
                    SEAL,
                    INK,
                    TRIM,
                    WASH,
                    VINYL,
                    STENCIL,
                    WATER_SLIDE,
                    FOIL,
                    SPONGE,
                    MICA_SEAL,
                    SOAP,
                    TOUCH_UP,
                    SMOKE -> GELLED;
            // Tape goes on what stays bare, and an edge is wiped while its coat is wet (P22).
            case MASK,
                    PULL_TAPE,
                    WIPE,
                    GLITTER,
                    SETTLE,
                    PRESS_FLAT,
                    INK_BLOOM,
                    HEAT,
                    TINT,
                    TURN,
                    HANG,
                    REST,
                    FLASH_OFF,
                    PEEL,
                    INSPECT,
                    PHOTOGRAPH -> ANY;
        };
    }

    /** From when a step may be done: its wait is over, and what lies below is ready for it. */
    public static double opens(StepKind kind, Wait wait, Timeline time) {
        return Math.max(wait.opens(time), of(kind).readyFrom(time));
    }

    /**
     * What a step waits for on what it turns out to lie on, whatever its own wait tells of: straight on a coat that
     * nothing scuffed the tack window, with its end; over a decoration no window, for that would be sanded, and the
     * coat below had to be scuffed before it was laid.
     */
    public static Wait waiting(StepKind kind, Wait own, Layers on) {
        if (own.mayScuffInstead() && on.topIsDecoration()) {
            return Wait.none();
        }
        boolean saysNoEnd =
                switch (own.kind()) {
                    case NONE, AGE, DRY -> true;
                    case SETTLE, INTO_COAT, STRAIGHT_ON, SANDABLE, CURED -> false;
                };
        return saysNoEnd && kind.isPour() && on.topIsUnscuffedCoat() ? own.andStraightOn() : own;
    }

    /** From when the newest epoxy allows it; long ago where there is none. */
    public double readyFrom(Timeline time) {
        if (this == ANY || !time.hasCoat()) {
            return Double.NEGATIVE_INFINITY;
        }
        LabelTimes times = time.coat();
        boolean isFilm = time.role().isAdhesive();
        return time.atAge(
                switch (this) {
                    case ANY -> 0;
                    case GELLED -> isFilm ? setH(time.role(), times) : times.turningH();
                    case SANDABLE -> times.sandableFromH();
                    case CARRIES -> isFilm ? setH(time.role(), times) : times.recoatFromH();
                    case FIRM -> FIRM_H;
                    case CURED -> times.curedH();
                });
    }

    /** When a film holds its glitter: a fast one, and a thin one, after about two hours, a generous one after six. */
    public static double setH(boolean isGenerous, LabelTimes times) {
        return isGenerous && times.turningH() > Wait.FAST_TURNING_H ? GENEROUS_SET_H : THIN_SET_H;
    }

    static double setH(CoatRole film, LabelTimes times) {
        return setH(film == CoatRole.ADHESIVE_GENEROUS, times);
    }
}

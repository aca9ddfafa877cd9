package nursery.core.surface;

import java.util.Optional;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Where;

/**
 * One thing done to a cup, with all that decides about it.
 *
 * @param id its own number, larger for what was done later: what a bound refers to
 * @param how the fields that matter
 * @param place where; what is left out is where it usually goes
 * @param label for a pour, the ages of what it was poured from
 */
public record Work(int id, Doing doing, How how, Place place, Optional<LabelTimes> label) {

    public Work {
        if (doing.isPour() != label.isPresent()) {
            throw new IllegalArgumentException("%s: a pour cures by a label, and nothing else does.".formatted(doing));
        }
    }

    /** Where such a thing usually goes. */
    public static Work of(int id, Doing doing, How how, Optional<LabelTimes> label) {
        return new Work(id, doing, how, usualPlace(doing), label);
    }

    /** The same, where its fields say so on a cup whose side is so long. */
    static Work of(int id, Doing doing, How how, Optional<LabelTimes> label, double sideMm) {
        return new Work(id, doing, how, Place.of(how.fields().where(), doing, sideMm), label);
    }

    /** What is no pour, and of which nothing more is said. */
    public static Work of(int id, Doing doing) {
        return of(id, doing, How.usual(doing), Optional.empty());
    }

    /**
     * @param label what it is poured from, if it is a pour
     * @param sideMm how long the side of the cup is
     */
    public static Work of(int id, PlanStep step, LabelTimes label, double sideMm) {
        return of(
                id,
                Doing.of(step.kind()),
                How.of(step),
                step.kind().isPour() ? Optional.of(label) : Optional.empty(),
                sideMm);
    }

    /** On a cup that is not known. */
    public static Work of(int id, PlanStep step, LabelTimes label) {
        return of(id, step, label, Place.USUAL_SIDE_MM);
    }

    /** Where it goes if nothing is said. */
    public static Place usualPlace(Doing doing) {
        return Place.of(Where.USUAL, doing, Place.USUAL_SIDE_MM);
    }

    /** The same pour, with its mix known so well. */
    public Work mixed(How.Ratio known) {
        return new Work(id, doing, how.mixed(known), place, label);
    }

    /** Whether it is a clear coat over all of the side. */
    boolean isWholeCoat() {
        return doing.isWholeCoat() && place.coversTheSide();
    }

    boolean leavesSolvent() {
        return switch (doing) {
            case CLEAN, PREP, WIPE -> how.fields().cleaner().isSolvent();
            case SEAL -> how.fields().sealer() == Fields.Sealer.AEROSOL;
            case PULL_TAPE, INK, INK_BLOOM, PAINT, SPRAY_ADHESIVE, TOUCH_UP -> true;
            default -> false;
        };
    }

    /** Whether it wets the cup with what must flash off before anything goes over it. */
    boolean wetsWithSolvent() {
        return (doing == Doing.CLEAN || doing == Doing.WIPE || doing == Doing.PREP || doing == Doing.PULL_TAPE)
                && how.fields().cleaner().isSolvent();
    }
}

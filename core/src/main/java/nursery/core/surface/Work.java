package nursery.core.surface;

import java.util.Optional;
import nursery.core.resin.LabelTimes;

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

    public static Work of(int id, Doing doing, How how, Optional<LabelTimes> label) {
        return new Work(id, doing, how, usualPlace(doing), label);
    }

    /** Where it goes if nothing is said: a wave below the middle, a decal in spots, a rim's sanding at the rim. */
    public static Place usualPlace(Doing doing) {
        return switch (doing) {
            case PARTIAL_COAT -> Place.band(0, HALF_A_SIDE_MM);
            case TRIM, SAND_RIM -> Place.RIM;
            default ->
                Lay.of(doing).filter(Lay::liesInSpots).map(lay -> Place.SPOTS).orElse(Place.ALL);
        };
    }

    /** Of a 20 oz; from memory. */
    private static final double HALF_A_SIDE_MM = 100;

    /** The same pour, mixed wrong. */
    public Work mixedWrong() {
        return new Work(id, doing, how.mixedWrong(), place, label);
    }

    boolean leavesSolvent() {
        return switch (doing) {
            case CLEAN, PREP, WIPE -> how.cleaner().isSolvent();
            case SEAL -> how.sealer() == How.Sealer.AEROSOL;
            case PULL_TAPE, INK, INK_BLOOM, PAINT, SPRAY_ADHESIVE, TOUCH_UP -> true;
            default -> false;
        };
    }

    /** Whether it wets the cup with what must flash off before anything goes over it. */
    boolean wetsWithSolvent() {
        return (doing == Doing.CLEAN || doing == Doing.WIPE || doing == Doing.PREP || doing == Doing.PULL_TAPE)
                && how.cleaner().isSolvent();
    }
}

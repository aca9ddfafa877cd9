package nursery.core.technique;

import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.film.CoatRole;

/**
 * One step of a cup's own plan.
 *
 * @param number its name within the plan: the log refers to it. It stays when steps are put in before it
 * @param kind what is done
 * @param title what it is called here
 * @param waiting what must pass first
 * @param detail how it is done here, by the school chosen
 * @param role for a pour, the coat it makes
 * @param how how it is done, as far as that decides about anything
 * @param size how large a decal is cut, if it is known
 * @param amountMl for a pour, what was decided to go on this cup; without it the cup's own share is worked out
 * @param handsOnMinutes how long hands are on the cup for it: as it was timed, or as long as its kind takes here
 */
public record PlanStep(
        int number,
        StepKind kind,
        String title,
        Wait waiting,
        String detail,
        Optional<CoatRole> role,
        Fields how,
        Optional<DecalSize> size,
        OptionalDouble amountMl,
        int handsOnMinutes) {

    public PlanStep {
        if (kind.isPour() != role.isPresent()) {
            throw new IllegalArgumentException(
                    "Step %d, %s: a coat needs its role, and only a coat has one.".formatted(number, kind));
        }
        if (title.isBlank()) {
            title = kind.title();
        }
        if (amountMl.isPresent() && (!kind.isPour() || !(amountMl.getAsDouble() > 0))) {
            amountMl = OptionalDouble.empty();
        }
    }

    /** A step that takes as long as its kind does anywhere. */
    public PlanStep(
            int number,
            StepKind kind,
            String title,
            Wait waiting,
            String detail,
            Optional<CoatRole> role,
            Fields how,
            Optional<DecalSize> size,
            OptionalDouble amountMl) {
        this(number, kind, title, waiting, detail, role, how, size, amountMl, kind.handsOnMinutes());
    }

    /** A step of which no amount was decided. */
    public PlanStep(
            int number,
            StepKind kind,
            String title,
            Wait waiting,
            String detail,
            Optional<CoatRole> role,
            Fields how,
            Optional<DecalSize> size) {
        this(number, kind, title, waiting, detail, role, how, size, OptionalDouble.empty());
    }

    /** A step under its kind's own title, of which nothing more is said. */
    public PlanStep(int number, StepKind kind, Wait waiting, String detail, Optional<CoatRole> role) {
        this(number, kind, "", waiting, detail, role, Fields.usual(kind), Optional.empty());
    }

    /** What it is called, and where it is done if that is not where such a step usually is. */
    public String titleAndPlace() {
        return how.where().isUsual() ? title : title + ", " + how.where().part().inWords();
    }

    /** What it cannot do without, beside hands. A sealer that is brushed on needs no booth. */
    public Set<Need> needs() {
        if (isBrushed()) {
            return Set.of();
        }
        Set<Need> needs = EnumSet.noneOf(Need.class);
        needs.addAll(kind.needs());
        if (how.turned() == Fields.Turned.BY_HAND || how.turned() == Fields.Turned.HUNG) {
            needs.remove(Need.SPINDLE);
        }
        return needs;
    }

    /**
     * What to be careful of.
     *
     * @param isOnWet whether it is done to what is still wet
     */
    public Caution caution(boolean isOnWet) {
        boolean isOfSolvent = !Field.CLEANER.isOf(kind) || how.cleaner().isSolvent();
        return switch (kind) {
            case SEAL -> isBrushed() ? Caution.NONE : kind.caution();
            // Flakes on craft glue or spray: nothing of epoxy is about.
            case GLITTER -> isOnWet || how.strewn() != Fields.Strewn.ON_TOP ? kind.caution() : Caution.POWDER;
            case PREP -> isOfSolvent ? kind.caution() : Caution.DUST;
            default -> isOfSolvent ? kind.caution() : Caution.NONE;
        };
    }

    private boolean isBrushed() {
        return kind == StepKind.SEAL && how.sealer() == Fields.Sealer.BRUSHED;
    }

    /** The same, done in another way. */
    public PlanStep doneAs(Fields other) {
        return new PlanStep(number, kind, title, waiting, detail, role, other, size, amountMl, handsOnMinutes);
    }

    public PlanStep numbered(int other) {
        return new PlanStep(other, kind, title, waiting, detail, role, how, size, amountMl, handsOnMinutes);
    }

    public PlanStep waitingFor(Wait other) {
        return new PlanStep(number, kind, title, other, detail, role, how, size, amountMl, handsOnMinutes);
    }

    /** The same, cut so large. */
    public PlanStep sized(DecalSize other) {
        return new PlanStep(
                number, kind, title, waiting, detail, role, how, Optional.of(other), amountMl, handsOnMinutes);
    }

    /** The same, with hands on it for so long. */
    public PlanStep taking(int minutes) {
        return new PlanStep(number, kind, title, waiting, detail, role, how, size, amountMl, minutes);
    }

    public PlanStep withAmount(OptionalDouble otherMl) {
        return new PlanStep(number, kind, title, waiting, detail, role, how, size, otherMl, handsOnMinutes);
    }

    /** Whether it does what another does, on whatever is made of it: the same kind, and the same coat. */
    public boolean isLike(PlanStep other) {
        return kind == other.kind && role.equals(other.role);
    }
}

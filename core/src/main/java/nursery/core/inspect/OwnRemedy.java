package nursery.core.inspect;

import java.util.List;
import nursery.core.measure.Faults;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;

/**
 * What a shop itself does about a cause.
 *
 * @param cause the cause's key
 * @param words what is done, in the shop's words
 * @param kinds the steps it puts into the plan, in their order; none if nothing is to be planned
 */
public record OwnRemedy(String cause, String words, List<StepKind> kinds) implements Treatment {

    public static final int MOST_STEPS = 6;

    public OwnRemedy {
        kinds = List.copyOf(kinds);
        Faults faults = new Faults();
        faults.require(!words.isBlank(), "own", "Say what is done about it.");
        faults.require(
                kinds.size() <= MOST_STEPS,
                "ownSteps",
                "%d steps: at most %d can be put in.".formatted(kinds.size(), MOST_STEPS));
        faults.throwIfAny();
    }

    @Override
    public String written() {
        return words;
    }

    @Override
    public String how() {
        return "";
    }

    @Override
    public String risk() {
        return "";
    }

    /** A coat with nothing wiped off or stripped before it goes over what is there. */
    @Override
    public boolean coversUp() {
        for (StepKind kind : kinds) {
            if (kind == StepKind.WIPE || kind == StepKind.PREP) {
                return false;
            }
            if (kind.isPour()) {
                return true;
            }
        }
        return false;
    }

    @Override
    public List<TechniqueStep> steps() {
        return kinds.stream().map(TechniqueStep::usual).toList();
    }
}

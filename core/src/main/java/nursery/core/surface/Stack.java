package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;

/** A plan read as layers, from the steel outwards: what is laid, with all that is done to it. */
public final class Stack {

    private Stack() {}

    /**
     * A layer of a plan.
     *
     * @param laid the step that lays it; empty for the blank itself
     * @param steps all that belongs to it, in the order of the plan: what is got ready for it, what lays it, and what
     *     is done to it until the next is laid
     */
    public record Level(Optional<PlanStep> laid, List<PlanStep> steps) {
        public Level {
            steps = List.copyOf(steps);
        }

        /** Whether it is a clear coat. */
        public boolean isCoat() {
            return laid.filter(step -> step.kind().isClearCoat()).isPresent();
        }
    }

    public static List<Level> of(List<PlanStep> plan) {
        List<Level> levels = new ArrayList<>();
        Optional<PlanStep> laid = Optional.empty();
        List<PlanStep> steps = new ArrayList<>();
        List<PlanStep> ready = new ArrayList<>();
        for (int i = 0; i < plan.size(); i++) {
            PlanStep step = plan.get(i);
            if (isForTheNext(plan, i)) {
                ready.add(step);
            } else if (lays(step)) {
                levels.add(new Level(laid, steps));
                laid = Optional.of(step);
                steps = new ArrayList<>(ready);
                ready.clear();
                steps.add(step);
            } else {
                steps.add(step);
            }
        }
        steps.addAll(ready);
        levels.add(new Level(laid, steps));
        // A plan of what is still ahead may begin with a layer.
        return levels.stream().filter(level -> !level.steps().isEmpty()).toList();
    }

    /** What is stirred into a mix lies in its coat. */
    private static boolean lays(PlanStep step) {
        return Doing.of(step.kind()).lays() && step.how().strewn() == Fields.Strewn.ON_TOP;
    }

    /** Tape goes on for the coat to come; what is stirred in or tinted goes into the mix that is poured next. */
    private static boolean isForTheNext(List<PlanStep> plan, int place) {
        PlanStep step = plan.get(place);
        return switch (Doing.of(step.kind())) {
            case MASK -> true;
            case TINT -> place + 1 < plan.size() && plan.get(place + 1).kind().isPour();
            case GLITTER -> step.how().strewn() == Fields.Strewn.STIRRED_IN;
            default -> false;
        };
    }
}

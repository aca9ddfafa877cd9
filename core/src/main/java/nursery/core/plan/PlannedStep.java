package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.log.NextAction;
import nursery.core.log.Spindle;
import nursery.core.technique.PlanStep;

/**
 * A step with its place in the plan.
 *
 * @param cup the cup's code
 * @param begins when hands are laid on it
 * @param at when it is done as the log will have it: for a coat that needs scuffing first, the pour
 * @param action what the cup needs at that moment, with its window, as the fold sees it
 * @param scuffFirst whether the coat below is scuffed right before
 * @param missed whether it comes too late for its window, or off its pin
 * @param turns for a coat on a turner, where and until when
 * @param amountMl for a coat, its share
 */
public record PlannedStep(
        String cup,
        PlanStep step,
        Instant begins,
        Instant at,
        NextAction action,
        boolean scuffFirst,
        boolean missed,
        Optional<Turning> turns,
        OptionalDouble amountMl) {

    /** A coat on its spindle until it has gelled. */
    public record Turning(Spindle spindle, Instant untilExclusive) {}

    public Duration handsOn() {
        return Duration.between(begins, at).plusMinutes((long) Grid.lasting(step.handsOnMinutes()) * Grid.MINUTES);
    }

    /** When hands are off it. */
    public Instant ends() {
        return begins.plus(handsOn());
    }

    public boolean isHandsOn() {
        return ends().isAfter(begins);
    }

    public String title() {
        return scuffFirst ? action.title() : step.titleAndPlace();
    }
}

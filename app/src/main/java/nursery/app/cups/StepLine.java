package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.platform.Show;
import nursery.core.log.LogEntry;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/**
 * A line of a cup's plan.
 *
 * @param done what was logged for it: amount, time and by whom; empty if not done
 */
record StepLine(PlanStep step, boolean isNext, Optional<String> done, String waits) {

    static List<StepLine> of(CupOnBench cup, Show show) {
        int next = cup.state().next().map(action -> action.step().number()).orElse(0);
        return cup.file().plan().stream().map(step -> new StepLine(step, step.number() == next,
                Optional.ofNullable(cup.state().done().get(step.number())).map(entry -> done(entry, show)), waits(step.waiting(), show))).toList();
    }

    private static String done(LogEntry entry, Show show) {
        String amount = entry instanceof LogEntry.Poured pour ? show.volume(pour.amountMl()) + " · " : "";
        return amount + show.at(entry.mark().happenedAt()) + " · " + entry.mark().recordedBy();
    }

    private static String waits(Wait waiting, Show show) {
        if (waiting instanceof Wait.Dry dry) {
            return "after " + dry.atLeast().toMinutes() + " min of drying";
        }
        if (waiting instanceof Wait.Settle settle) {
            return "from %d min after the adhesive, while it is workable".formatted(settle.atLeast().toMinutes());
        }
        if (waiting instanceof Wait.Age age) {
            return "%s on the cure clock after the coat before".formatted(show.hours(age.hours()));
        }
        if (waiting instanceof Wait.StraightOn) {
            return "inside the tack window of the coat before";
        }
        return waiting instanceof Wait.Sandable ? "when the coat before is sandable" : "";
    }
}

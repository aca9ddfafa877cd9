package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.log.LogEntry;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.WeekPlan;
import nursery.core.technique.PlanStep;

/**
 * A line of a cup's plan.
 *
 * @param done what was logged for it: amount, time and by whom; empty if not done
 * @param skipped whether it was left out
 * @param expected when it is expected, by the plan as it stands; empty if done
 */
record StepLine(
        PlanStep step,
        boolean isNext,
        Optional<String> done,
        boolean skipped,
        String waits,
        Optional<String> expected) {

    static List<StepLine> of(CupNow cup, WeekPlan plan, Show show) {
        int next = cup.state().next().map(action -> action.step().number()).orElse(0);
        Map<Integer, PlannedStep> byStep = plan.of(cup.code()).stream()
                .collect(Collectors.toMap(planned -> planned.step().number(), Function.identity()));
        return cup.cup().plan().stream()
                .map(step -> {
                    Optional<LogEntry> entry =
                            Optional.ofNullable(cup.state().done().get(step.number()));
                    Optional<String> expected = entry.isPresent()
                            ? Optional.empty()
                            : Optional.ofNullable(byStep.get(step.number())).map(planned -> words(planned, show));
                    return new StepLine(
                            step,
                            step.number() == next,
                            entry.map(found -> done(found, show)),
                            entry.filter(LogEntry.Skipped.class::isInstance).isPresent(),
                            cup.cup().waitOf(step).words(),
                            expected);
                })
                .toList();
    }

    private static String words(PlannedStep planned, Show show) {
        return "about " + show.at(planned.begins())
                + (planned.scuffFirst() ? ", scuffed first" : planned.missed() ? ", late" : "");
    }

    private static String done(LogEntry entry, Show show) {
        if (entry instanceof LogEntry.Skipped) {
            return "left out: " + entry.mark().note() + " · " + entry.mark().recordedBy();
        }
        String amount = entry instanceof LogEntry.Poured pour ? show.volume(pour.amountMl()) + " · " : "";
        return amount + show.at(entry.mark().happenedAt()) + " · "
                + entry.mark().recordedBy();
    }
}

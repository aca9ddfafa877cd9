package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.platform.Show;
import nursery.app.techniques.WaitWords;
import nursery.core.log.Ahead.Expected;
import nursery.core.log.LogEntry;
import nursery.core.technique.PlanStep;

/**
 * A line of a cup's plan.
 *
 * @param done     what was logged for it: amount, time and by whom; empty if not done
 * @param skipped  whether it was left out
 * @param expected when it is expected, with the quiet hours left out; empty if done
 */
record StepLine(PlanStep step, boolean isNext, Optional<String> done, boolean skipped, String waits, Optional<String> expected) {

    static List<StepLine> of(CupOnBench cup, List<Expected> ahead, Show show) {
        int next = cup.state().next().map(action -> action.step().number()).orElse(0);
        Map<Integer, Expected> byStep = ahead.stream().collect(Collectors.toMap(expected -> expected.step().number(), Function.identity()));
        return cup.file().plan().stream().map(step -> {
            Optional<LogEntry> entry = Optional.ofNullable(cup.state().done().get(step.number()));
            return new StepLine(step, step.number() == next, entry.map(found -> done(found, show)), entry.filter(LogEntry.Skipped.class::isInstance).isPresent(),
                    WaitWords.words(step.waiting(), show), Optional.ofNullable(byStep.get(step.number())).map(expected -> words(expected, show)));
        }).toList();
    }

    private static String words(Expected expected, Show show) {
        String how = expected.scuffFirst() ? ", scuffed first" : expected.late() ? ", late" : "";
        return "about " + show.at(expected.at()) + how + (expected.waitsForMaker() ? ", after the quiet hours" : "");
    }

    private static String done(LogEntry entry, Show show) {
        if (entry instanceof LogEntry.Skipped) {
            return "left out: " + entry.mark().note() + " · " + entry.mark().recordedBy();
        }
        String amount = entry instanceof LogEntry.Poured pour ? show.volume(pour.amountMl()) + " · " : "";
        return amount + show.at(entry.mark().happenedAt()) + " · " + entry.mark().recordedBy();
    }
}

package nursery.core.log;

import java.time.Instant;
import java.util.Comparator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * All that is known about a cup: the blank, the resins, its plan, and everything that happened to it.
 *
 * @param blank     the bare cup
 * @param base      label of the resin for every coat but the last
 * @param last      label of the resin for the finishing coat
 * @param plan      its steps, in order; a step keeps its number when others are put in before it
 * @param startedAt when the cup was started
 * @param log       every entry ever made, cancelled ones included
 */
public record CupFile(Blank blank, Label base, Label last, List<PlanStep> plan, Instant startedAt, List<LogEntry> log) {

    public CupFile {
        plan = List.copyOf(plan);
        log = List.copyOf(log);
    }

    /** What really happened, in the order it happened: no cancelled entries and no cancellations. */
    public List<LogEntry> happened() {
        Set<Long> cancelled = log.stream().filter(LogEntry.Cancelled.class::isInstance)
                .map(entry -> ((LogEntry.Cancelled) entry).cancelsId()).collect(Collectors.toSet());
        return log.stream()
                .filter(entry -> !(entry instanceof LogEntry.Cancelled) && !cancelled.contains(entry.mark().id()))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.mark().happenedAt()).thenComparing(entry -> entry.mark().id()))
                .toList();
    }

    public Label labelFor(PlanStep step) {
        return step.kind() == StepKind.FINISHING_COAT ? last : base;
    }

    /** The step with this number; where it stands in the plan is another matter. */
    public PlanStep step(int number) {
        return find(number).orElseThrow(() -> new IllegalArgumentException("This plan has no step " + number + "."));
    }

    public Optional<PlanStep> find(int number) {
        return plan.stream().filter(step -> step.number() == number).findFirst();
    }

    /** The steps that come after a step in the plan. */
    public List<PlanStep> after(PlanStep step) {
        return plan.subList(plan.indexOf(step) + 1, plan.size());
    }

    /** This cup with one more step in its plan, just before another or at its end. */
    public CupFile withStepBefore(Optional<PlanStep> before, PlanStep step) {
        List<PlanStep> steps = new ArrayList<>(plan);
        steps.add(before.map(plan::indexOf).orElse(plan.size()), step);
        return new CupFile(blank, base, last, steps, startedAt, log);
    }

    /** A number no step of this plan bears yet. */
    public int freeNumber() {
        return plan.stream().mapToInt(PlanStep::number).max().orElse(0) + 1;
    }

    public CupFile withLog(List<LogEntry> entries) {
        return new CupFile(blank, base, last, plan, startedAt, entries);
    }
}

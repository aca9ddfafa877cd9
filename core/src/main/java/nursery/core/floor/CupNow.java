package nursery.core.floor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.LogEntry;
import nursery.core.log.NextAction;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Technique;

/** A cup, and the state that follows at this moment. */
public record CupNow(Cup cup, CupState state) {

    /** Where a cup stands, as a shelf is sorted by it. */
    public enum Stage {
        HANDS("wants hands"),
        WAITING("waiting"),
        CURING("curing out"),
        READY("ready"),
        HANDED_OVER("handed over"),
        ABANDONED("given up");

        private final String word;

        Stage(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** Where it stands at the moment its state is of. */
    public Stage stage(Instant now) {
        if (state.gone().isPresent()) {
            return state.handedOverAt().isPresent() ? Stage.HANDED_OVER : Stage.ABANDONED;
        }
        return state.next()
                .map(next -> next.readinessAt(now) == NextAction.Readiness.WAITING ? Stage.WAITING : Stage.HANDS)
                .orElseGet(() -> state.readyAt().filter(now::isBefore).isPresent() ? Stage.CURING : Stage.READY);
    }

    /** Minutes at the bench that its steps so far took. */
    public int handsOnMinutes() {
        return cup.handsOnMinutes();
    }

    public String code() {
        return cup.code();
    }

    /** The steps of its plan that are neither done nor left out, in their order. */
    public List<PlanStep> stepsAhead() {
        return cup.plan().stream()
                .filter(step -> !state.done().containsKey(step.number()))
                .toList();
    }

    /**
     * What was done to it since it was last taken down to the steel, each step as it was done, in the order it was;
     * what was left out is none.
     */
    public List<PlanStep> stepsDone() {
        List<PlanStep> steps = new ArrayList<>();
        for (LogEntry entry : cup.happened()) {
            if (entry instanceof LogEntry.RemedyChosen chosen && chosen.strips()) {
                steps.clear();
            } else if (entry instanceof LogEntry.OfStep done && entry.kind() != LogEntry.Kind.SKIPPED) {
                steps.add(cup.step(done));
            }
        }
        return List.copyOf(steps);
    }

    /** Its whole plan with other steps ahead. */
    public List<PlanStep> planWith(List<PlanStep> ahead) {
        return Stream.concat(
                        cup.plan().stream().filter(step -> state.done().containsKey(step.number())), ahead.stream())
                .toList();
    }

    /** The coat it needs next, if that is what it needs next and nothing has to be scuffed before. */
    public Optional<PlanStep> nextCoat() {
        return state.next()
                .filter(next -> next.kind() == NextAction.Kind.STEP)
                .map(NextAction::step)
                .filter(step -> step.kind().isPour());
    }

    /**
     * What practice and the craft's rules say of other steps ahead of it, by their place, taken from now on: its coats
     * are as old as they are, what was laid has dried as long as it has.
     */
    public List<Judgement.Finding> judged(List<PlanStep> ahead, Instant now) {
        double minute = Math.max(cup.minute(state.lastEndedAt()), cup.minute(now));
        return Judgement.ahead(
                new Judgement.SoFar(state.on().surface(), state.on().minutesFrom(cup.startedAt()), minute),
                ahead,
                cup.resins().base().label(),
                cup.resins().last().label(),
                cup.blank());
    }

    /**
     * What would be ahead if it went on by another plan: what is done already of that plan is not asked for again, and
     * a step that was ahead anyway keeps its number.
     */
    public List<PlanStep> aheadBy(List<PlanStep> plan) {
        List<PlanStep> done = cup.plan().stream()
                .filter(step -> state.done().containsKey(step.number()))
                .toList();
        List<PlanStep> free = new ArrayList<>(stepsAhead());
        List<PlanStep> ahead = new ArrayList<>();
        int number = cup.freeNumber();
        for (PlanStep step : Technique.after(plan, done)) {
            Optional<PlanStep> same = free.stream().filter(step::isLike).findFirst();
            same.ifPresent(free::remove);
            ahead.add(step.numbered(same.isPresent() ? same.get().number() : number++));
        }
        return ahead;
    }
}

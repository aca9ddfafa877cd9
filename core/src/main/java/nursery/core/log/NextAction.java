package nursery.core.log;

import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.Window;
import nursery.core.log.CupState.Upon;
import nursery.core.surface.Cell;
import nursery.core.surface.Doing;
import nursery.core.technique.Caution;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * The one thing a cup needs next.
 *
 * @param kind do the step itself, or something else first so that it may be done
 * @param step the step of the plan it leads to
 * @param first what is to be done before it; empty where nothing is, or where nothing would mend it
 * @param window when it may be done
 * @param rests what of the table the window rests on; empty where nothing is to be waited for
 * @param why the same in a sentence
 * @param upon the work the window rests on, if it is one
 * @param isWet whether it is work on what is still wet, which must have ended when its window closes
 * @param ifMissed what follows if the window closes, empty if it does not close
 * @param sureFrom when it is certain rather than likely, for sanding
 * @param gripsUntil until when it grips well, for a coat straight on; after it less, until the window closes
 */
public record NextAction(
        Kind kind,
        PlanStep step,
        Optional<Doing> first,
        Window window,
        Optional<Cell> rests,
        String why,
        Optional<Upon> upon,
        boolean isWet,
        Optional<String> ifMissed,
        Optional<Instant> sureFrom,
        Optional<Instant> gripsUntil) {

    public enum Kind {
        STEP,
        /** The coat below is scuffed, and the step follows. */
        SCUFF_FIRST,
        /** The plan lacks a step that has to come before this one. */
        SOMETHING_FIRST
    }

    /** How the action stands to its window. */
    public enum Readiness {
        WAITING,
        OPEN,
        CLOSED
    }

    public Readiness readinessAt(Instant now) {
        if (!window.hasOpenedBy(now)) {
            return Readiness.WAITING;
        }
        return window.hasClosedBy(now) ? Readiness.CLOSED : Readiness.OPEN;
    }

    /** Whether it may still be done, but would have gripped better before. */
    public boolean isFadingAt(Instant now) {
        return gripsUntil.filter(until -> !now.isBefore(until)).isPresent() && readinessAt(now) == Readiness.OPEN;
    }

    /** What to call it on a bench. */
    public String title() {
        return switch (kind) {
            case STEP -> step.titleAndPlace();
            case SCUFF_FIRST -> "Scuff, then " + decapitalise(step.titleAndPlace());
            case SOMETHING_FIRST ->
                firstStep()
                        .map(kind -> kind.title() + ", then " + decapitalise(step.titleAndPlace()))
                        .orElseGet(() -> "Not like this: " + decapitalise(step.titleAndPlace()));
        };
    }

    /** The step the plan lacks, where it is one. */
    public Optional<StepKind> firstStep() {
        return kind == Kind.SOMETHING_FIRST ? first.flatMap(Doing::step) : Optional.empty();
    }

    /** How it is done here. */
    public String how() {
        return switch (kind) {
            case STEP -> step.detail();
            case SCUFF_FIRST -> "Lightly, 220 grit, until it is dull all over; no deeper. Wash off the dust, dry.";
            case SOMETHING_FIRST -> "";
        };
    }

    public Caution caution() {
        return switch (kind) {
            case STEP -> step.caution(isWet);
            case SCUFF_FIRST -> Caution.DUST;
            case SOMETHING_FIRST -> firstStep().map(StepKind::caution).orElse(Caution.NONE);
        };
    }

    private static String decapitalise(String title) {
        return Character.toLowerCase(title.charAt(0)) + title.substring(1);
    }
}

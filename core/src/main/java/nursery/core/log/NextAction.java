package nursery.core.log;

import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.Window;
import nursery.core.technique.Caution;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/**
 * The one thing a cup needs next.
 *
 * @param kind do the step itself, or scuff first so that it may be done
 * @param step the step of the plan it leads to
 * @param waiting what it waits for: the step's own wait, unless what should dry before it was left out
 * @param window when it may be done
 * @param why what the window rests on
 * @param ifMissed what follows if the window closes, empty if it does not close
 * @param sureFrom when it is certain rather than likely, for sanding
 * @param gripsUntil until when it grips well, for a coat straight on; after it less, until the window closes
 */
public record NextAction(
        Kind kind,
        PlanStep step,
        Wait waiting,
        Window window,
        String why,
        Optional<String> ifMissed,
        Optional<Instant> sureFrom,
        Optional<Instant> gripsUntil) {

    public enum Kind {
        STEP,
        SCUFF_FIRST
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
        return kind == Kind.SCUFF_FIRST ? "Scuff, then " + decapitalise(step.title()) : step.title();
    }

    /** How it is done here. */
    public String how() {
        return kind == Kind.SCUFF_FIRST
                ? "Lightly, 220 grit, until it is dull all over; no deeper. Wash off the dust, dry."
                : step.detail();
    }

    public Caution caution() {
        return kind == Kind.SCUFF_FIRST ? Caution.DUST : step.caution();
    }

    private static String decapitalise(String title) {
        return Character.toLowerCase(title.charAt(0)) + title.substring(1);
    }
}

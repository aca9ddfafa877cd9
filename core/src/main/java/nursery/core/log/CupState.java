package nursery.core.log;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.film.CoatRole;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.technique.StepKind;

/**
 * A cup as it is at one moment. Computed, never stored.
 *
 * @param done     the entry that did each step, by step number
 * @param coats    the coats on it, oldest first
 * @param next     what to do next; empty once the plan is finished
 * @param texture  what the decoration feels like under no coat
 * @param hold     the spindle it is on, if any
 * @param lastDoneAt when its newest work was done, or the cup was started
 * @param concerns what the log shows was done against the label or practice
 */
public record CupState(Map<Integer, LogEntry> done, List<CoatOnCup> coats, Optional<NextAction> next,
        Texture texture, Optional<SpindleHold> hold, Instant lastDoneAt, List<Concern> concerns) {

    public CupState {
        done = Map.copyOf(done);
        coats = List.copyOf(coats);
        concerns = List.copyOf(concerns);
    }

    public Optional<CoatOnCup> newestCoat() {
        return coats.isEmpty() ? Optional.empty() : Optional.of(coats.get(coats.size() - 1));
    }

    public boolean isFinished() {
        return next.isEmpty();
    }

    /** When every coat on the cup has reached full cure; only meaningful as a promise once no coat is left to pour. */
    public Optional<Instant> fullCureAt() {
        return coats.stream().map(coat -> coat.times().fullCureAt()).max(Instant::compareTo);
    }

    /** Coats over the decoration. */
    public int clearCoats() {
        return (int) coats.stream().filter(coat -> coat.step().kind().isClearCoat()).count();
    }

    /** What a coat in this role needs on the cup as it is. */
    public Share share(CupFile file, CoatRole role) {
        return Share.of(file.blank(), role, texture, clearCoats());
    }

    /** A spindle taken, and from when the coat on it may come off. */
    public record SpindleHold(Spindle spindle, Instant since, Instant mayComeOffAt) {}

    /** Something done against the label or practice: what, and what to make of it. */
    public record Concern(long entryId, StepKind kind, String message) {}
}

package nursery.core.log;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.film.CoatRole;
import nursery.core.film.Share;
import nursery.core.technique.Layers;
import nursery.core.technique.Rule;

/**
 * A cup as it is at one moment. Computed, never stored.
 *
 * @param done     the entry that did each step, by step number
 * @param coats    the coats on it, oldest first
 * @param next     what to do next; empty once the plan is finished
 * @param layers   what lies on it
 * @param hold     the spindle it is on, if any
 * @param lastDoneAt when its newest work was done, or the cup was started
 * @param handedOverAt when it went to its owner, if it has
 * @param concerns what the log shows was done against the label or practice
 */
public record CupState(Map<Integer, LogEntry> done, List<CoatOnCup> coats, Optional<NextAction> next,
        Layers layers, Optional<SpindleHold> hold, Instant lastDoneAt, Optional<Instant> handedOverAt, List<Concern> concerns) {

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
        return layers.clearCoats();
    }

    /** What a coat in this role needs on the cup as it is. */
    public Share share(CupFile file, CoatRole role) {
        return Share.of(file.blank(), role, layers.texture(), clearCoats());
    }

    /** A spindle taken, and from when the coat on it may come off. */
    public record SpindleHold(Spindle spindle, Instant since, Instant mayComeOffAt) {}

    /**
     * Something done against the label or practice.
     *
     * @param about the step it was about
     * @param rule  the rule it breaks, if it is one of the craft's
     */
    public record Concern(long entryId, String about, Optional<Rule> rule, String message) {}
}

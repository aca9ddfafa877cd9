package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.core.film.Carrier;
import nursery.core.film.Onto;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.film.Way;
import nursery.core.surface.Cell;
import nursery.core.surface.Place;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;

/**
 * A cup as it is at one moment. Computed, never stored.
 *
 * @param done the entry that did each step, by step number
 * @param coats the coats on it, oldest first
 * @param next what to do next; empty once the plan is finished
 * @param on what lies on it
 * @param hold the spindle it is on, if any
 * @param lastDoneAt when its newest work was logged, or the cup was started: a coat when it was poured, other work when
 *     it was finished
 * @param lastEndedAt when hands were off that work: what dries, dries from then on
 * @param lastSeenAt when the newest entry of its log happened, or the cup was started
 * @param gone how and when it left the bench, if it has
 * @param concerns what the log shows was done against the label or practice
 * @param otherwise what of the table it was done against or in another school's way, told or not
 */
public record CupState(
        Map<Integer, LogEntry> done,
        List<CoatOnCup> coats,
        Optional<NextAction> next,
        OnTheCup on,
        Optional<SpindleHold> hold,
        Instant lastDoneAt,
        Instant lastEndedAt,
        Instant lastSeenAt,
        Optional<Gone> gone,
        List<Concern> concerns,
        Set<Cell> otherwise) {

    /** A finished cup stays on the floor so long after its full cure; from memory. */
    public static final Duration STAYS_AFTER_FULL_CURE = Duration.ofDays(14);

    public CupState {
        done = Map.copyOf(done);
        coats = List.copyOf(coats);
        concerns = List.copyOf(concerns);
        otherwise = Set.copyOf(otherwise);
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

    /**
     * When a cup with no step left may be handed over: at full cure, and not before the last of its work; empty while
     * steps are left.
     */
    public Optional<Instant> readyAt() {
        return isFinished()
                ? Optional.of(fullCureAt().filter(lastDoneAt::isBefore).orElse(lastDoneAt))
                : Optional.empty();
    }

    /**
     * From when it is no longer on the floor: gone, or finished and fully cured for long; empty while there is work on
     * it.
     */
    public Optional<Instant> leavesAt() {
        return gone.map(left -> left.mark().happenedAt()).or(() -> readyAt()
                .map(ready -> (ready.isAfter(lastSeenAt) ? ready : lastSeenAt).plus(STAYS_AFTER_FULL_CURE)));
    }

    public Optional<Instant> handedOverAt() {
        return gone.filter(left -> left.how() == LogEntry.Kind.HANDED_OVER)
                .map(left -> left.mark().happenedAt());
    }

    /** Whether glitter was laid on it. */
    public boolean hasGlitter() {
        return on.surface().texture() != Texture.SMOOTH;
    }

    /** Coats over the decoration. */
    public int clearCoats() {
        return on.surface().coatsOverTexture();
    }

    /** What a coat needs on the cup as it is, or what was decided for it; never more than stays there. */
    public Share share(Cup cup, PlanStep coat, Carrier carrier) {
        Place place = Place.on(coat, cup.blank());
        Share share = Share.of(
                cup.blank(),
                cup.blankFor(coat),
                coat.role().orElseThrow(),
                new Onto(
                        on.surface().texture(place),
                        on.surface().coatsOverTexture(place),
                        on.surface().below(place)),
                Way.generous(cup.schools().has(School.FEW_GENEROUS)),
                cup.labelFor(coat),
                carrier);
        return coat.amountMl().isPresent() ? share.decidedTo(coat.amountMl().getAsDouble()) : share;
    }

    /**
     * What a coat to come is carried by: hands or a hook if that is how it is done, the spindle the cup turns on
     * already, or of all there are the slowest, so that it stays wherever it is put.
     */
    public Carrier carrier(Cup cup, PlanStep coat, List<Spindle> spindles, double roomC) {
        if (!cup.turns(coat)) {
            return cup.hangs(coat) ? Carrier.hung(roomC) : Carrier.hand(roomC);
        }
        return Carrier.spindle(
                hold.flatMap(held ->
                                spindles.stream().filter(held.spindle()::equals).findFirst())
                        .map(Spindle::rpm)
                        .or(() -> spindles.stream().map(Spindle::rpm).min(Comparator.naturalOrder()))
                        .orElse(Carrier.USUAL_RPM),
                roomC);
    }

    /** A spindle taken, and from when the coat on it may come off. */
    public record SpindleHold(Spindle spindle, Instant since, Instant mayComeOffAt) {}

    /** The newest work on a cup when something was done to it. */
    public record Upon(String what, Instant at) {}

    /** The newest step that was done and not left out. */
    public Optional<Upon> newestWork(Cup cup) {
        return done.values().stream()
                .filter(entry -> entry.kind() != LogEntry.Kind.SKIPPED)
                .max(Comparator.comparing((LogEntry entry) -> entry.mark().happenedAt())
                        .thenComparing(entry -> entry.mark().id()))
                .flatMap(entry -> cup.find(((LogEntry.OfStep) entry).step())
                        .map(step -> new Upon(step.titleAndPlace(), entry.mark().happenedAt())));
    }

    /** How a cup left the bench: handed over, or abandoned. */
    public record Gone(LogEntry.Kind how, Mark mark) {}

    /**
     * Something done against the label or practice.
     *
     * @param key names the question among those that can be asked about one entry
     * @param about the step it was about
     * @param upon what it was done on; empty where it is about the whole cup
     * @param cell what of the table it breaks, if it does
     * @param bound when it would have been right from, or until when it was; empty where time would not have helped
     * @param isOver whether it came after that moment and not before
     * @param isAdvice whether it is only worth knowing, and no reason to ask back
     */
    public record Concern(
            long entryId,
            String key,
            String about,
            Optional<Upon> upon,
            Optional<Cell> cell,
            Optional<Instant> bound,
            boolean isOver,
            boolean isAdvice,
            String message) {}
}

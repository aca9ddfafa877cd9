package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Film;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LogEntry.OfStep;
import nursery.core.log.LogEntry.Poured;
import nursery.core.measure.Numbers;
import nursery.core.surface.Surface;
import nursery.core.technique.PlanStep;

/**
 * The legal moves of a cup: which entry may follow which state. A refusal is for what cannot have happened or would
 * make the log contradict itself; a concern is for what did happen but goes against the label or practice, because a
 * log that refuses the truth is worth nothing.
 *
 * <table>
 * <caption>Moves</caption>
 * <tr><th>move</th><th>allowed when</th></tr>
 * <tr><td>do a step</td><td>it is the first step not done, and is not a coat</td></tr>
 * <tr><td>pour a coat</td><td>it is the first step not done, and is a coat</td></tr>
 * <tr><td>leave a step out</td><td>it is the first step not done, and a reason is given</td></tr>
 * <tr><td>see faults</td><td>what was seen is said</td></tr>
 * <tr><td>hand over</td><td>no step is left, and it is not handed over yet</td></tr>
 * <tr><td>abandon</td><td>a reason is given</td></tr>
 * <tr><td>open again</td><td>it has left the bench, or no step is left</td></tr>
 * <tr><td>touch</td><td>there is a coat, poured before</td></tr>
 * <tr><td>scuff</td><td>there is a coat that is not scuffed yet</td></tr>
 * <tr><td>take off the turner</td><td>it is on a spindle</td></tr>
 * <tr><td>note</td><td>always</td></tr>
 * <tr><td>cancel</td><td>the entry stands, and all that came after is still legal without it</td></tr>
 * </table>
 *
 * <p>Nothing is done to a cup that has left the bench until it is opened again.
 */
public final class LegalMoves {

    /** A tablet's clock may run a little ahead of the shop's. */
    private static final Duration CLOCK_SLACK = Duration.ofMinutes(1);
    /** Nothing this thick stays on a turning cup; a larger figure is a slip. */
    private static final double THICKEST_FILM_MM = 3;

    /** How a step is logged. */
    private enum Way {
        WORKED,
        POURED,
        SKIPPED
    }

    private LegalMoves() {}

    /** Why an entry cannot follow this state, or empty if it can. */
    public static Optional<Refusal> refusalOf(CupState state, Cup cup, LogEntry entry, Instant now) {
        Instant at = entry.mark().happenedAt();
        if (at.isAfter(now.plus(CLOCK_SLACK))) {
            return Refusal.of("at", "That time is still to come: log what has happened, when it has happened.");
        }
        if (state.gone().isPresent() && isWork(entry.kind())) {
            return Refusal.of("step", "The cup has left the bench: open it again first.");
        }
        if (state.on().isFull() && laysOrTouches(entry.kind())) {
            return Refusal.of(
                    "step",
                    "%d things were done to this cup: no more can be followed. Give it up, and start it as a new one."
                            .formatted(Surface.MOST_WORKS));
        }
        return switch (entry.kind()) {
            case DONE -> step(state, cup, ((OfStep) entry).step(), at, Way.WORKED);
            case POURED ->
                step(state, cup, ((OfStep) entry).step(), at, Way.POURED).or(() -> amount(cup, (Poured) entry));
            case SKIPPED ->
                step(state, cup, ((OfStep) entry).step(), at, Way.SKIPPED)
                        .or(() -> saidWhy(entry, "Say in a few words why the step is left out."));
            case HANDED_OVER -> handOver(state, at);
            case ABANDONED -> tooEarly(state, at).or(() -> saidWhy(entry, "Say in a few words why it is given up."));
            case REOPENED ->
                Refusal.unless(
                                state.gone().isPresent() || state.isFinished(),
                                "step",
                                "The cup is on the bench already.")
                        .or(() -> tooEarly(state, at));
            case TOUCHED ->
                Refusal.unless(
                        state.newestCoat()
                                .filter(coat -> !at.isBefore(coat.times().pouredAt()))
                                .isPresent(),
                        "step",
                        "There was no coat to touch then.");
            case FAULTS_SEEN -> tooEarly(state, at).or(() -> sawSomething(state, (LogEntry.FaultsSeen) entry));
            case SCUFFED ->
                tooEarly(state, at)
                        .or(() -> Refusal.unless(
                                state.newestCoat().map(coat -> !coat.scuffed()).orElse(false),
                                "step",
                                "There is no coat to scuff, or it is scuffed already."));
            case TAKEN_OFF ->
                tooEarly(state, at)
                        .or(() -> Refusal.unless(state.hold().isPresent(), "step", "The cup is not on a spindle."));
            case NOTED, REMEDY_CHOSEN, CAUSE_KNOWN, CANCELLED -> Optional.empty();
        };
    }

    /**
     * Whether an entry tells of a moment without anything building on it, so that it may be written down after what
     * came later: it is judged by what had happened until its own moment.
     */
    public static boolean mayComeBetween(LogEntry.Kind kind) {
        return switch (kind) {
            case FAULTS_SEEN, TOUCHED, SCUFFED, TAKEN_OFF, NOTED, REMEDY_CHOSEN, CAUSE_KNOWN -> true;
            case DONE, POURED, SKIPPED, HANDED_OVER, ABANDONED, REOPENED, CANCELLED -> false;
        };
    }

    /** What a log that is full takes no more of. */
    private static boolean laysOrTouches(LogEntry.Kind kind) {
        return kind == LogEntry.Kind.DONE || kind == LogEntry.Kind.POURED || kind == LogEntry.Kind.SCUFFED;
    }

    /** Whether an entry says that something was done to the cup, which must be on the bench for it. */
    private static boolean isWork(LogEntry.Kind kind) {
        return switch (kind) {
            case DONE, POURED, SKIPPED, FAULTS_SEEN, ABANDONED, SCUFFED, TOUCHED, TAKEN_OFF -> true;
            case HANDED_OVER, REOPENED, NOTED, REMEDY_CHOSEN, CAUSE_KNOWN, CANCELLED -> false;
        };
    }

    private static Optional<Refusal> handOver(CupState state, Instant at) {
        return tooEarly(state, at)
                .or(() -> Refusal.unless(
                        state.isFinished(),
                        "step",
                        "The cup is not finished: its next step is %s."
                                .formatted(state.next().map(NextAction::title).orElse(""))))
                .or(() -> Refusal.unless(state.gone().isEmpty(), "step", "The cup is handed over already."));
    }

    private static Optional<Refusal> sawSomething(CupState state, LogEntry.FaultsSeen entry) {
        return entry.sightings().isEmpty()
                ? saidWhy(entry, "Say in a few words what was seen.")
                : Refusal.unless(
                        state.newestCoat().isPresent()
                                || state.hasGlitter()
                                        && entry.sightings().stream()
                                                .allMatch(one -> one.fault().isOfGlitter()),
                        "seen",
                        "No coat was on this cup then that could show it: write a note instead.");
    }

    private static Optional<Refusal> saidWhy(LogEntry entry, String otherwise) {
        return Refusal.unless(!entry.mark().note().isBlank(), "note", otherwise);
    }

    /** Why a log cannot stand as a whole, or empty if it can: the first entry that could not have followed. */
    public static Optional<Refusal> refusalOf(Cup cup, RoomCourse room, Instant now) {
        List<LogEntry> happened = cup.happened();
        for (int i = 0; i < happened.size(); i++) {
            LogEntry entry = happened.get(i);
            CupState before =
                    cup.withLog(happened.subList(0, i)).at(room, entry.mark().happenedAt());
            Optional<Refusal> refusal = refusalOf(before, cup, entry, now);
            // A coat that never was left nothing on a spindle: that it came off one says nothing against the log.
            if (refusal.isPresent() && entry.kind() != LogEntry.Kind.TAKEN_OFF) {
                return refusal;
            }
        }
        return Optional.empty();
    }

    /** What is questionable about an entry that can follow this state. */
    public static List<Concern> concernsAbout(CupState state, Cup cup, LogEntry entry) {
        return Concerns.about(state.on(), cup, entry).told();
    }

    private static Optional<Refusal> step(CupState state, Cup cup, int number, Instant at, Way way) {
        Optional<PlanStep> found = cup.find(number);
        if (found.isEmpty()) {
            return Refusal.of("step", "This cup's plan has no step %d.".formatted(number));
        }
        PlanStep step = found.get();
        LogEntry doneBy = state.done().get(number);
        if (doneBy != null) {
            return Optional.of(
                    new Refusal("step", "%s is already logged.".formatted(step.title()), Optional.of(doneBy.mark())));
        }
        if (way != Way.SKIPPED && step.kind().isPour() != (way == Way.POURED)) {
            return Refusal.of(
                    "step",
                    "%s %s."
                            .formatted(
                                    step.title(),
                                    way == Way.POURED ? "is not a coat" : "is a coat: log it with its amount"));
        }
        PlanStep expected = state.next().orElseThrow().step();
        return expected.number() == number
                ? tooEarly(state, at)
                : Refusal.of(
                        "step",
                        "%s comes after %s, which is not logged yet.".formatted(step.title(), expected.title()));
    }

    /** No more than this can be meant to go on a cup in one coat, wherever it goes. */
    public static double mostMl(Cup cup) {
        return Film.volumeMl(THICKEST_FILM_MM, cup.blank().area().coatedCm2());
    }

    private static Optional<Refusal> amount(Cup cup, Poured pour) {
        double areaCm2 =
                cup.find(pour).map(cup::blankFor).orElse(cup.blank()).area().coatedCm2();
        double mostMl = Film.volumeMl(THICKEST_FILM_MM, areaCm2);
        return Refusal.unless(
                pour.amountMl() > 0 && pour.amountMl() <= mostMl,
                "amount",
                "%s ml cannot be right on %s cm²: enter more than 0 and at most %s ml, a film of %s mm."
                        .formatted(
                                Numbers.show(pour.amountMl(), 2),
                                Numbers.show(areaCm2, 0),
                                Numbers.show(mostMl, 0),
                                Numbers.show(THICKEST_FILM_MM)));
    }

    /** An entry cannot lie before the work it builds on. */
    private static Optional<Refusal> tooEarly(CupState state, Instant at) {
        Optional<Instant> left = state.gone().map(gone -> gone.mark().happenedAt());
        Instant earliest = left.filter(state.lastDoneAt()::isBefore).orElse(state.lastDoneAt());
        if (!at.isBefore(earliest)) {
            return Optional.empty();
        }
        String message = left.isPresent()
                ? "That is before the cup left the bench."
                : "That is before the step it builds on was done.";
        return Optional.of(new Refusal("at", message, Optional.empty(), Optional.of(earliest)));
    }
}

package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Film;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LogEntry.Cancelled;
import nursery.core.log.LogEntry.Noted;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.Scuffed;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.log.LogEntry.TakenOff;
import nursery.core.measure.Numbers;
import nursery.core.measure.VolumeUnit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

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
 * <tr><td>scuff</td><td>there is a coat that is not scuffed yet</td></tr>
 * <tr><td>take off the turner</td><td>it is on a spindle</td></tr>
 * <tr><td>note</td><td>always</td></tr>
 * <tr><td>cancel</td><td>the entry stands, and all that came after is still legal without it</td></tr>
 * </table>
 */
public final class LegalMoves {

    /** A tablet's clock may run a little ahead of the shop's. */
    private static final Duration CLOCK_SLACK = Duration.ofMinutes(1);
    /** Nothing this thick stays on a turning cup; a larger figure is a slip. */
    private static final double THICKEST_FILM_MM = 3;

    private LegalMoves() {}

    /** Why an entry cannot follow this state, or empty if it can. */
    public static Optional<Refusal> refusalOf(CupState state, CupFile file, LogEntry entry, Instant now) {
        Instant at = entry.mark().happenedAt();
        if (at.isAfter(now.plus(CLOCK_SLACK))) {
            return Refusal.of("at", "That time is still to come: log what has happened, when it has happened.");
        }
        if (entry instanceof StepDone step) {
            return step(state, file, step.step(), at, false);
        }
        if (entry instanceof Poured pour) {
            return step(state, file, pour.step(), at, true).or(() -> amount(file, pour));
        }
        if (entry instanceof Scuffed) {
            return tooEarly(state, at).or(() -> Refusal.unless(state.newestCoat().map(coat -> !coat.scuffed()).orElse(false),
                    "step", "There is no coat to scuff, or it is scuffed already."));
        }
        if (entry instanceof TakenOff) {
            return tooEarly(state, at).or(() -> Refusal.unless(state.hold().isPresent(), "step", "The cup is not on a spindle."));
        }
        return entry instanceof Noted || entry instanceof Cancelled ? Optional.empty() : Refusal.of("step", "Unknown entry.");
    }

    /** Why a log cannot stand as a whole, or empty if it can: the first entry that could not have followed. */
    public static Optional<Refusal> refusalOf(CupFile file, RoomCourse room, Instant now) {
        List<LogEntry> happened = file.happened();
        for (int i = 0; i < happened.size(); i++) {
            LogEntry entry = happened.get(i);
            CupState before = CupFold.stateOf(file.withLog(happened.subList(0, i)), room, entry.mark().happenedAt());
            Optional<Refusal> refusal = refusalOf(before, file, entry, now);
            if (refusal.isPresent()) {
                return refusal;
            }
        }
        return Optional.empty();
    }

    /** What is questionable about an entry that can follow this state. */
    public static List<Concern> concernsAbout(CupState state, CupFile file, LogEntry entry) {
        List<String> messages = new ArrayList<>();
        if (entry instanceof StepDone done) {
            timing(state, file.step(done.step()), done.mark().happenedAt(), messages);
        } else if (entry instanceof Poured pour) {
            timing(state, file.step(pour.step()), pour.mark().happenedAt(), messages);
        } else if (entry instanceof Scuffed scuffed) {
            state.newestCoat().filter(coat -> scuffed.mark().happenedAt().isBefore(coat.times().sandableFrom()))
                    .ifPresent(coat -> messages.add("Scuffed before the coat was sandable: it gums the paper and drags."));
        }
        StepKind kind = state.next().map(next -> next.step().kind()).orElse(StepKind.FINISH);
        return messages.stream().map(message -> new Concern(entry.mark().id(), kind, message)).toList();
    }

    private static void timing(CupState state, PlanStep step, Instant at, List<String> messages) {
        NextAction next = state.next().filter(action -> action.step().number() == step.number()).orElse(null);
        if (next == null) {
            return;
        }
        if (next.kind() == NextAction.Kind.SCUFF_FIRST) {
            boolean required = state.newestCoat().map(coat -> !at.isBefore(coat.times().scuffAfter())).orElse(false);
            messages.add(required ? "Poured on a coat that needed scuffing: it will not grip and may peel."
                    : "Poured after the tack window closed, without scuffing: it may not grip.");
        } else if (!next.window().hasOpenedBy(at)) {
            messages.add(early(step.kind()));
        } else if (next.window().hasClosedBy(at)) {
            messages.add("%s after its window closed. %s".formatted(step.kind().title(), next.ifMissed().orElse("")).strip());
        }
    }

    private static String early(StepKind kind) {
        if (kind.isSanding()) {
            return "Sanded before the coat was sandable: it gums the paper and tears.";
        }
        return kind.isPour() ? "Poured before the layer below was ready: it can trap solvent, sag or stay soft."
                : kind.title() + " before its wait was over.";
    }

    private static Optional<Refusal> step(CupState state, CupFile file, int number, Instant at, boolean asPour) {
        if (number < 1 || number > file.plan().size()) {
            return Refusal.of("step", "This cup's plan has no step %d.".formatted(number));
        }
        PlanStep step = file.step(number);
        LogEntry doneBy = state.done().get(number);
        if (doneBy != null) {
            return Optional.of(new Refusal("step", "%s is already logged.".formatted(step.kind().title()), Optional.of(doneBy.mark())));
        }
        if (step.kind().isPour() != asPour) {
            return Refusal.of("step", "%s %s.".formatted(step.kind().title(), asPour ? "is not a coat" : "is a coat: log it with its amount"));
        }
        PlanStep expected = state.next().orElseThrow().step();
        return expected.number() == number ? tooEarly(state, at)
                : Refusal.of("step", "%s comes after %s, which is not logged yet.".formatted(step.kind().title(), expected.kind().title()));
    }

    private static Optional<Refusal> amount(CupFile file, Poured pour) {
        double areaCm2 = file.blank().area().coatedCm2();
        double mostMl = Film.volumeMl(THICKEST_FILM_MM, areaCm2);
        return Refusal.unless(pour.amountMl() > 0 && pour.amountMl() <= mostMl, "amount",
                "%s cannot be right on %s cm²: enter more than 0 and at most %s (%s), a film of %s mm.".formatted(VolumeUnit.ML.show(pour.amountMl()),
                        Numbers.show(areaCm2, 0), VolumeUnit.ML.show(mostMl), VolumeUnit.FL_OZ.show(mostMl), Numbers.show(THICKEST_FILM_MM)));
    }

    /** An entry cannot lie before the work it builds on. */
    private static Optional<Refusal> tooEarly(CupState state, Instant at) {
        Instant earliest = state.lastDoneAt();
        if (!at.isBefore(earliest)) {
            return Optional.empty();
        }
        String message = state.done().isEmpty() ? "That is before the cup was started." : "That is before the step it builds on was done.";
        return Optional.of(new Refusal("at", message, Optional.empty(), Optional.of(earliest)));
    }
}

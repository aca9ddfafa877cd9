package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.technique.PlanStep;

/**
 * The steps still to come, each at the first moment its window and the maker's quiet hours allow, played through on the
 * same fold that reads the real log. What closes in the quiet hours is shown as it will then be: scuffed first, or done
 * late.
 */
public final class Ahead {

    private static final Duration SCUFFING = Duration.ofMinutes(10);
    /** Work not seen in a log has no number of its own. */
    private static final long NO_ENTRY = 0;

    private Ahead() {}

    /**
     * A step to come.
     *
     * @param at when it is expected
     * @param scuffFirst whether its window will have closed, so that the coat below is scuffed first
     * @param late whether its window will have closed and nothing mends that
     * @param waitsForMaker whether it could be done earlier but for the quiet hours
     */
    public record Expected(PlanStep step, Instant at, boolean scuffFirst, boolean late, boolean waitsForMaker) {}

    public static List<Expected> of(Cup cup, RoomCourse room, Instant now, QuietHours quiet) {
        CupFold fold = CupFold.of(cup, room);
        List<Expected> ahead = new ArrayList<>();
        Instant free = now;
        for (Optional<NextAction> next = fold.stateAt(free).next();
                next.isPresent();
                next = fold.stateAt(free).next()) {
            NextAction action = next.get();
            Instant opens = action.kind() == NextAction.Kind.SOMETHING_FIRST
                    ? later(action.window().opensAt(), fold.opens(action.step()))
                    : action.window().opensAt();
            Instant possible = later(free, opens);
            Instant at = action.step().handsOnMinutes() == 0 ? possible : quiet.nextAwake(possible);
            // The window may close while the maker sleeps: ask again as it will be then.
            NextAction then = fold.stateAt(at).next().orElseThrow();
            if (then.kind() == NextAction.Kind.SCUFF_FIRST) {
                at = quiet.nextAwake(later(at, then.window().opensAt())).plus(SCUFFING);
                fold.add(LogEntry.scuffed(mark(at)));
            }
            Instant ends = at.plus(Duration.ofMinutes(action.step().handsOnMinutes()));
            boolean wet = action.isWet();
            ahead.add(new Expected(
                    action.step(),
                    at,
                    then.kind() == NextAction.Kind.SCUFF_FIRST,
                    then.kind() == NextAction.Kind.SOMETHING_FIRST || tooLate(then, wet ? ends : at, wet),
                    at.isAfter(possible)));
            fold.add(
                    action.step().kind().isPour()
                            ? new LogEntry.Poured(
                                    mark(at),
                                    action.step().number(),
                                    onPaperMl(cup, action.step(), fold.stateAt(at), room.temperatureCAt(at)),
                                    Optional.empty())
                            : new LogEntry.StepDone(mark(ends), action.step().number()));
            free = ends;
        }
        return List.copyOf(ahead);
    }

    /** No spindle is chosen on paper; nor does anything ahead hang by the amount. */
    private static double onPaperMl(Cup cup, PlanStep coat, CupState state, double roomC) {
        return state.share(cup, coat, state.carrier(cup, coat, List.of(), roomC))
                .suggestedMl();
    }

    /** Work on a wet coat must have ended when its window closes; all other need only have begun before. */
    private static boolean tooLate(NextAction action, Instant at, boolean inclusive) {
        return action.window()
                .closesAtExclusive()
                .filter(closes -> inclusive ? at.isAfter(closes) : !at.isBefore(closes))
                .isPresent();
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Mark mark(Instant at) {
        return new Mark(NO_ENTRY, at, at, "", "");
    }
}

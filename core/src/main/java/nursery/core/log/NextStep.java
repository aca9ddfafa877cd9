package nursery.core.log;

import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Window;
import nursery.core.log.NextAction.Kind;
import nursery.core.measure.Numbers;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/** Turns a step's wait into a window, from what has happened so far. */
final class NextStep {

    private NextStep() {}

    /**
     * @param newest   the newest coat, if any
     * @param lastDone when the step before was done, or the cup was started
     */
    static NextAction of(PlanStep step, Optional<CoatOnCup> newest, Instant lastDone, Instant now) {
        Wait waiting = step.waiting();
        if (waiting instanceof Wait.Dry dry) {
            return doIt(step, Window.from(lastDone.plus(dry.atLeast())), "Dry for %d min first.".formatted(dry.atLeast().toMinutes()));
        }
        if (newest.isEmpty() || waiting instanceof Wait.None) {
            return doIt(step, Window.from(lastDone), "Nothing to wait for.");
        }
        CoatOnCup coat = newest.get();
        CoatTimes times = coat.times();
        if (waiting instanceof Wait.Settle settle) {
            Instant opens = times.pouredAt().plus(settle.atLeast());
            Instant closes = times.workableUntil();
            return new NextAction(Kind.STEP, step, closes.isAfter(opens) ? Window.between(opens, closes) : Window.from(opens),
                    "The adhesive settles %d min, then takes glitter while it is workable.".formatted(settle.atLeast().toMinutes()),
                    Optional.of("The adhesive stops holding: scuff it and spread a new film."), Optional.empty());
        }
        if (waiting instanceof Wait.Age age) {
            return doIt(step, Window.from(times.at(age.hours())), "%s h after the pour at label speed.".formatted(Numbers.show(age.hours())));
        }
        return waiting instanceof Wait.StraightOn ? straightOn(step, coat, now)
                : new NextAction(Kind.STEP, step, Window.from(times.sandableFrom()),
                        "The newest coat must be sandable: dust, not gum, on the paper.", Optional.empty(), Optional.of(times.sandableSure()));
    }

    private static NextAction straightOn(PlanStep step, CoatOnCup coat, Instant now) {
        if (coat.scuffed()) {
            return doIt(step, Window.from(coat.pour().mark().happenedAt()), "The coat below is scuffed: this one will grip.");
        }
        CoatTimes times = coat.times();
        Window tack = times.tackWindow();
        if (!tack.hasClosedBy(now)) {
            return new NextAction(Kind.STEP, step, tack, "Inside the tack window the coat grips straight on: no cleaning, no sanding.",
                    Optional.of("Let it harden, scuff it, then coat."), Optional.empty());
        }
        return new NextAction(Kind.SCUFF_FIRST, step, Window.from(times.sandableFrom()),
                "The tack window has closed: a coat poured now may not grip.",
                Optional.empty(), Optional.of(times.sandableSure()));
    }

    private static NextAction doIt(PlanStep step, Window window, String why) {
        return new NextAction(Kind.STEP, step, window, why, Optional.empty(), Optional.empty());
    }
}

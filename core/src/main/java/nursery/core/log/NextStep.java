package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Window;
import nursery.core.log.NextAction.Kind;
import nursery.core.measure.Numbers;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
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
            return doIt(step, Window.from(lastDone.plus(dry.atLeast())), "Dry for %s first.".formatted(spoken(dry.atLeast())));
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
                    "%s settles %d min, then takes it while it is workable.".formatted(coat.step().kind() == StepKind.ADHESIVE ? "The adhesive" : "The coat", settle.atLeast().toMinutes()),
                    Optional.of(coat.step().kind() == StepKind.ADHESIVE ? "The adhesive stops holding: scuff it and spread a new film." : "The coat takes nothing any more: let it harden, scuff it, pour another."), Optional.empty());
        }
        if (waiting instanceof Wait.Age age) {
            double hours = age.hoursFor(coat.label().times().turningH());
            return doIt(step, Window.from(times.at(hours)), "%s h after the pour at label speed.".formatted(Numbers.show(hours)));
        }
        if (waiting instanceof Wait.Into into) {
            Instant opens = times.pouredAt().plus(into.atLeast());
            Instant closes = times.offTurnerFrom();
            return new NextAction(Kind.STEP, step, closes.isAfter(opens) ? Window.between(opens, closes) : Window.from(opens), "%s into the coat, before it gels.".formatted(spoken(into.atLeast())),
                    Optional.of("The coat gels around the tape and tears with it: cut along the edge before you pull."), Optional.empty());
        }
        if (waiting instanceof Wait.Cured) {
            return doIt(step, Window.from(times.at(coat.label().times().curedH())), "The newest coat must be cured enough to work on.");
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

    private static String spoken(Duration wait) {
        return wait.toMinutes() >= 120 && wait.toMinutes() % 60 == 0 ? wait.toHours() + " h" : wait.toMinutes() + " min";
    }

    private static NextAction doIt(PlanStep step, Window window, String why) {
        return new NextAction(Kind.STEP, step, window, why, Optional.empty(), Optional.empty());
    }
}

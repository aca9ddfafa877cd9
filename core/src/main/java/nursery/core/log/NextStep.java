package nursery.core.log;

import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.CoatMoment;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Window;
import nursery.core.log.NextAction.Kind;
import nursery.core.measure.Numbers;
import nursery.core.technique.Ground;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;

/** Says what a cup needs next: its step's window, why, and what follows if it is missed. */
final class NextStep {

    private static final String NOTHING = "Nothing to wait for.";

    private NextStep() {}

    static NextAction of(PlanStep step, Wait wait, WallClock clock, Instant now) {
        Window window = clock.window(step.kind(), wait);
        if (wait.mayScuffInstead() && window.hasClosedBy(now)) {
            CoatTimes times = clock.newest().orElseThrow().times();
            return new NextAction(
                    Kind.SCUFF_FIRST,
                    step,
                    wait,
                    Window.from(times.sandableFrom()),
                    "Too long since the coat below: unsanded, this one will not grip.",
                    Optional.empty(),
                    Optional.of(times.sandableSure()),
                    Optional.empty());
        }
        Ground ground = Ground.of(step.kind());
        boolean waits = clock.hasCoat() || wait.kind() == Wait.Kind.DRY;
        boolean isForTheCoat = ground.readyFrom(clock) > wait.opens(clock);
        Optional<Instant> sure = clock.newest()
                .filter(coat -> wait.kind() == Wait.Kind.SANDABLE)
                .map(coat -> coat.times().sandableSure());
        Optional<Instant> grips = clock.newest()
                .filter(coat -> wait.mayScuffInstead() && !coat.scuffed())
                .map(coat -> coat.times().at(CoatMoment.RECOAT_UNTIL))
                .filter(window::isOpenAt);
        return new NextAction(
                Kind.STEP,
                step,
                wait,
                window,
                isForTheCoat
                        ? why(ground, onAdhesive(clock))
                        : waits
                                ? why(
                                        wait,
                                        clock,
                                        grips.filter(until -> !now.isBefore(until))
                                                .isPresent())
                                : NOTHING,
                waits ? ifMissed(wait, clock) : Optional.empty(),
                sure,
                grips);
    }

    /** What the coat below is not yet, where a step is held up by that and not by its own wait. */
    private static String why(Ground ground, boolean onAdhesive) {
        return switch (ground) {
            case ANY -> NOTHING;
            case GELLED, CARRIES ->
                onAdhesive
                        ? "The adhesive below must be set first."
                        : ground == Ground.CARRIES
                                ? "The coat below must hold the next one first: on a wet one it sags and stays soft."
                                : "The coat below still runs: what is laid on it sinks and drags.";
            case SANDABLE -> "The newest coat must be sandable: dust, not gum, on the paper.";
            case FIRM -> "The last coat must be firm first: it still takes prints.";
            case CURED -> "The newest coat must be cured enough to work on.";
        };
    }

    private static String why(Wait wait, WallClock clock, boolean fading) {
        return switch (wait.kind()) {
            case NONE -> NOTHING;
            case DRY -> "Dry for %s first.".formatted(wait.span());
            case SETTLE ->
                "%s settles %d min, then takes it while it is workable."
                        .formatted(
                                onAdhesive(clock) ? "The adhesive" : "The coat",
                                wait.atLeast().toMinutes());
            case INTO_COAT -> "%s into the coat, before it gels.".formatted(wait.span());
            case AGE ->
                "%s h after the pour at label speed."
                        .formatted(Numbers.show(wait.hoursFor(clock.coat().turningH())));
            case STRAIGHT_ON ->
                clock.isScuffed()
                        ? "The coat below is scuffed: this one will grip."
                        : fading
                                ? "Straight on still works, but grips less by the hour: a light scuff makes sure."
                                : "Grips straight on: no cleaning, no sanding.";
            case SANDABLE -> "The newest coat must be sandable: dust, not gum, on the paper.";
            case CURED -> "The newest coat must be cured enough to work on.";
        };
    }

    private static Optional<String> ifMissed(Wait wait, WallClock clock) {
        return switch (wait.kind()) {
            case NONE, DRY, AGE, SANDABLE, CURED -> Optional.empty();
            case SETTLE ->
                Optional.of(
                        onAdhesive(clock)
                                ? "The adhesive stops holding: scuff it and spread a new film."
                                : "The coat takes nothing any more: let it harden, scuff it, pour another.");
            case INTO_COAT ->
                Optional.of("The coat gels around the tape and tears with it: cut along the edge before you pull.");
            case STRAIGHT_ON ->
                clock.isScuffed() ? Optional.empty() : Optional.of("Let it harden, scuff it, then coat.");
        };
    }

    private static boolean onAdhesive(WallClock clock) {
        return clock.newest()
                .filter(coat -> coat.step().kind() == StepKind.ADHESIVE)
                .isPresent();
    }
}

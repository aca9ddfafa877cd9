package nursery.app.bench;

import java.time.Instant;
import java.util.Optional;
import nursery.app.cups.CupOnBench;
import nursery.app.picture.CupPicture;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Show;
import nursery.core.cure.Phase;
import nursery.core.film.Share;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;

/**
 * One cup on the bench.
 *
 * @param share what its next coat needs on the cup, if its next step is a coat
 * @param bar   its newest coat and its window, on the scale all cups share
 */
record BenchRow(CupOnBench onBench, CupPicture picture, Optional<NextAction> next, Readiness readiness, Optional<Share> share,
        Optional<Phase> phase, Optional<SpindleHold> comesOff, TimeBar bar) {

    static BenchRow of(CupOnBench cup, TimeBar.Frame frame, Show show) {
        Optional<NextAction> next = cup.state().next();
        Instant now = show.now();
        return new BenchRow(cup, cup.picture(), next, next.map(action -> action.readinessAt(now)).orElse(Readiness.CLOSED),
                next.filter(action -> action.kind() == NextAction.Kind.STEP).flatMap(action -> action.step().role()).map(role -> cup.state().share(cup.file(), role)),
                cup.state().newestCoat().map(coat -> coat.times().phaseAt(now)),
                cup.state().hold().filter(hold -> !hold.mayComeOffAt().isAfter(now)),
                TimeBar.of(frame, cup.state().newestCoat().map(coat -> coat.times()), next.map(NextAction::window)));
    }

    public String phaseStyle() {
        return phase.map(TimeBar::styleOf).orElse("none");
    }

    boolean isNow() {
        return next.isPresent() && readiness != Readiness.WAITING;
    }

    boolean isWaiting() {
        return next.isPresent() && readiness == Readiness.WAITING;
    }

    boolean isFinished() {
        return next.isEmpty();
    }

    /** What closes first comes first; what never closes comes last. */
    Instant closesAt() {
        return next.flatMap(action -> action.window().closesAtExclusive()).orElse(Instant.MAX);
    }

    Instant opensAt() {
        return next.map(action -> action.window().opensAt()).orElse(Instant.MAX);
    }
}

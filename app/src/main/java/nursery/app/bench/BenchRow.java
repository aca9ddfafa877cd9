package nursery.app.bench;

import java.time.Instant;
import java.util.Optional;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Show;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Phase;
import nursery.core.film.Share;
import nursery.core.floor.CupNow;
import nursery.core.floor.CupNow.Stage;
import nursery.core.floor.Floor;
import nursery.core.log.CoatOnCup;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;

/**
 * One cup on the bench.
 *
 * @param share what its next coat needs on the cup, if its next step is a coat
 * @param bar its newest coat and its window, on the scale all cups share
 */
record BenchRow(
        CupNow onBench,
        Stage stage,
        CupPicture picture,
        Optional<NextAction> next,
        Readiness readiness,
        Optional<Share> share,
        Optional<Phase> phase,
        Optional<SpindleHold> comesOff,
        TimeBar bar) {

    static BenchRow of(CupNow cup, Floor floor, TimeBar.Frame frame, Show show) {
        Optional<NextAction> next = cup.state().next();
        Instant now = show.now();
        Optional<CoatTimes> coat = cup.state().newestCoat().map(CoatOnCup::times);
        return new BenchRow(
                cup,
                cup.stage(now),
                Looks.of(cup),
                next,
                next.map(action -> action.readinessAt(now)).orElse(Readiness.CLOSED),
                cup.nextCoat().map(step -> floor.share(cup, step)),
                coat.map(times -> times.phaseAt(now)),
                cup.state().hold().filter(hold -> !hold.mayComeOffAt().isAfter(now)),
                TimeBar.of(frame, coat, next.map(NextAction::window)));
    }

    boolean isNow() {
        return stage == Stage.HANDS;
    }

    boolean isWaiting() {
        return stage == Stage.WAITING;
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

package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.Window;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Ground;
import nursery.core.technique.StepKind;
import nursery.core.technique.Timeline;
import nursery.core.technique.Wait;

/**
 * A cup's time on the wall's clock, in milliseconds of the epoch: its newest coat ages in the room it really has.
 *
 * @param lastDone when the newest work was logged
 * @param lastEnded when hands were off it
 */
record WallClock(Optional<CoatOnCup> newest, Instant lastDone, Instant lastEnded) implements Timeline {

    /** When a step may be done, as far as its wait and the newest coat go. */
    Window window(StepKind kind, Wait wait) {
        double closes = wait.closes(this);
        Instant opens = Instant.ofEpochMilli((long) Ground.opens(kind, wait, this));
        return closes == NEVER ? Window.from(opens) : Window.between(opens, Instant.ofEpochMilli((long) closes));
    }

    @Override
    public boolean hasCoat() {
        return newest.isPresent();
    }

    @Override
    public LabelTimes coat() {
        return newest.orElseThrow().label().times();
    }

    @Override
    public CoatRole role() {
        return newest.orElseThrow().step().role().orElseThrow();
    }

    @Override
    public boolean isScuffed() {
        return newest.filter(CoatOnCup::scuffed).isPresent();
    }

    @Override
    public double atOnce() {
        return lastDone.toEpochMilli();
    }

    @Override
    public double afterWork(Duration wait) {
        return lastEnded.plus(wait).toEpochMilli();
    }

    @Override
    public double intoCoat(Duration wait) {
        return newest.orElseThrow().times().pouredAt().plus(wait).toEpochMilli();
    }

    @Override
    public double atAge(double hours) {
        return newest.orElseThrow().times().at(hours).toEpochMilli();
    }

    @Override
    public double untilAge(Duration opens, double hours) {
        double until = atAge(hours);
        return until > intoCoat(opens) ? until : NEVER;
    }

    @Override
    public double byAge(Duration opens, double hours) {
        return untilAge(opens, hours);
    }
}

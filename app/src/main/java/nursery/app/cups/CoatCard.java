package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Show;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Phase;
import nursery.core.cure.Window;
import nursery.core.log.CoatOnCup;
import nursery.core.log.NextAction;
import nursery.core.log.QuietHours;
import nursery.core.measure.Span;

/**
 * The newest coat as the cup page shows it: its phase, its times, and its time bar.
 *
 * @param meaning what a hand may do to it
 * @param paper whether it may be scuffed
 * @param speed how fast it cures now, relative to label speed
 */
record CoatCard(
        String title,
        Phase phase,
        String style,
        double ageHours,
        double speed,
        double filmMm,
        CoatTimes times,
        Window tack,
        String meaning,
        boolean paper,
        TimeBar bar) {

    private static final Duration LEAD = Duration.ofMinutes(20);
    private static final Duration AHEAD = Duration.ofHours(2);

    static CoatCard of(CoatOnCup coat, Optional<NextAction> next, QuietHours quiet, Show show) {
        CoatTimes times = coat.times();
        Instant now = show.now();
        Phase phase = times.phaseAt(now);
        return new CoatCard(
                coat.step().titleAndPlace(),
                phase,
                TimeBar.styleOf(phase),
                times.ageHoursAt(now),
                times.speedAt(now),
                coat.filmMm(),
                times,
                times.tackWindow(),
                meaning(coat, phase),
                coat.bearsPaper(),
                TimeBar.of(frame(times, quiet, show), Optional.of(times), next.map(NextAction::window)));
    }

    /** What a hand may do to it; on the turner nothing but what its phase says. */
    private static String meaning(CoatOnCup coat, Phase phase) {
        if (phase.compareTo(Phase.TACK) < 0) {
            return phase.meaning();
        }
        if (!coat.bearsPaper()) {
            return "No paper now: what lies open on it would be sanded away.";
        }
        return coat.scuffed() ? "It is sanded: the next coat will grip." : phase.meaning();
    }

    private static TimeBar.Frame frame(CoatTimes times, QuietHours quiet, Show show) {
        Instant now = show.now();
        Instant last = times.sandableSure().isAfter(times.scuffAfter()) ? times.sandableSure() : times.scuffAfter();
        Instant enough = last.plus(AHEAD);
        Instant until = now.plus(AHEAD).isAfter(enough) ? now.plus(AHEAD.multipliedBy(3)) : enough;
        return new TimeBar.Frame(new Span(times.pouredAt().minus(LEAD), until), quiet, show.clock());
    }
}

package nursery.app.mix;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.core.film.Share;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import nursery.core.resin.Resin;
import nursery.core.technique.PlanStep;

/**
 * A coat that could go into a mix.
 *
 * @param resin what it is mixed from
 * @param share what it needs and why
 */
record Candidate(
        CupNow onBench,
        Resin resin,
        PlanStep step,
        Share share,
        Readiness readiness,
        Instant opensAt,
        Optional<Instant> closesAt) {

    /** Cups whose next step is a coat, what can be poured now first. */
    static List<Candidate> among(Floor floor) {
        return floor.cups().stream()
                .flatMap(cup -> of(cup, floor).stream())
                .sorted(Comparator.comparing((Candidate candidate) -> candidate.readiness() == Readiness.WAITING)
                        .thenComparing(candidate -> candidate.closesAt().orElse(Instant.MAX))
                        .thenComparing(Candidate::opensAt))
                .toList();
    }

    private static Optional<Candidate> of(CupNow cup, Floor floor) {
        return cup.nextCoat().map(step -> {
            NextAction next = cup.state().next().orElseThrow();
            return new Candidate(
                    cup,
                    cup.cup().resinFor(step),
                    step,
                    floor.share(cup, step),
                    next.readinessAt(floor.now()),
                    next.window().opensAt(),
                    next.window().closesAtExclusive());
        });
    }

    public CupPicture picture() {
        return Looks.of(onBench);
    }

    public String code() {
        return onBench.code();
    }

    public boolean isDue() {
        return readiness != Readiness.WAITING;
    }

    /** A thin film that may hang needs no turner. */
    public boolean turns() {
        return onBench.cup().turns(step);
    }

    public boolean hangs() {
        return onBench.cup().hangs(step);
    }
}

package nursery.app.mix;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.app.cups.CupOnBench;
import nursery.app.shelf.ShelfResin;
import nursery.core.film.Share;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;

/**
 * A coat that could go into a mix.
 *
 * @param resin what it is mixed from
 * @param share what it needs and why
 */
record Candidate(CupOnBench onBench, ShelfResin resin, PlanStep step, Share share, Readiness readiness, Instant opensAt, Optional<Instant> closesAt) {

    /** Cups whose next step is a coat, what can be poured now first. */
    static List<Candidate> among(List<CupOnBench> cups, Instant now) {
        return cups.stream().flatMap(cup -> of(cup, now).stream())
                .sorted(Comparator.comparing((Candidate candidate) -> candidate.readiness() == Readiness.WAITING)
                        .thenComparing(candidate -> candidate.closesAt().orElse(Instant.MAX)).thenComparing(Candidate::opensAt)).toList();
    }

    private static Optional<Candidate> of(CupOnBench cup, Instant now) {
        return cup.state().next().filter(next -> next.kind() == NextAction.Kind.STEP).flatMap(next -> next.step().role().map(role -> {
            PlanStep step = next.step();
            ShelfResin resin = step.kind() == StepKind.FINISHING_COAT ? cup.cup().last() : cup.cup().base();
            return new Candidate(cup, resin, step, cup.state().share(cup.file(), role), next.readinessAt(now), next.window().opensAt(), next.window().closesAtExclusive());
        }));
    }

    public String code() {
        return onBench.cup().code();
    }

    public boolean isDue() {
        return readiness != Readiness.WAITING;
    }

    public boolean wantsRest() {
        return onBench.cup().schools().has(School.MIX_RESTED);
    }

    /** A thin film that may hang needs no turner. */
    public boolean hangs() {
        return step.kind() == StepKind.ADHESIVE && onBench.cup().schools().has(School.HANG);
    }
}

package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.log.CupState.Concern;
import nursery.core.surface.Bound;
import nursery.core.surface.Bound.Side;
import nursery.core.surface.Cell;
import nursery.core.surface.Doing;
import nursery.core.surface.Opening;
import nursery.core.surface.Opening.Placed;
import nursery.core.technique.DecalFit;
import nursery.core.technique.PlanStep;

/** What is questionable about an entry that can follow what lies on a cup: what the same bounds say that offered it. */
final class Concerns {

    /** Nobody writes down seconds: the whole minute may be meant. */
    private static final Duration A_MINUTE = Duration.ofMinutes(1);

    private final OnTheCup on;
    private final LogEntry entry;
    private final String about;
    private final List<Placed> broken;
    private final List<DecalFit.Misfit> misfits;

    private Concerns(
            OnTheCup on,
            LogEntry entry,
            String about,
            List<Bound> bounds,
            Instant begun,
            List<DecalFit.Misfit> misfits) {
        this.on = on;
        this.entry = entry;
        this.about = about;
        this.misfits = misfits;
        this.broken = Opening.broken(
                bounds,
                begun.toEpochMilli(),
                entry.mark().happenedAt().toEpochMilli(),
                A_MINUTE.toMillis() - 1,
                on.moments());
    }

    static Concerns about(OnTheCup on, Cup cup, LogEntry entry) {
        return switch (entry.kind()) {
            case DONE, POURED -> ofStep(on, cup, entry, cup.step((LogEntry.OfStep) entry));
            case SCUFFED -> outsideThePlan(on, entry, "Scuffed", on.bounds(Doing.SCUFF, cup));
            case HANDED_OVER -> outsideThePlan(on, entry, "Handed over", on.bounds(Doing.HAND_OVER, cup));
            case SKIPPED,
                    FAULTS_SEEN,
                    ABANDONED,
                    REOPENED,
                    TOUCHED,
                    TAKEN_OFF,
                    NOTED,
                    REMEDY_CHOSEN,
                    CAUSE_KNOWN,
                    CANCELLED -> outsideThePlan(on, entry, "", List.of());
        };
    }

    private static Concerns ofStep(OnTheCup on, Cup cup, LogEntry entry, PlanStep step) {
        return new Concerns(
                on, entry, step.title(), on.bounds(step, cup), begun(on, entry, step), DecalFit.of(step, cup.blank()));
    }

    private static Concerns outsideThePlan(OnTheCup on, LogEntry entry, String about, List<Bound> bounds) {
        return new Concerns(on, entry, about, bounds, entry.mark().happenedAt(), List.of());
    }

    /** Work is logged when it is finished, and was begun some time before, after what it builds on. */
    private static Instant begun(OnTheCup on, LogEntry entry, PlanStep step) {
        Instant at = entry.mark().happenedAt();
        Instant usually = step.kind().isPour() ? at : at.minus(Duration.ofMinutes(step.handsOnMinutes()));
        return on.lastAt().filter(usually::isBefore).orElse(usually);
    }

    /** What is asked or told about it. */
    List<Concern> told() {
        return Stream.concat(
                        Opening.told(broken).stream().map(this::concern),
                        misfits.stream().map(this::concern))
                .toList();
    }

    /** All of the table that it is against, another school's way included. */
    Set<Cell> otherwise() {
        return broken.stream().map(one -> one.bound().cell()).collect(Collectors.toSet());
    }

    private Concern concern(Placed one) {
        Bound bound = one.bound();
        Cell cell = bound.cell();
        boolean isOfTime = bound.side() != Side.NEVER && bound.work() != 0;
        return new Concern(
                entry.mark().id(),
                cell.rule(),
                about,
                on.named(bound),
                Optional.of(cell),
                isOfTime ? Optional.of(Instant.ofEpochMilli((long) one.at())) : Optional.empty(),
                bound.side() != Side.FROM,
                !cell.grave().isAsked(),
                cell.words());
    }

    private Concern concern(DecalFit.Misfit misfit) {
        return new Concern(
                entry.mark().id(),
                misfit.rule().name(),
                about,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                false,
                misfit.words() + " " + misfit.rule().remedy());
    }
}

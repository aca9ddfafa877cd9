package nursery.app.inspect;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Standing;
import nursery.core.inspect.CupFaults;
import nursery.core.inspect.Diagnosis;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Treatment;
import nursery.core.log.Cup;
import nursery.core.surface.Judgement;
import nursery.core.technique.Caution;
import nursery.core.technique.HandsOn;
import nursery.core.technique.PlanStep;
import org.springframework.stereotype.Component;

/** What each remedy takes, and what it does to the week's plan. */
@Component
class Remedies {

    /** Enough to let a plan settle around a few new steps, and still answer at once. */
    private static final long STEPS_TRIED = 400;

    private final Floors floors;

    Remedies(Floors floors) {
        this.floors = floors;
    }

    /**
     * Something that can be done, with what it takes.
     *
     * @param steps what it puts into the plan
     * @param readyAt when the cup would be ready then, if the plan finds a place
     * @param later how much later than by the plan as it is
     * @param others whose day changes with it
     * @param against what the rules say of the plan then
     */
    record Way(
            Diagnosis.Offer offer,
            List<PlanStep> steps,
            double ml,
            Optional<Instant> readyAt,
            Optional<Duration> later,
            List<String> others,
            List<Judgement.Finding> against) {

        public Treatment remedy() {
            return offer.remedy();
        }

        /** The cause this is a shop's own answer to; empty if it is practice's. */
        public Optional<String> own() {
            return remedy() instanceof OwnRemedy found ? Optional.of(found.cause()) : Optional.empty();
        }

        public List<String> cautions() {
            return steps.stream()
                    // What it will lie on is not known here: the more careful one.
                    .map(step -> step.caution(true))
                    .filter(caution -> caution != Caution.NONE)
                    .map(Caution::words)
                    .distinct()
                    .limit(1)
                    .toList();
        }
    }

    /** What is still to be done takes as long as it does here; what is done took as long as it took. */
    private Cup asLongAsHere(Cup chosen, CupNow now) {
        HandsOn hands = floors.hands();
        return chosen.with(chosen.plan().stream()
                .map(step -> now.state().done().containsKey(step.number())
                        ? step
                        : step.taking(hands.minutesOf(step.kind())))
                .toList());
    }

    List<Way> of(CupNow now, Diagnosis diagnosis) {
        Floor floor = floors.now();
        Standing before =
                Standing.anew(floor.workshop(), floors.standing(floor).plan().placements(), STEPS_TRIED);
        List<Way> ways = new ArrayList<>();
        for (Diagnosis.Offer offer : diagnosis.offers()) {
            List<PlanStep> steps = CupFaults.steps(now, offer.remedy(), floor.now());
            if (offer.against().isPresent() || steps.isEmpty()) {
                ways.add(new Way(offer, steps, 0, Optional.empty(), Optional.empty(), List.of(), List.of()));
                continue;
            }
            Cup changed = asLongAsHere(CupFaults.chosen(now, offer.remedy(), floor.now()), now);
            CupNow then = new CupNow(changed, changed.at(floors.roomOf(changed), floor.now()));
            Floor with = floor.with(then);
            // Around the plan it is compared with: what another search would do otherwise is none of the remedy's
            // doing.
            Standing after = Standing.anew(with.workshop(), before.plan().placements(), STEPS_TRIED);
            Optional<Instant> ready = after.readyAt(then);
            ways.add(new Way(
                    offer,
                    steps,
                    steps.stream()
                            .filter(step -> step.kind().isPour())
                            .mapToDouble(step -> floor.share(now, step).suggestedMl())
                            .sum(),
                    ready,
                    before.readyAt(now).flatMap(was -> ready.map(at -> Duration.between(was, at))),
                    others(floor, now, before, after),
                    then.judged(then.stepsAhead(), floor.now()).stream()
                            .filter(finding -> !finding.isAdvice() && finding.place() < steps.size())
                            .toList()));
        }
        return ways;
    }

    /** Cups that would be ready on a later day. */
    private List<String> others(Floor floor, CupNow now, Standing before, Standing after) {
        Show show = floors.show();
        return floor.cups().stream()
                .filter(cup -> !cup.code().equals(now.code()))
                .flatMap(cup -> {
                    Optional<Instant> was = before.readyAt(cup);
                    Optional<Instant> then = after.readyAt(cup);
                    return was.isPresent()
                                    && then.isPresent()
                                    && then.get().isAfter(was.get())
                                    && !show.day(was.get()).equals(show.day(then.get()))
                            ? Stream.of("%s %s instead of %s"
                                    .formatted(cup.code(), show.day(then.get()), show.day(was.get())))
                            : Stream.empty();
                })
                .toList();
    }
}

package nursery.app.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.app.platform.Show;
import nursery.core.floor.Floor;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.PlannedMix;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.Session;
import nursery.core.plan.WeekPlan;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Mix;
import nursery.core.resin.Resin;
import nursery.core.technique.Need;

/** A day of the plan as a list: each session with what to have ready, what to mix, and its steps in order. */
record DayPage(LocalDate day, List<Block> blocks) {

    /**
     * A session.
     *
     * @param ready what to have at hand before it begins
     * @param lines its steps, and the mixes between them
     */
    record Block(Instant begins, Instant ends, long handsOnMinutes, List<String> ready, List<Line> lines) {}

    /**
     * A step, with the mix to make before it if it is the first poured from one.
     *
     * @param until when its window closes, empty if it stays open
     */
    record Line(PlannedStep step, Optional<Mixed> mix, Optional<Instant> until) {}

    /** A mix to make: for which cups, and how much of each part. */
    record Mixed(PlannedMix mix, BatchSheet sheet) {
        public List<String> cups() {
            return mix.pours().stream().map(PlannedStep::cup).toList();
        }
    }

    static DayPage of(WeekPlan plan, LocalDate day, Floor floor, Show show) {
        return new DayPage(
                day,
                plan.sessions().stream()
                        .filter(session -> session.begins()
                                .atZone(show.zone())
                                .toLocalDate()
                                .equals(day))
                        .map(session -> block(plan, session, floor))
                        .toList());
    }

    private static Block block(WeekPlan plan, Session session, Floor floor) {
        List<Line> lines = new ArrayList<>();
        for (PlannedStep step : session.steps()) {
            Optional<Mixed> mix = step.step().kind().isPour()
                    ? plan.mixOf(step)
                            .filter(found -> found.pours().get(0).equals(step))
                            .flatMap(found -> mixed(found, floor))
                    : Optional.empty();
            lines.add(new Line(
                    step,
                    mix,
                    step.scuffFirst()
                            ? Optional.empty()
                            : step.action().window().closesAtExclusive()));
        }
        return new Block(session.begins(), session.ends(), session.handsOnMinutes(), ready(session), lines);
    }

    /** Empty where the measuring cup's marks are too coarse for the ratio: the mixing bench says so. */
    private static Optional<Mixed> mixed(PlannedMix mix, Floor floor) {
        try {
            return Optional.of(new Mixed(mix, floor.sheet(mix)));
        } catch (InvalidInput marksTooCoarse) {
            return Optional.empty();
        }
    }

    /** What cannot be fetched with gloves on: places and things, each once. */
    private static List<String> ready(Session session) {
        Set<String> things = new LinkedHashSet<>();
        for (PlannedStep step : session.steps()) {
            step.step().needs().stream()
                    .filter(need -> need != Need.SPINDLE)
                    .map(Need::words)
                    .forEach(things::add);
            if (step.step().how().grit().isSaid()) {
                things.add(step.step().how().grit().written() + " grit");
            }
        }
        long spindles = session.steps().stream()
                .filter(step -> step.turns().isPresent())
                .map(step -> step.turns().orElseThrow().spindle().id())
                .distinct()
                .count();
        if (spindles > 0) {
            things.add(spindles == 1 ? "a spindle" : spindles + " spindles");
        }
        return List.copyOf(things);
    }

    /** How much of each resin's two parts a plan takes until a moment: the shopping list. */
    static Map<Resin, Mix> resinUntil(WeekPlan plan, Instant until, Floor floor) {
        Map<Resin, Mix> needed = new LinkedHashMap<>();
        plan.mixes().stream()
                .filter(one -> one.at().isBefore(until))
                .flatMap(mix -> mixed(mix, floor).stream())
                .forEach(mixed -> needed.merge(
                        mixed.mix().resin(),
                        mixed.sheet().mix(),
                        (a, b) -> new Mix(a.partAMl() + b.partAMl(), a.partBMl() + b.partBMl())));
        return needed;
    }
}

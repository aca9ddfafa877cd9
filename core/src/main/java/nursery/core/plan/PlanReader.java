package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.film.Carrier;
import nursery.core.log.Cup;
import nursery.core.log.CupFold;
import nursery.core.log.CupState;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.NextAction;
import nursery.core.plan.PlannedStep.Turning;
import nursery.core.plan.Problem.Job;
import nursery.core.plan.Problem.Mixing;
import nursery.core.technique.PlanStep;

/**
 * Turns what the search found into a plan for people: played through on the fold that reads the log, spindles given
 * out, mixes gathered.
 */
final class PlanReader {

    private final Problem problem;
    private final Layout layout;
    private final Map<Integer, Turning> turnings;

    PlanReader(Problem problem, Layout layout) {
        this.problem = problem;
        this.layout = layout;
        turnings = SpindleRota.of(problem, layout);
    }

    WeekPlan plan() {
        List<PlannedStep> steps = new ArrayList<>();
        List<List<PlannedStep>> pours = new ArrayList<>();
        problem.resins.forEach(resin -> pours.add(new ArrayList<>()));
        List<NotPlaced> not = new ArrayList<>();
        Map<String, Instant> ready = new HashMap<>();
        for (Job job : problem.jobs) {
            play(job, steps, pours);
            NotPlacedReason.of(problem, layout, job)
                    .ifPresentOrElse(
                            not::add,
                            () -> ready.put(job.cup().code(), problem.grid.instant(layout.ready()[job.number()])));
        }
        steps.sort(Comparator.comparing(PlannedStep::begins)
                .thenComparing(PlannedStep::cup)
                .thenComparing(step -> step.step().number()));
        return new WeekPlan(problem.workshop, steps, mixes(pours), not, ready, layout.score());
    }

    private void play(Job job, List<PlannedStep> steps, List<List<PlannedStep>> pours) {
        CupFold fold = job.fold().copy();
        for (int i = 0; i < job.acts().size() && layout.at()[job.first() + i] != Layout.NOWHERE; i++) {
            Act act = job.acts().get(i);
            int number = job.first() + i;
            PlannedStep planned = step(job, act, number, fold);
            steps.add(planned);
            if (act.isPour()) {
                pours.get(act.resin()).add(planned);
            }
        }
    }

    private PlannedStep step(Job job, Act act, int number, CupFold fold) {
        Instant at = problem.grid.instant(layout.at()[number]);
        boolean scuffFirst = layout.scuffed()[number];
        Instant begins = scuffFirst ? problem.grid.instant(layout.at()[number] - Act.SCUFF_SLOTS) : at;
        CupState state = fold.stateAt(begins);
        NextAction action = state.next().orElseThrow();
        if (scuffFirst) {
            fold.play(LogEntry.scuffed(mark(at)));
        }
        OptionalDouble amount = act.step()
                .role()
                .map(role ->
                        OptionalDouble.of(state.share(job.cup(), act.step(), carrier(state, job.cup(), act.step(), at))
                                .suggestedMl()))
                .orElse(OptionalDouble.empty());
        Optional<Turning> turning = Optional.ofNullable(turnings.get(number));
        fold.play(
                act.isPour()
                        ? new LogEntry.Poured(
                                mark(at), act.step().number(), amount.orElseThrow(), turning.map(Turning::spindle))
                        : new LogEntry.StepDone(
                                mark(at.plus(Duration.ofMinutes(act.step().handsOnMinutes()))),
                                act.step().number()));
        return new PlannedStep(
                job.cup().code(), act.step(), begins, at, action, scuffFirst, layout.missed()[number], turning, amount);
    }

    private Carrier carrier(CupState state, Cup cup, PlanStep coat, Instant at) {
        Workshop workshop = problem.workshop;
        return state.carrier(cup, coat, workshop.spindles(), workshop.room().temperatureCAt(at));
    }

    private List<PlannedMix> mixes(List<List<PlannedStep>> poursByResin) {
        List<PlannedMix> mixes = new ArrayList<>();
        for (int resin = 0; resin < poursByResin.size(); resin++) {
            Mixing mixing = problem.resins.get(resin);
            int serves = 0;
            List<PlannedStep> current = new ArrayList<>();
            for (PlannedStep pour : poursByResin.get(resin).stream()
                    .sorted(Comparator.comparing(PlannedStep::at))
                    .toList()) {
                int slot = problem.grid.slotFrom(pour.at());
                if (slot >= serves) {
                    current = new ArrayList<>();
                    mixes.add(new PlannedMix(mixing.resin(), current));
                    serves = mixing.serves(slot);
                }
                current.add(pour);
            }
        }
        return mixes.stream().sorted(Comparator.comparing(PlannedMix::at)).toList();
    }

    private static Mark mark(Instant at) {
        return new Mark(0, at, at, "", "");
    }
}

package nursery.core.plan;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.lookup.PlanningId;
import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.valuerange.CountableValueRange;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeFactory;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.domain.variable.PlanningVariable;
import ai.timefold.solver.core.api.score.buildin.bendablelong.BendableLongScore;
import ai.timefold.solver.core.api.score.calculator.EasyScoreCalculator;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.solver.SolverConfig;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The same problem put to Timefold's local search. Windows on the cure clock, spindles held until a coat has gelled and
 * coats that must be followed while they are wet have no expression of their own there, so it searches what our search
 * searches, the genes, and our decoder lays them out: what is compared is the search, with its stock moves.
 */
public final class GeneralPlanner {

    private static final int LEVELS = 8;
    private static final int PRIORITIES = 10_000;

    private GeneralPlanner() {}

    public record Answer(Score score) {}

    public static Answer solve(Workshop shop, double seconds) {
        Problem problem = new Problem(shop);
        Plan start = new Plan();
        start.problem = problem;
        start.decoder = new Decoder(problem);
        int place = 0;
        for (Problem.Job job : problem.jobs.stream()
                .sorted(Comparator.comparingInt(Problem.Job::due))
                .toList()) {
            for (int i = 0; i < job.acts().size(); i++) {
                Turn turn = new Turn();
                turn.act = job.first() + i;
                turn.job = job.number();
                turn.priority = Math.min(PRIORITIES - 1, place++);
                turn.straightOn = true;
                turn.notBefore = 0;
                start.turns.add(turn);
            }
        }
        SolverConfig config = new SolverConfig()
                .withSolutionClass(Plan.class)
                .withEntityClasses(Turn.class)
                .withEasyScoreCalculatorClass(Laying.class)
                .withRandomSeed(1L)
                .withTerminationSpentLimit(Duration.ofMillis(Math.round(seconds * 1000)));
        Plan best = SolverFactory.<Plan>create(config).buildSolver().solve(start);
        return new Answer(best.decoder.lay(best.genes()).score());
    }

    /** A step's turn. Its fields are filled in by the solver. */
    @SuppressWarnings("NullAway.Init")
    @PlanningEntity
    public static class Turn {

        @PlanningId
        int act;

        int job;

        @PlanningVariable(valueRangeProviderRefs = "priorities")
        Integer priority;

        @PlanningVariable(valueRangeProviderRefs = "yesOrNo")
        Boolean straightOn;

        @PlanningVariable(valueRangeProviderRefs = "slots")
        Integer notBefore;
    }

    /** All turns. The score is filled in by the solver. */
    @SuppressWarnings("NullAway.Init")
    @PlanningSolution
    public static class Plan {

        Problem problem;
        Decoder decoder;

        @PlanningEntityCollectionProperty
        List<Turn> turns = new ArrayList<>();

        @PlanningScore(bendableHardLevelsSize = 0, bendableSoftLevelsSize = LEVELS)
        BendableLongScore score;

        @ValueRangeProvider(id = "priorities")
        public CountableValueRange<Integer> priorities() {
            return ValueRangeFactory.createIntValueRange(0, PRIORITIES);
        }

        @ValueRangeProvider(id = "yesOrNo")
        public CountableValueRange<Boolean> yesOrNo() {
            return ValueRangeFactory.createBooleanValueRange();
        }

        @ValueRangeProvider(id = "slots")
        public CountableValueRange<Integer> slots() {
            return ValueRangeFactory.createIntValueRange(0, problem.grid.slots());
        }

        Genes genes() {
            Genes genes = Genes.of(
                    turns.stream()
                            .sorted(Comparator.comparingInt((Turn turn) -> turn.priority)
                                    .thenComparingInt(turn -> turn.act))
                            .mapToInt(turn -> turn.job)
                            .toArray(),
                    turns.size(),
                    false);
            turns.forEach(turn -> {
                genes.straightOn()[turn.act] = turn.straightOn;
                genes.notBefore()[turn.act] = turn.notBefore;
            });
            return genes;
        }
    }

    /** Lays a plan out and scores it. */
    public static class Laying implements EasyScoreCalculator<Plan, BendableLongScore> {

        @Override
        public BendableLongScore calculateScore(Plan plan) {
            Score score = plan.decoder.lay(plan.genes()).score();
            return BendableLongScore.of(new long[0], new long[] {
                -score.notPlaced(),
                -score.missed(),
                -score.lateMinutes(),
                -score.scuffs(),
                -score.sessions(),
                -score.fadedHours(),
                -score.mixes(),
                -score.finishMinutes()
            });
        }
    }
}

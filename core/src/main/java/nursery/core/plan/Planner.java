package nursery.core.plan;

import java.time.Instant;
import java.util.List;

/**
 * Plans many cups on few spindles with one pair of hands.
 *
 * <p>Model: the resource-constrained project problem with minimum and maximum time lags (RCPSP/max: Neumann, Schwindt
 * and Zimmermann 2003). Hands are one, inside the bench hours; spindles are few; a coat holds its spindle until it has
 * gelled; lags run on the wall's clock or on the cure clock over the room expected. A coat follows straight on as long
 * as the one below takes it, the sooner the better it grips, or, in the other mode, after scuffing once the coat below
 * is sandable. Method: a serial schedule-generation scheme ({@link Decoder}) inside a local search ({@link Search}).
 * What is compared, and in which order, is {@link Score}.
 */
public final class Planner {

    /** Gives the same plan for the same workshop each time. */
    public static final long SEED = 20260309;

    private final Problem problem;
    private final Search search;

    public Planner(Workshop workshop, long seed) {
        this(workshop, seed, List.of(), false);
    }

    private Planner(Workshop workshop, long seed, List<Placement> before, boolean calm) {
        this(new Problem(workshop), seed, before, calm);
    }

    private Planner(Problem problem, long seed, List<Placement> before, boolean calm) {
        this.problem = problem;
        search = new Search(problem, seed, before, calm);
    }

    /**
     * Goes on from a plan that was made for this workshop as it was before, and moves a step of it only to be less
     * late, to miss less or to scuff less. As far as the plan still holds, the new one is never worse.
     */
    public static Planner after(List<Placement> before, Workshop workshop) {
        return new Planner(workshop, SEED, before, true);
    }

    /**
     * The same, where what is otherwise is so only from a moment on: what begins before it and can stay where it is
     * stays, whatever is gained by moving it.
     */
    public static Planner after(List<Placement> before, Workshop workshop, Instant from) {
        Problem free = new Problem(workshop);
        Layout asKept = new Decoder(free).lay(Genes.asKept(free, before));
        int[] known = Genes.slots(free, before);
        List<Placement> settled = before.stream()
                .filter(placement -> placement.begins().isBefore(from))
                .filter(placement -> free.find(placement.cup(), placement.step()).stream()
                        .anyMatch(act -> !Calm.isMoved(asKept, act, known[act])))
                .toList();
        Problem problem = settled.isEmpty() ? free : new Problem(workshop, settled);
        return new Planner(problem, SEED, before, true);
    }

    /** Looks for the best plan there is, whatever moves; as far as the plan before still holds, never a worse one. */
    public static Planner anew(List<Placement> before, Workshop workshop) {
        return new Planner(workshop, SEED, before, false);
    }

    /** The first valid plan, at once. */
    public static WeekPlan first(Workshop workshop) {
        return new Planner(workshop, SEED).best();
    }

    /**
     * A plan that was kept, laid out anew as things stand now: each step where it was, or at the first place after.
     * Nothing is searched.
     */
    public static WeekPlan kept(List<Placement> placements, Workshop workshop) {
        Problem problem = new Problem(workshop);
        return new PlanReader(problem, new Decoder(problem).lay(Genes.asKept(problem, placements))).plan();
    }

    public static WeekPlan plan(Workshop workshop, Budget budget) {
        Planner planner = new Planner(workshop, SEED);
        planner.improve(budget);
        return planner.best();
    }

    /** Looks for a better plan; may be called again and again. */
    public void improve(Budget budget) {
        search.run(budget);
    }

    /** Looks until the plan hurts nobody, for so many steps at most: then there is nothing it would be moved for. */
    public void mend(long steps) {
        search.run(new Budget(steps, () -> score().hurtsNobody(), far -> {}));
    }

    /** How good the best plan so far is. */
    public Score score() {
        return search.score();
    }

    /** The best plan so far, with every step's window and amount. */
    public WeekPlan best() {
        return new PlanReader(problem, search.best()).plan();
    }
}

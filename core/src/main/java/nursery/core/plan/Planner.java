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
        problem = new Problem(workshop);
        search = new Search(problem, seed, before, calm, Hurts.Level.none(problem));
    }

    private Planner(Problem problem, Search search) {
        this.problem = problem;
        this.search = search;
    }

    /**
     * Goes on from a plan that was made for this workshop as it was before, and moves a step of it only to be less
     * late, to miss less or to scuff less. As far as the plan still holds, the new one is never worse.
     */
    public static Planner after(List<Placement> before, Workshop workshop) {
        return new Planner(workshop, SEED, before, true);
    }

    /**
     * The same where it is known how the workshop was. What begins before it became another and can stay where it is
     * stays, whatever is gained by moving it. And where something was only taken away, no step moves for more than was
     * there before: less late than it was nobody has asked to be.
     */
    public static Planner after(List<Placement> before, Workshop workshop, Workshop was) {
        if (workshop.equals(was)) {
            return after(before, workshop);
        }
        Instant from = workshop.otherwiseFrom(was);
        Problem free = new Problem(workshop);
        Layout asKept = new Decoder(free).lay(Genes.asKept(free, before));
        int[] known = Genes.slots(free, before);
        List<Placement> settled = before.stream()
                .filter(placement -> placement.begins().isBefore(from))
                .filter(placement -> free.find(placement.cup(), placement.step()).stream()
                        .anyMatch(act -> !Calm.isMoved(asKept, act, known[act])))
                .toList();
        Problem problem = settled.isEmpty() ? free : new Problem(workshop, settled);
        return new Planner(
                problem,
                new Search(
                        problem,
                        SEED,
                        before,
                        true,
                        workshop.hasNoMoreThan(was) ? level(before, was) : Hurts.Level.none(problem)));
    }

    private static Hurts.Level level(List<Placement> kept, Workshop workshop) {
        Problem problem = new Problem(workshop);
        return Hurts.Level.of(problem, new Decoder(problem).lay(Genes.asKept(problem, kept)));
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

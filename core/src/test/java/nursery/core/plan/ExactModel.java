package nursery.core.plan;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import nursery.core.cure.CoatTimes;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.measure.Span;
import nursery.core.resin.Label;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;
import org.jspecify.annotations.Nullable;

/**
 * The planner's problem written down a second time, for OR-Tools' CP-SAT: the same slots of five minutes and the same
 * order of what counts, but windows from {@link CoatTimes}, moment by moment, and none of the planner's code.
 */
public final class ExactModel {

    private static final int SLOT = 5;
    private static final int SCUFF = 2;
    private static final int BREAK = 12;
    private static final int MOST_FADED_H = 48;
    private final CpModel model = new CpModel();
    private final Workshop shop;
    private final Weights weights;
    private final Instant origin;
    private final int slots;
    private long[] open = {};
    private final List<IntervalVar> hands = new ArrayList<>();
    private final List<Work> work = new ArrayList<>();
    private final Map<String, List<Pour>> pours = new HashMap<>();
    private final CumulativeConstraint spindles;
    private final LinearExprBuilder cost = LinearExpr.newBuilder();
    private final Map<String, long[]> tables = new HashMap<>();
    private final List<Runnable> hints = new ArrayList<>();
    private final Map<String, Map<Integer, Instant>> known = new HashMap<>();
    private final Instant from;

    private record Work(IntVar begins, LinearExpr ends) {}

    private record Pour(IntVar at, Label label) {}

    /** When work ended: so many minutes after a slot. */
    private record Ended(LinearExpr slot, double minutes) {
        LinearExpr plus(long wait) {
            return LinearExpr.newBuilder()
                    .add(slot)
                    .add((long) Math.ceil((minutes + wait) / SLOT - 1e-6))
                    .build();
        }
    }

    private record Coat(Label label, Optional<IntVar> at, Optional<CoatTimes> poured, boolean scuffed) {}

    /** Weights that put one figure before the next: each is more than the largest sum of all that follow. */
    public record Weights(long finish, long mix, long faded, long session, long moved, long scuff, long late) {

        static Weights of(Workshop shop) {
            long steps =
                    shop.cups().stream().mapToLong(cup -> cup.plan().size()).sum();
            long mix = 2 * shop.horizon().toMinutes() / SLOT * shop.cups().size();
            long faded = mix * steps;
            long session = faded * steps * MOST_FADED_H;
            return new Weights(1, mix, faded, session, 0, session * steps, session * steps * steps);
        }

        /** Only what a calm plan is for: less late, fewer scuffs, and then as few steps moved as may be. */
        static Weights calm(Workshop shop) {
            long steps =
                    1 + shop.cups().stream().mapToLong(cup -> cup.plan().size()).sum();
            return new Weights(0, 0, 0, 0, 1, steps, steps * steps);
        }

        long cost(Score score) {
            return score.lateMinutes() / SLOT * late
                    + score.scuffs() * scuff
                    + score.sessions() * session
                    + score.fadedHours() * faded
                    + score.mixes() * mix
                    + score.finishMinutes() / SLOT;
        }

        Score score(long cost) {
            return new Score(
                    0,
                    0,
                    cost / late * SLOT,
                    (int) (cost % late / scuff),
                    (int) (cost % scuff / session),
                    (int) (cost % session / faded),
                    (int) (cost % faded / mix),
                    cost % mix * SLOT);
        }
    }

    /**
     * What the solver says.
     *
     * @param score of the plan it found
     * @param cost the same weighed; 0 if it found none
     * @param bound no plan costs less than this
     */
    public record Answer(CpSolverStatus status, Score score, double cost, double bound) {}

    /**
     * What the solver says of a plan that moves as little as may be.
     *
     * @param weighed how late it is in slots, each times how much the cup matters
     * @param moved how many steps begin at another time than they were known to
     */
    public record Calmest(CpSolverStatus status, long weighed, int scuffs, int moved) {}

    private ExactModel(Workshop shop, WeekPlan hint) {
        this(shop, hint, Weights.of(shop), List.of(), Instant.MIN);
    }

    private ExactModel(Workshop shop, WeekPlan hint, Weights weights, List<Placement> known, Instant from) {
        this.shop = shop;
        this.weights = weights;
        this.from = from;
        known.forEach(one ->
                this.known.computeIfAbsent(one.cup(), cup -> new HashMap<>()).put(one.step(), one.begins()));
        long five = SLOT * 60L;
        origin = Instant.ofEpochSecond((shop.now().getEpochSecond() + five - 1) / five * five);
        slots = (int) (shop.horizon().toMinutes() / SLOT);
        spindles = model.addCumulative(shop.spindles().size());
        closed();
        shop.cups().forEach(cup -> cup(cup, hint));
        model.addNoOverlap(hands);
        sessions();
        pours.values().forEach(this::mixes);
        model.minimize(cost);
    }

    /** The best it finds within some seconds of this machine. */
    public static Answer solve(Workshop shop, WeekPlan hint, double seconds) {
        CpSolver solver = solver();
        solver.getParameters().setMaxTimeInSeconds(seconds).setNumWorkers(2);
        return answer(solver, new ExactModel(shop, hint));
    }

    /** The best it finds within so much work, by the solver's own measure: the same on any machine. */
    static Answer solveWithin(Workshop shop, WeekPlan hint, double work) {
        CpSolver solver = solver();
        solver.getParameters().setMaxDeterministicTime(work).setNumWorkers(1);
        return answer(solver, new ExactModel(shop, hint));
    }

    /**
     * The calmest plan there is that is as little late and scuffs as little as any.
     *
     * @param known where people know each step to be
     * @param from what begins before it stays
     */
    static Calmest calmest(Workshop shop, WeekPlan hint, List<Placement> known, Instant from, double work) {
        CpSolver solver = solver();
        solver.getParameters().setMaxDeterministicTime(work).setNumWorkers(1);
        Weights weights = Weights.calm(shop);
        CpSolverStatus status = solver.solve(new ExactModel(shop, hint, weights, known, from).model);
        long cost = Math.round(solver.objectiveValue());
        return new Calmest(status, cost / weights.late(), (int) (cost % weights.late() / weights.scuff()), (int)
                (cost % weights.scuff()));
    }

    private static CpSolver solver() {
        Loader.loadNativeLibraries();
        CpSolver solver = new CpSolver();
        solver.getParameters().setRandomSeed(1);
        return solver;
    }

    private static Answer answer(CpSolver solver, ExactModel exact) {
        CpSolverStatus status = solver.solve(exact.model);
        return new Answer(
                status,
                exact.weights.score(Math.round(solver.objectiveValue())),
                solver.objectiveValue(),
                solver.bestObjectiveBound());
    }

    static long cost(Workshop shop, Score score) {
        return Weights.of(shop).cost(score);
    }

    /** Slots without hands are taken by fixed work; the others are all a step can be at. */
    private void closed() {
        open = IntStream.range(0, slots).filter(this::atBench).asLongStream().toArray();
        int from = -1;
        for (int slot = 0; slot <= slots; slot++) {
            boolean shut = slot < slots && !atBench(slot);
            if (shut && from < 0) {
                from = slot;
            } else if (!shut && from >= 0) {
                hands.add(model.newFixedInterval(from, slot - from, "closed"));
                from = -1;
            }
        }
    }

    /** The slots at which a step may be begun as far as the booth is concerned. */
    private long[] booth(PlanStep step) {
        List<Span> spans = shop.hours().boothSpans(origin, instant(slots));
        return Arrays.stream(open)
                .filter(slot -> spans.stream()
                        .anyMatch(span -> !instant((int) slot).isBefore(span.from())
                                && !instant((int) slot)
                                        .plus(Duration.ofMinutes(step.kind().handsOnMinutes()))
                                        .isAfter(span.untilExclusive())))
                .toArray();
    }

    private boolean atBench(int slot) {
        for (int minute = 0; minute < SLOT; minute++) {
            Instant at = instant(slot).plus(Duration.ofMinutes(minute));
            var local = at.atZone(shop.hours().zone());
            boolean open = shop.hours().on(local.toLocalDate()).hours().stream()
                    .anyMatch(hours -> !local.toLocalTime().isBefore(hours.from())
                            && local.toLocalTime().isBefore(hours.untilExclusive()));
            if (!open || shop.hours().quiet().isQuiet(at)) {
                return false;
            }
        }
        return true;
    }

    private void cup(Cup cup, WeekPlan hint) {
        CupState state = cup.at(shop.room(), shop.now());
        List<PlanStep> left = cup.plan().stream()
                .filter(step -> !state.done().containsKey(step.number()))
                .toList();
        @Nullable
        Coat coat = state.newestCoat()
                .map(on -> new Coat(on.label(), Optional.empty(), Optional.of(on.times()), on.scuffed()))
                .orElse(null);
        IntVar ready = model.newIntVar(0, slots * 2L, "ready");
        state.fullCureAt().ifPresent(at -> model.addGreaterOrEqual(ready, Math.max(0, ceil(at))));
        LinearExpr handsOff = LinearExpr.constant(0);
        Ended last = new Ended(LinearExpr.constant(0), minutes(state.lastEndedAt()));
        List<IntVar> turning = new ArrayList<>();
        List<Label> labels = new ArrayList<>();
        for (PlanStep step : left) {
            IntVar at = model.newIntVarFromDomain(
                    step.kind().handsOnMinutes() > 0
                            ? Domain.fromValues(step.needs().contains(Need.BOOTH) ? booth(step) : open)
                            : new Domain(0, slots - 1),
                    step.title());
            hint.find(cup.code(), step.number())
                    .ifPresent(planned -> hints.add(() -> model.addHint(at, ceil(planned.at()))));
            int minutes = step.kind().handsOnMinutes();
            int length = (minutes + SLOT - 1) / SLOT;
            Optional<BoolVar> scuff = step.waiting().mayScuffInstead() && coat != null && !coat.scuffed()
                    ? Optional.of(model.newBoolVar("scuff"))
                    : Optional.empty();
            LinearExpr begins = scuff.map(bool -> LinearExpr.newBuilder()
                            .add(at)
                            .addTerm(bool, -SCUFF)
                            .build())
                    .orElse(LinearExpr.newBuilder().add(at).build());
            model.addGreaterOrEqual(begins, handsOff);
            stays(cup, step, begins);
            window(step, at, begins, coat, last, scuff);
            handsOff = LinearExpr.newBuilder().add(at).add(length).build();
            last = new Ended(LinearExpr.newBuilder().add(at).build(), minutes);
            if (length > 0) {
                IntVar begin = model.newIntVar(0, slots, "begin");
                model.addEquality(begin, begins);
                IntVar size = model.newIntVarFromDomain(
                        Domain.fromValues(
                                scuff.isPresent() ? new long[] {length, length + SCUFF} : new long[] {length}),
                        "size");
                scuff.ifPresent(bool -> model.addEquality(
                        size,
                        LinearExpr.newBuilder().addTerm(bool, SCUFF).add(length).build()));
                hands.add(model.newIntervalVar(begin, size, handsOff, "hands"));
                work.add(new Work(begin, handsOff));
            }
            scuff.ifPresent(bool -> cost.addTerm(bool, weights.scuff()));
            if (step.kind().isPour()) {
                Label label = cup.labelFor(step);
                coat = new Coat(label, Optional.of(at), Optional.empty(), false);
                pours.computeIfAbsent(cup.resinFor(step).name(), name -> new ArrayList<>())
                        .add(new Pour(at, label));
                LinearArgument cured = element(at, label, "full", label.times().fullCureH(), this::ceil);
                model.addGreaterOrEqual(ready, cured);
                if (cup.turns(step)) {
                    turning.add(at);
                    labels.add(label);
                }
            } else if (step.kind().scuffsTheBody() && coat != null) {
                coat = new Coat(coat.label(), coat.at(), coat.poured(), true);
            }
        }
        model.addGreaterOrEqual(ready, handsOff);
        turn(turning, labels);
        cost.addTerm(ready, weights.finish());
        cup.promise().dueAt().ifPresent(due -> {
            IntVar late = model.newIntVar(0, slots * 2L, "late");
            model.addGreaterOrEqual(
                    late, LinearExpr.newBuilder().add(ready).add(-floorDiv(due)).build());
            cost.addTerm(late, weights.late() * cup.promise().matters());
        });
    }

    private void stays(Cup cup, PlanStep step, LinearExpr begins) {
        Instant at = known.getOrDefault(cup.code(), Map.of()).get(step.number());
        if (at == null) {
            return;
        }
        BoolVar moved = model.newBoolVar("moved");
        model.addGreaterOrEqual(begins, ceil(at) - 1).onlyEnforceIf(moved.not());
        model.addLessOrEqual(begins, ceil(at) + 1).onlyEnforceIf(moved.not());
        cost.addTerm(moved, weights.moved());
        if (at.isBefore(from)) {
            model.addEquality(begins, ceil(at));
        }
    }

    private void turn(List<IntVar> turning, List<Label> labels) {
        for (int i = 0; i < turning.size(); i++) {
            LinearArgument gelled = element(
                    turning.get(i), labels.get(i), "gel", labels.get(i).times().turningH(), this::ceil);
            IntVar end = model.newIntVar(0, slots * 2L, "off");
            if (i + 1 < turning.size()) {
                model.addMinEquality(end, new LinearArgument[] {gelled, turning.get(i + 1)});
            } else {
                model.addEquality(end, gelled);
            }
            IntVar size = model.newIntVar(0, slots, "turns");
            spindles.addDemand(model.newIntervalVar(turning.get(i), size, end, "turning"), 1);
        }
    }

    private void window(
            PlanStep step, IntVar at, LinearExpr begins, @Nullable Coat coat, Ended last, Optional<BoolVar> scuff) {
        Wait wait = step.waiting();
        int hands = (step.kind().handsOnMinutes() + SLOT - 1) / SLOT;
        if (coat == null || wait.kind() == Wait.Kind.DRY || wait.kind() == Wait.Kind.NONE) {
            if (wait.kind() == Wait.Kind.DRY) {
                model.addGreaterOrEqual(at, last.plus(wait.atLeast().toMinutes()));
            }
            return;
        }
        switch (wait.kind()) {
            case DRY, NONE -> throw new IllegalStateException("These need no coat.");
            case AGE -> atAge(at, coat, wait.hoursFor(coat.label().times().turningH()));
            case CURED -> atAge(at, coat, coat.label().times().curedH());
            case SANDABLE -> atAge(at, coat, coat.label().times().sandableFromH());
            case SETTLE ->
                wet(at, hands, coat, wait.atLeast(), coat.label().times().workingH());
            case INTO_COAT ->
                wet(at, hands, coat, wait.atLeast(), coat.label().times().turningH());
            case STRAIGHT_ON -> scuff.ifPresent(bool -> straightOn(at, begins, coat, bool));
        }
    }

    private void straightOn(IntVar at, LinearExpr begins, Coat coat, BoolVar scuff) {
        LinearExpr opens = age(coat, "recoat", coat.label().times().recoatFromH(), this::ceil);
        LinearExpr closes = age(coat, "closes", coat.label().times().scuffAfterH(), this::ceil);
        LinearExpr grips = age(coat, "grips", coat.label().times().recoatUntilH(), this::ceil);
        IntVar faded = model.newIntVar(0, MOST_FADED_H, "faded");
        // Begun hours: twelve slots each, and the slot itself is the first of them.
        model.addGreaterOrEqual(
                        LinearExpr.newBuilder()
                                .addTerm(faded, 60 / SLOT)
                                .add(grips)
                                .build(),
                        LinearExpr.newBuilder().add(at).add(1).build())
                .onlyEnforceIf(scuff.not());
        cost.addTerm(faded, weights.faded());
        LinearExpr sandable = age(coat, "sandable", coat.label().times().sandableFromH(), this::ceil);
        Literal not = scuff.not();
        model.addGreaterOrEqual(at, opens).onlyEnforceIf(not);
        model.addLessThan(at, closes).onlyEnforceIf(not);
        model.addGreaterOrEqual(begins, closes).onlyEnforceIf(scuff);
        model.addGreaterOrEqual(begins, sandable).onlyEnforceIf(scuff);
    }

    private void atAge(IntVar at, Coat coat, double hours) {
        model.addGreaterOrEqual(at, age(coat, "age", hours, this::ceil));
    }

    private void wet(IntVar at, int hands, Coat coat, Duration wait, double untilH) {
        int after = (int) ((wait.toMinutes() + SLOT - 1) / SLOT);
        if (coat.at().isPresent()) {
            model.addGreaterOrEqual(
                    at, LinearExpr.newBuilder().add(coat.at().get()).add(after).build());
        } else {
            model.addGreaterOrEqual(
                    at, ceil(coat.poured().orElseThrow().pouredAt().plus(wait)));
        }
        // The work must have ended by then.
        model.addLessOrEqual(
                LinearExpr.newBuilder().add(at).add(hands).build(), age(coat, "wet", untilH, this::floorDiv));
    }

    private LinearExpr age(Coat coat, String what, double hours, ToIntFunction<Instant> round) {
        return coat.at()
                .map(at -> LinearExpr.newBuilder()
                        .add(element(at, coat.label(), what, hours, round))
                        .build())
                .orElseGet(() -> LinearExpr.constant(
                        Math.max(0, round.applyAsInt(coat.poured().orElseThrow().at(hours)))));
    }

    /** When a coat poured at a slot reaches an age, by the slot it is poured at. */
    private LinearArgument element(IntVar at, Label label, String what, double hours, ToIntFunction<Instant> round) {
        IntUnaryOperator reached = slot -> round.applyAsInt(new CoatTimes(label, shop.room(), instant(slot)).at(hours));
        long[] table = tables.computeIfAbsent(
                label.times() + what + hours,
                key -> IntStream.range(0, slots).mapToLong(reached::applyAsInt).toArray());
        if (IntStream.range(0, slots).allMatch(slot -> table[slot] - slot == table[0])) {
            return LinearExpr.newBuilder().add(at).add(table[0]).build();
        }
        IntVar value = model.newIntVar(0, slots * 2L, what);
        model.addElement(at, table, value);
        return value;
    }

    private void sessions() {
        for (Work one : work) {
            List<Literal> joins = new ArrayList<>();
            for (Work other : work) {
                if (other != one) {
                    BoolVar joined = model.newBoolVar("joined");
                    model.addGreaterOrEqual(one.begins(), other.ends()).onlyEnforceIf(joined);
                    model.addLessOrEqual(
                                    one.begins(),
                                    LinearExpr.newBuilder()
                                            .add(other.ends())
                                            .add(BREAK)
                                            .build())
                            .onlyEnforceIf(joined);
                    joins.add(joined);
                }
            }
            BoolVar first = model.newBoolVar("first");
            joins.add(first);
            model.addBoolOr(joins);
            cost.addTerm(first, weights.session());
        }
        hints.forEach(Runnable::run);
    }

    private void mixes(List<Pour> all) {
        List<BoolVar> mixed =
                all.stream().map(pour -> model.newBoolVar("mixed")).toList();
        List<LinearArgument> serveUntil = all.stream()
                .map(pour -> element(
                        pour.at(), pour.label(), "pot", pour.label().times().workingH(), this::ceil))
                .toList();
        for (int i = 0; i < all.size(); i++) {
            List<Literal> served = new ArrayList<>(List.of(mixed.get(i)));
            for (int j = 0; j < all.size(); j++) {
                if (i != j) {
                    Pour first = all.get(j);
                    BoolVar serves = model.newBoolVar("serves");
                    model.addImplication(serves, mixed.get(j));
                    model.addGreaterOrEqual(all.get(i).at(), first.at()).onlyEnforceIf(serves);
                    model.addLessThan(all.get(i).at(), serveUntil.get(j)).onlyEnforceIf(serves);
                    served.add(serves);
                }
            }
            model.addBoolOr(served);
            cost.addTerm(mixed.get(i), weights.mix());
        }
    }

    private Instant instant(int slot) {
        return origin.plus(Duration.ofMinutes((long) slot * SLOT));
    }

    private double minutes(Instant at) {
        return Duration.between(origin, at).toMillis() / 60_000.0;
    }

    private int ceil(Instant at) {
        return (int) Math.ceil(Duration.between(origin, at).toMillis() / (SLOT * 60_000.0) - 1e-6);
    }

    private int floorDiv(Instant at) {
        return (int) Math.floor(Duration.between(origin, at).toMillis() / (SLOT * 60_000.0) + 1e-6);
    }
}

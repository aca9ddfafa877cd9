package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import nursery.app.cups.CupBook;
import nursery.app.floor.Floors;
import nursery.app.plan.PlanMapper.DayRow;
import nursery.app.plan.PlanMapper.PlanRow;
import nursery.app.plan.PlanMapper.StepRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.shelf.ShelfBook;
import nursery.core.floor.Floor;
import nursery.core.floor.Shelf;
import nursery.core.plan.Budget;
import nursery.core.plan.Changes;
import nursery.core.plan.DayHours;
import nursery.core.plan.Order;
import nursery.core.plan.Placement;
import nursery.core.plan.Planner;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Wish;
import nursery.core.plan.Workshop;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Proposes plans in place of the one that is kept, and keeps them. */
@Published
@Service
public class PlanBook {

    /** A change is answered within a second; the search for a better plan takes most of it. */
    private static final Duration ANSWERED_WITHIN = Duration.ofMillis(450);
    /** A season's orders are looked at for longer, this many times at the most, beside the page. */
    private static final int MOST_TIMES = 12;

    private static final int USUAL_CUPS = 60;
    private static final int LAID_OUT_PERCENT = 48;

    private static final Duration PROPOSED_FOR = Duration.ofDays(7);
    private static final long STEPS_TO_BEGIN = 200;
    private static final long MOST_STEPS = 4000;
    private static final int STEPS_AT_ONCE = 500;
    private static final String PROPOSED = "PROPOSED";

    private final PlanMapper mapper;
    private final OrderForm orders;
    private final CupBook cups;
    private final ShelfBook shelf;
    private final Floors floors;
    private final Moments moments;

    PlanBook(PlanMapper mapper, OrderForm orders, CupBook cups, ShelfBook shelf, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.orders = orders;
        this.cups = cups;
        this.shelf = shelf;
        this.floors = floors;
        this.moments = moments;
    }

    /**
     * A plan to be kept or dropped.
     *
     * @param before the plan as it is
     * @param after the plan as it would be
     * @param wishes what it would change beside
     * @param isOpen whether it is neither kept nor dropped yet
     */
    record Proposal(
            long id,
            String why,
            String madeBy,
            Instant madeAt,
            WeekPlan before,
            WeekPlan after,
            List<Wish> wishes,
            boolean isOpen) {
        Changes difference() {
            return Changes.between(before, after);
        }
    }

    /** Works out a plan with some things otherwise, and puts it before the maker. */
    @Transactional
    public long propose(String why, List<Wish> wishes, String by) {
        return propose(why, wishes, by, true);
    }

    /** @param percent is told how far it is, where somebody waits for a long one */
    @Transactional
    long propose(String why, List<Wish> wishes, String by, IntConsumer percent) {
        return propose(why, wishes, by, true, percent);
    }

    /** @param calm whether to move as little as may be of what is planned, if a plan is kept */
    @Transactional
    long propose(String why, List<Wish> wishes, String by, boolean calm) {
        return propose(why, wishes, by, calm, percent -> {});
    }

    private long propose(String why, List<Wish> wishes, String by, boolean calm, IntConsumer percent) {
        Floor floor = floors.now();
        Workshop changed = Wish.all(wishes, floor.workshop());
        List<Placement> before = floors.standing(floor).plan().placements();
        Planner planner = calm && !floor.kept().isEmpty()
                ? Planner.after(before, changed, floor.workshop())
                : Planner.anew(before, changed);
        percent.accept(LAID_OUT_PERCENT);
        Duration time = ANSWERED_WITHIN.multipliedBy(Math.max(1, Math.min(MOST_TIMES, wished(wishes) / USUAL_CUPS)));
        long begun = System.nanoTime();
        Budget budget = within(time, MOST_STEPS);
        planner.improve(new Budget(
                budget.steps(),
                budget.stop(),
                far -> percent.accept(
                        LAID_OUT_PERCENT + (int) (LAID_OUT_PERCENT * (System.nanoTime() - begun) / time.toNanos()))));
        return record(why, wishes, planner.best(), mapper.kept().orElse(null), by);
    }

    /** How many cups are asked for. */
    private static int wished(List<Wish> wishes) {
        return wishes.stream()
                .filter(Wish.Ordered.class::isInstance)
                .mapToInt(wish -> ((Wish.Ordered) wish).order().count())
                .sum();
    }

    /** Makes a plan and keeps it at once: what is found in a short look, for nobody compares it with another. */
    @Transactional
    public void begin(String by) {
        Floor floor = floors.now();
        Planner planner = Planner.anew(floors.standing(floor).plan().placements(), floor.workshop());
        planner.improve(within(ANSWERED_WITHIN, STEPS_TO_BEGIN));
        keep(record("As things stand", List.of(), planner.best(), keptId(), by), by);
    }

    /** Hands are at the bench on a day at other hours than usual. */
    @Transactional
    public void atTheBench(LocalDate day, DayHours hours) {
        mapper.saveDay(new DayRow(day, hours.written()));
    }

    /** So many steps of a search, but no longer than so. */
    static Budget within(Duration time, long steps) {
        long until = System.nanoTime() + time.toNanos();
        return new Budget(steps, () -> System.nanoTime() - until >= 0, far -> {});
    }

    /** The plan that is kept now, to be named as what another is made on. */
    @Nullable
    Long keptId() {
        return mapper.kept().orElse(null);
    }

    /**
     * Puts a plan before the maker that was found otherwise.
     *
     * @param base the plan that was kept when the search for it began
     */
    @Transactional
    long record(String why, List<Wish> wishes, WeekPlan plan, @Nullable Long base, String by) {
        // As keeping does: two that name each other's plans must not wait for each other.
        mapper.hold();
        forget(moments.now().minus(PROPOSED_FOR));
        long id = mapper.insert(base, why, moments.now(), by);
        List<StepRow> steps = plan.placements().stream().map(PlanBook::row).toList();
        for (int from = 0; from < steps.size(); from += STEPS_AT_ONCE) {
            mapper.insertSteps(id, steps.subList(from, Math.min(steps.size(), from + STEPS_AT_ONCE)));
        }
        for (int i = 0; i < wishes.size(); i++) {
            mapper.insertWish(id, i, WishRow.of(wishes.get(i)));
        }
        return id;
    }

    private static StepRow row(Placement step) {
        return Order.isWanted(step.cup())
                ? new StepRow(null, Order.numberOf(step.cup()), step.step(), step.begins())
                : new StepRow(step.cup(), null, step.step(), step.begins());
    }

    /** What was proposed or replaced long ago is of no use to anybody. */
    private void forget(Instant before) {
        mapper.forgetSteps(before);
        mapper.forget(before);
    }

    Optional<Proposal> proposal(long id) {
        return mapper.plan(id).map(row -> {
            Floor floor = floors.now();
            List<Wish> wishes = wishes(id, floor.shelf());
            WeekPlan after = Planner.kept(placements(id), Wish.all(wishes, floor.workshop()));
            return new Proposal(
                    id,
                    row.why(),
                    row.madeBy(),
                    row.madeAt(),
                    floors.standing(floor).plan(),
                    after,
                    wishes,
                    row.state().equals(PROPOSED));
        });
    }

    private List<Placement> placements(long plan) {
        return mapper.steps(plan).stream()
                .map(row -> new Placement(
                        row.cup() != null ? row.cup() : Order.wanted(WishRow.needed(row.wanted())),
                        row.step(),
                        row.begins()))
                .toList();
    }

    private List<Wish> wishes(long id, Shelf onShelf) {
        return mapper.wishes(id).stream()
                .map(row -> row.wish(onShelf, orders::again))
                .toList();
    }

    /**
     * Keeps a plan, and does what it changes beside.
     *
     * @return another proposal with the same wishes, if somebody else's plan was kept meanwhile; empty if this one is
     *     kept now
     */
    @Transactional
    Optional<Long> keep(long id, String by) {
        mapper.hold();
        PlanRow row = mapper.plan(id).orElseThrow(Gone::new);
        if (!row.state().equals(PROPOSED)) {
            return Optional.empty();
        }
        Long kept = mapper.kept().orElse(null);
        List<Wish> wishes = wishes(id, floors.shelf());
        if (kept == null ? row.baseId() != null : !kept.equals(row.baseId())) {
            mapper.mark(id, "DROPPED");
            return Optional.of(propose(row.why(), wishes, by));
        }
        int wanted = 0;
        for (Wish wish : wishes) {
            wanted = carryOut(wish, id, wanted);
        }
        if (kept != null) {
            mapper.mark(kept, "REPLACED");
        }
        mapper.mark(id, "KEPT");
        mapper.keep(id);
        return Optional.empty();
    }

    /** @return how many cups that were only wanted have been started by then */
    private int carryOut(Wish wish, long plan, int wantedBefore) {
        Runnable done =
                switch (wish.kind()) {
                    case PIN ->
                        () -> mapper.pin(
                                ((Wish.Pinned) wish).cup(), ((Wish.Pinned) wish).step(), ((Wish.Pinned) wish).at());
                    case UNPIN -> () -> mapper.unpin(((Wish.Unpinned) wish).cup(), ((Wish.Unpinned) wish).step());
                    case HOURS ->
                        () -> mapper.saveDay(new DayRow(
                                ((Wish.Hours) wish).day(),
                                ((Wish.Hours) wish).hours().written()));
                    case MATTERS -> () -> cups.matters(((Wish.Matters) wish).cup(), ((Wish.Matters) wish).matters());
                    case SPINDLE -> () -> shelf.addSpindles(((Wish.MoreSpindles) wish).count());
                    case OTHER_RESIN ->
                        () -> cups.otherResin(
                                ((Wish.OtherResin) wish).cup(),
                                ((Wish.OtherResin) wish).resin().id());
                    case COAT_LESS -> () -> cups.leaveOut(((Wish.CoatLess) wish).cup(), ((Wish.CoatLess) wish).step());
                    case ORDER -> () -> start(plan, ((Wish.Ordered) wish).order(), wantedBefore);
                };
        done.run();
        return wish instanceof Wish.Ordered ordered
                ? wantedBefore + ordered.order().count()
                : wantedBefore;
    }

    /** Starts an order's cups, and gives the plan their codes for those it knew them by. */
    private void start(long plan, Order order, int wantedBefore) {
        List<String> codes = cups.start(order, moments.now());
        for (int i = 0; i < codes.size(); i++) {
            mapper.started(plan, wantedBefore + i + 1, codes.get(i));
        }
    }

    @Transactional
    void drop(long id) {
        mapper.hold();
        mapper.plan(id).filter(row -> row.state().equals(PROPOSED)).ifPresent(row -> mapper.mark(id, "DROPPED"));
    }
}

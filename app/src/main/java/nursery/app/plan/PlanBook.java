package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import nursery.app.cups.CupBook;
import nursery.app.cups.CupOnBench;
import nursery.app.plan.PlanMapper.NewPlan;
import nursery.app.plan.PlanMapper.PinRow;
import nursery.app.plan.PlanMapper.PlanRow;
import nursery.app.plan.PlanMapper.StepRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.room.RoomBook;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.core.plan.Budget;
import nursery.core.plan.Changes;
import nursery.core.plan.DayHours;
import nursery.core.plan.Departure;
import nursery.core.plan.Pin;
import nursery.core.plan.Placement;
import nursery.core.plan.PlanCup;
import nursery.core.plan.Planner;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Workshop;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The plan that is kept, and those proposed in its place. */
@Published
@Service
public class PlanBook {

    /** A change is answered within a second; the search for a better plan takes most of it. */
    private static final Duration ANSWERED_WITHIN = Duration.ofMillis(450);
    private static final Duration PROPOSED_FOR = Duration.ofDays(7);
    private static final long MOST_STEPS = 4000;
    private static final long FIRST_STEPS = 300;
    private static final long PERIOD_S = 300;
    private static final int STEPS_AT_ONCE = 500;

    private final PlanMapper mapper;
    private final HoursBook hours;
    private final OrderForm orders;
    private final CupBook cups;
    private final Shelf shelf;
    private final RoomBook room;
    private final ShopBook shops;
    private final Moments moments;
    private final AtomicReference<Optional<Standing>> looked = new AtomicReference<>(Optional.empty());

    PlanBook(PlanMapper mapper, HoursBook hours, OrderForm orders, CupBook cups, Shelf shelf, RoomBook room, ShopBook shops, Moments moments) {
        this.mapper = mapper;
        this.hours = hours;
        this.orders = orders;
        this.cups = cups;
        this.shelf = shelf;
        this.room = room;
        this.shops = shops;
        this.moments = moments;
    }

    /**
     * How things stand, laid out once for as long as nothing it rests on changes.
     *
     * @param kept       where the plan that is kept has each step, empty if none is
     * @param departures where life has departed from it
     */
    record Standing(WeekPlan plan, List<Placement> kept, List<Departure> departures) {

        public boolean isKept() {
            return !kept.isEmpty();
        }
    }

    /**
     * A plan to be kept or dropped.
     *
     * @param before  the plan as it is
     * @param after   the plan as it would be
     * @param changes what it would change beside
     * @param isOpen  whether it is neither kept nor dropped yet
     */
    record Proposal(long id, String why, String madeBy, Instant madeAt, WeekPlan before, WeekPlan after, List<PlanChange> changes, boolean isOpen) {

        Changes difference() {
            return Changes.between(before, after);
        }
    }

    /** The workshop as it stands: every cup with steps left, from the last full five minutes on. */
    Workshop workshop() {
        Instant now = Instant.ofEpochSecond(Math.floorDiv(moments.now().getEpochSecond(), PERIOD_S) * PERIOD_S);
        List<PlanCup> planned = cups.all().stream().filter(cup -> !cup.state().isFinished() && cup.state().handedOverAt().isEmpty()).map(this::planCup).toList();
        return new Workshop(now, room.course(), hours.hours(), shelf.spindles(), planned, mapper.pins().stream().map(pin -> new Pin(pin.cup(), pin.step(), pin.at())).toList(), Workshop.USUAL_HORIZON);
    }

    /** A cup is promised at full cure before the day it is due. */
    private PlanCup planCup(CupOnBench cup) {
        return new PlanCup(cup.cup().code(), cup.file(), cup.cup().base().name(), cup.cup().last().name(),
                cup.cup().dueOn().map(day -> day.atStartOfDay(shops.shop().zoneId()).toInstant()), cup.cup().matters());
    }

    /** Whether a plan is kept; else what is shown is what Nursery would begin with. */
    boolean isKept() {
        return mapper.kept().isPresent();
    }

    /** How things stand: the plan that is kept, moved where life has moved it; what Nursery would begin with if none is. */
    @Transactional(readOnly = true)
    Standing standing() {
        List<Placement> kept = placements();
        Workshop shop = workshop();
        Optional<Standing> before = looked.get().filter(then -> then.plan().workshop().equals(shop) && then.kept().equals(kept));
        if (before.isPresent()) {
            return before.get();
        }
        WeekPlan plan = kept.isEmpty() ? Planner.plan(shop, Budget.of(FIRST_STEPS)) : Planner.kept(kept, shop);
        Standing standing = new Standing(plan, kept, kept.isEmpty() ? List.of() : Departure.of(kept, plan));
        looked.set(Optional.of(standing));
        return standing;
    }

    /** The plan as it stands now. */
    @Transactional(readOnly = true)
    public WeekPlan current() {
        return standing().plan();
    }

    /** Where life has departed from the plan that is kept; nothing if none is. */
    @Transactional(readOnly = true)
    public List<Departure> departures() {
        return isKept() ? standing().departures() : List.of();
    }

    private List<Placement> placements() {
        return mapper.kept().map(this::placements).orElse(List.of());
    }

    private List<Placement> placements(long plan) {
        return mapper.steps(plan).stream().map(row -> new Placement(row.cup(), row.step(), row.begins())).toList();
    }

    /** Works out a plan with some things otherwise, and puts it before the maker. */
    @Transactional
    public long propose(String why, List<PlanChange> changes, String by) {
        return propose(why, changes, by, isKept());
    }

    /** @param calm whether to move as little as may be of what is planned */
    @Transactional
    long propose(String why, List<PlanChange> changes, String by, boolean calm) {
        Workshop changed = changed(workshop(), changes);
        List<Placement> before = current().placements();
        Planner planner = calm ? Planner.after(before, changed) : Planner.anew(before, changed);
        planner.improve(within(ANSWERED_WITHIN, MOST_STEPS));
        return record(why, changes, planner.best(), by);
    }

    /** Makes a plan and keeps it at once. */
    @Transactional
    public void begin(String by) {
        keep(propose("As things stand", List.of(), by), by);
    }

    /** So many steps of a search, but no longer than so. */
    static Budget within(Duration time, long steps) {
        long until = System.nanoTime() + time.toNanos();
        return new Budget(steps, () -> System.nanoTime() - until >= 0, far -> {});
    }

    /** Puts a plan before the maker that was found otherwise. */
    @Transactional
    long record(String why, List<PlanChange> changes, WeekPlan plan, String by) {
        forget(moments.now().minus(PROPOSED_FOR));
        NewPlan row = new NewPlan(mapper.kept().orElse(null), why, moments.now(), by);
        mapper.insert(row);
        long id = Optional.ofNullable(row.getId()).orElseThrow();
        List<StepRow> steps = plan.placements().stream().map(step -> new StepRow(step.cup(), step.step(), step.begins())).toList();
        for (int from = 0; from < steps.size(); from += STEPS_AT_ONCE) {
            mapper.insertSteps(id, steps.subList(from, Math.min(steps.size(), from + STEPS_AT_ONCE)));
        }
        for (int i = 0; i < changes.size(); i++) {
            mapper.insertChange(id, i, changes.get(i).row());
        }
        return id;
    }

    /** What was proposed long ago and not kept is of no use to anybody. */
    private void forget(Instant before) {
        mapper.forgetSteps(before);
        mapper.forgetChanges(before);
        mapper.forget(before);
    }

    @Transactional(readOnly = true)
    Optional<Proposal> proposal(long id) {
        return mapper.plan(id).map(row -> {
            List<PlanChange> changes = changes(id);
            WeekPlan after = Planner.kept(placements(id), changed(workshop(), changes));
            return new Proposal(id, row.why(), row.madeBy(), row.madeAt(), current(), after, changes, row.state().equals("PROPOSED"));
        });
    }

    private List<PlanChange> changes(long id) {
        return mapper.changes(id).stream().map(row -> PlanChange.of(row, written -> orders.again(written, shops.show()))).toList();
    }

    private static Workshop changed(Workshop shop, List<PlanChange> changes) {
        Workshop changed = shop;
        for (PlanChange change : changes) {
            changed = change.in(changed);
        }
        return changed;
    }

    /**
     * Keeps a plan, and does what it changes beside.
     *
     * @return another proposal with the same changes, if somebody else's plan was kept meanwhile; empty if this one is kept now
     */
    @Transactional
    Optional<Long> keep(long id, String by) {
        mapper.hold();
        PlanRow row = mapper.plan(id).orElseThrow();
        if (!row.state().equals("PROPOSED")) {
            return Optional.empty();
        }
        Long kept = mapper.kept().orElse(null);
        if (kept == null ? row.baseId() != null : !kept.equals(row.baseId())) {
            mapper.mark(id, "DROPPED");
            return Optional.of(propose(row.why(), changes(id), by));
        }
        int wanted = 0;
        for (PlanChange change : changes(id)) {
            carryOut(change);
            wanted = change.order().isPresent() ? start(id, change.order().get(), wanted) : wanted;
        }
        mapper.mark(id, "KEPT");
        mapper.keep(id);
        return Optional.empty();
    }

    private void carryOut(PlanChange change) {
        switch (change.kind()) {
            case PIN -> mapper.pin(new PinRow(change.cup(), change.number(), change.at().orElseThrow()));
            case UNPIN -> mapper.unpin(change.cup(), change.number());
            case HOURS -> hours.except(change.day().orElseThrow(), DayHours.parse(change.hours()));
            case MATTERS -> cups.matters(change.cup(), change.number());
            case SPINDLE -> shelf.addSpindles(change.number());
            case ORDER -> { /* its cups are started with the plan that names them */ }
        }
    }

    /** Starts an order's cups, and gives the plan their codes for those it knew them by. */
    private int start(long plan, Order order, int wantedBefore) {
        List<String> codes = cups.startAll(Collections.nCopies(order.count(), order.started(moments.now())));
        for (int i = 0; i < codes.size(); i++) {
            mapper.started(plan, Order.wanted(wantedBefore + i + 1), codes.get(i));
        }
        return wantedBefore + codes.size();
    }

    @Transactional
    void drop(long id) {
        mapper.hold();
        mapper.plan(id).filter(row -> row.state().equals("PROPOSED")).ifPresent(row -> mapper.mark(id, "DROPPED"));
    }
}

package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.plan.DoubtMapper.SureRow;
import nursery.app.platform.Desk;
import nursery.app.platform.Desks;
import nursery.core.log.Cup;
import nursery.core.plan.Chance;
import nursery.core.plan.Changes;
import nursery.core.plan.Doubt;
import nursery.core.plan.Order;
import nursery.core.plan.Planner;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Wish;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;

/** Orders: what they could be promised for, and taking them. */
@Service
class Orders implements DisposableBean {

    private static final long STEPS = 1000;
    /** Days behind the one on which it surely would be ready. */
    private static final List<Integer> LATER = List.of(1, 4);

    private static final double MARGIN = 0.02;

    /** Two plans are made for an answer. */
    private static final Duration ASKED_FOR = Duration.ofMillis(350);

    private final Desk<Long> desk;
    private final PlanBook plans;
    private final DoubtBook doubts;
    private final Floors floors;

    Orders(PlanBook plans, DoubtBook doubts, Floors floors, Desks desks) {
        this.plans = plans;
        this.doubts = doubts;
        this.floors = floors;
        this.desk = desks.desk("order-import", Long.class);
    }

    /**
     * What an order can be promised for.
     *
     * @param surePercent with so many chances in a hundred a promise is to hold
     * @param readyAt when its last cup is to reach full cure, by the plan with it; empty if it finds no place
     * @param surelyAt when it has as surely as the maker wants; empty if that is too far off to say
     * @param chance that all are ready by the day they are due, if one is given
     * @param readyLast when it would surely be, did it come after everything promised so far
     * @param nowLate cups that are promised already and would be late
     * @param moved how many steps that are planned already would move
     * @param inTime whether it can be promised as surely as the maker wants
     * @param byDay how many are surely ready by which day
     */
    record Promise(
            Order order,
            int surePercent,
            Optional<Instant> readyAt,
            Optional<Instant> surelyAt,
            Optional<Chance> chance,
            Optional<Instant> readyLast,
            List<Cup> nowLate,
            int moved,
            boolean inTime,
            List<ByDay> byDay) {

        /** How many are ready by the day they are due; all or none where no day is given. */
        public int inTimeCount() {
            return order.due()
                    .map(day -> byDay.stream()
                            .filter(one -> one.day().isBefore(day))
                            .mapToInt(ByDay::count)
                            .max()
                            .orElse(0))
                    .orElse(inTime ? order.count() : 0);
        }
    }

    /** So many of an order's cups have reached full cure by the end of a day. */
    record ByDay(int count, LocalDate day) {}

    /** @param all when all of them are surely ready: later, for each may keep the others waiting */
    private List<ByDay> byDay(Doubt doubt, List<String> cups, double sure, Optional<Instant> all) {
        List<LocalDate> days = cups.stream()
                .flatMap(cup -> doubt.readyWith(cup, sure).stream())
                .map(this::day)
                .sorted()
                .toList();
        return Stream.concat(
                        days.stream()
                                .distinct()
                                .map(day -> new ByDay(
                                        (int) days.stream()
                                                .filter(one -> !one.isAfter(day))
                                                .count(),
                                        day)),
                        all.map(at -> new ByDay(cups.size(), day(at))).stream())
                .filter(one -> one.count() < cups.size()
                        || all.map(this::day).filter(one.day()::equals).isPresent())
                .distinct()
                .toList();
    }

    private LocalDate day(Instant at) {
        return at.atZone(floors.ways().zone()).toLocalDate();
    }

    /** Plans the shop with the order in it, promised, and once more with it behind everything else. */
    Promise promise(Order order) {
        WeekPlan before = floors.standing(floors.now()).plan();
        WeekPlan promised = planned(before, order);
        WeekPlan last = planned(before, order.dueOn(Optional.empty()));
        List<String> lateBefore = before.late().stream().map(Cup::code).toList();
        List<Cup> nowLate = promised.late().stream()
                .filter(cup -> !Order.isWanted(cup.code()) && !lateBefore.contains(cup.code()))
                .toList();
        SureRow sure = doubts.sure();
        List<String> cups = wanted(promised);
        boolean isPlaced = cups.size() == order.count();
        Doubt doubt = doubts.of(promised, sure);
        Optional<Instant> surely = isPlaced ? doubt.readyWith(cups, sure.sure()) : Optional.empty();
        Optional<Instant> due =
                order.due().map(day -> day.atStartOfDay(floors.ways().zone()).toInstant());
        return new Promise(
                order,
                sure.surePercent(),
                isPlaced ? cups.stream().map(promised.readyAt()::get).max(Instant::compareTo) : Optional.empty(),
                surely,
                due.filter(moment -> isPlaced)
                        .flatMap(moment -> doubt.by(cups, moment))
                        .map(Chance::new),
                wanted(last).size() == order.count()
                        ? doubts.of(last, sure).readyWith(wanted(last), sure.sure())
                        : Optional.empty(),
                nowLate,
                Changes.between(before, promised).moved().size(),
                surely.isPresent()
                        && due.map(moment -> !surely.get().isAfter(moment)).orElse(true),
                byDay(doubt, cups, sure.sure(), surely));
    }

    /**
     * A day behind a moment for which an order can be promised: planned again with that day, for with more time the
     * plan is another. Empty if none of those that suggest themselves holds.
     */
    Optional<LocalDate> dayThatHolds(Order order, Instant surely) {
        return LATER.stream()
                .map(days -> day(surely).plusDays(days))
                .filter(day -> holds(order.dueOn(Optional.of(day))))
                .findFirst();
    }

    /**
     * Whether an order would surely be in time, asked once more: a little surer than is wanted, since a search that
     * stops by the clock does not find the same plan each time.
     */
    boolean holds(Order order) {
        SureRow sure = doubts.sure();
        WeekPlan plan = planned(floors.standing(floors.now()).plan(), order);
        List<String> cups = wanted(plan);
        return cups.size() == order.count()
                && order.due()
                        .flatMap(day -> doubts.of(plan, sure)
                                .by(cups, day.atStartOfDay(floors.ways().zone()).toInstant()))
                        .filter(share -> share >= Math.min(1, sure.sure() + MARGIN))
                        .isPresent();
    }

    private WeekPlan planned(WeekPlan before, Order order) {
        Planner planner = Planner.after(before.placements(), new Wish.Ordered(order).in(before.workshop()));
        planner.improve(PlanBook.within(ASKED_FOR, STEPS));
        return planner.best();
    }

    /** An order's cups that found their place. */
    private static List<String> wanted(WeekPlan plan) {
        return plan.readyAt().keySet().stream().filter(Order::isWanted).sorted().toList();
    }

    /** Proposes a plan with some orders in it; their cups are started once it is kept. */
    long take(List<Order> orders, String by) {
        return take(orders, "", by, percent -> {});
    }

    private long take(List<Order> orders, String said, String by, IntConsumer percent) {
        int count = orders.stream().mapToInt(Order::count).sum();
        return plans.propose(
                "With %d new %s%s".formatted(count, count == 1 ? "cup" : "cups", said.isEmpty() ? "" : ". " + said),
                orders.stream().<Wish>map(Wish.Ordered::new).toList(),
                by,
                percent);
    }

    /**
     * The same beside the page, for a file may hold a whole season.
     *
     * @param said what the maker should know of the file, or nothing
     * @return the number it is asked for by; what comes of it is the proposal's
     */
    long takeBeside(List<Order> orders, String said, String by) {
        return desk.start(doing -> take(orders, said, by, doing::percent));
    }

    Optional<Desk.Run<Long>> run(long number) {
        return desk.run(number);
    }

    @Override
    public void destroy() {
        desk.close();
    }
}

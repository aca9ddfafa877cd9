package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntConsumer;
import nursery.app.floor.Floors;
import nursery.app.platform.Desk;
import nursery.app.platform.Desks;
import nursery.core.log.Cup;
import nursery.core.plan.Changes;
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
    /** Two plans are made for an answer. */
    private static final Duration ASKED_FOR = Duration.ofMillis(350);

    private final Desk<Long> desk;
    private final PlanBook plans;
    private final Floors floors;

    Orders(PlanBook plans, Floors floors, Desks desks) {
        this.plans = plans;
        this.floors = floors;
        this.desk = desks.desk("order-import", Long.class);
    }

    /**
     * What an order can be promised for.
     *
     * @param after the plan with it
     * @param readyAt when its last cup has reached full cure, by that plan; empty if it finds no place
     * @param readyLast when it would be, did it come after everything promised so far
     * @param nowLate cups that are promised already and would be late
     * @param moved how many steps that are planned already would move
     */
    record Promise(
            Order order,
            Optional<Instant> readyAt,
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

    private List<ByDay> byDay(WeekPlan plan) {
        List<LocalDate> days = plan.readyAt().entrySet().stream()
                .filter(entry -> Order.isWanted(entry.getKey()))
                .map(entry -> entry.getValue().atZone(floors.ways().zone()).toLocalDate())
                .sorted()
                .toList();
        return days.stream()
                .distinct()
                .map(day -> new ByDay(
                        (int) days.stream().filter(one -> !one.isAfter(day)).count(), day))
                .toList();
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
        Optional<Instant> ready = ready(promised, order.count());
        boolean inTime = order.due()
                .map(day -> ready.filter(at -> !at.isAfter(
                                day.atStartOfDay(floors.ways().zone()).toInstant()))
                        .isPresent())
                .orElse(ready.isPresent());
        return new Promise(
                order,
                ready,
                ready(last, order.count()),
                nowLate,
                Changes.between(before, promised).moved().size(),
                inTime,
                byDay(promised));
    }

    private WeekPlan planned(WeekPlan before, Order order) {
        Planner planner = Planner.after(before.placements(), new Wish.Ordered(order).in(before.workshop()));
        planner.improve(PlanBook.within(ASKED_FOR, STEPS));
        return planner.best();
    }

    private static Optional<Instant> ready(WeekPlan plan, int count) {
        List<Instant> ready = plan.readyAt().entrySet().stream()
                .filter(entry -> Order.isWanted(entry.getKey()))
                .map(Map.Entry::getValue)
                .toList();
        return ready.size() == count ? ready.stream().max(Instant::compareTo) : Optional.empty();
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

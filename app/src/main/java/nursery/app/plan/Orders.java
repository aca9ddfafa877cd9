package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.CupBook;
import nursery.app.cups.NewCup;
import nursery.app.platform.Moments;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.ShelfBlank;
import nursery.app.shelf.ShelfResin;
import nursery.app.techniques.ShelvedTechnique;
import nursery.core.log.CupFile;
import nursery.core.plan.Changes;
import nursery.core.plan.PlanCup;
import nursery.core.plan.Planner;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Workshop;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orders: what they could be promised for, and taking them. */
@Service
class Orders {

    static final int MOST_CUPS = 60;
    private static final String PAINT = "#1f3a5f";
    private static final String GLITTER = "#3f7fbf";
    private static final long STEPS = 1000;
    /** Two plans are made for an answer. */
    private static final Duration ASKED_FOR = Duration.ofMillis(350);

    private final PlanBook plans;
    private final CupBook cups;
    private final ShopBook shops;
    private final Moments moments;

    Orders(PlanBook plans, CupBook cups, ShopBook shops, Moments moments) {
        this.plans = plans;
        this.cups = cups;
        this.shops = shops;
        this.moments = moments;
    }

    /** What somebody wants: so many cups alike. */
    record Order(String name, String madeFor, int count, ShelvedTechnique technique, ShelfBlank blank, ShelfResin base, ShelfResin last, Optional<LocalDate> due, int matters) {

        List<PlanStep> plan() {
            return technique.technique().plan(Schools.of(List.of()), Map.of());
        }
    }

    /**
     * What an order can be promised for.
     *
     * @param after     the plan with it
     * @param readyAt   when its last cup has reached full cure, by that plan; empty if it finds no place
     * @param readyLast when it would be, did it come after everything promised so far
     * @param nowLate   cups that are promised already and would be late
     * @param moved     how many steps that are planned already would move
     */
    record Promise(Order order, Optional<Instant> readyAt, Optional<Instant> readyLast, List<PlanCup> nowLate, int moved, boolean inTime) {}

    /** Plans the shop with the order in it, promised, and once more with it behind everything else. */
    @Transactional(readOnly = true)
    Promise promise(Order order) {
        WeekPlan before = plans.current();
        WeekPlan promised = planned(before, order, order.due());
        WeekPlan last = planned(before, order, Optional.empty());
        List<String> lateBefore = before.late().stream().map(PlanCup::code).toList();
        List<PlanCup> nowLate = promised.late().stream().filter(cup -> !isNew(cup.code()) && !lateBefore.contains(cup.code())).toList();
        Optional<Instant> ready = ready(promised, order.count());
        boolean inTime = order.due().map(day -> ready.filter(at -> !at.isAfter(day.atStartOfDay(shops.shop().zoneId()).toInstant())).isPresent()).orElse(ready.isPresent());
        return new Promise(order, ready, ready(last, order.count()), nowLate, Changes.between(before, promised).moved().size(), inTime);
    }

    private WeekPlan planned(WeekPlan before, Order order, Optional<LocalDate> due) {
        Workshop shop = before.workshop();
        List<PlanCup> all = new ArrayList<>(shop.cups());
        CupFile file = new CupFile(order.blank().blank(), order.base().cureLabel(), order.last().cureLabel(), order.plan(), shop.now(), List.of());
        for (int i = 1; i <= order.count(); i++) {
            all.add(new PlanCup("new " + i, file, order.base().name(), order.last().name(), due.map(day -> day.atStartOfDay(shops.shop().zoneId()).toInstant()), order.matters()));
        }
        Planner planner = Planner.after(before.placements(), shop.withCups(all));
        planner.improve(PlanBook.within(ASKED_FOR, STEPS));
        return planner.best();
    }

    private static boolean isNew(String code) {
        return code.startsWith("new ");
    }

    private static Optional<Instant> ready(WeekPlan plan, int count) {
        List<Instant> ready = plan.readyAt().entrySet().stream().filter(entry -> isNew(entry.getKey())).map(Map.Entry::getValue).toList();
        return ready.size() == count ? ready.stream().max(Instant::compareTo) : Optional.empty();
    }

    /** Starts the cups of some orders, all or none, and proposes a plan with them. */
    @Transactional
    long take(List<Order> orders, String by) {
        for (Order order : orders) {
            NewCup cup = new NewCup(order.name(), order.madeFor(), order.blank().id(), order.base().id(), order.last().id(), order.due(), PAINT, GLITTER, Schools.of(List.of()),
                    order.technique().technique().name(), order.plan(), moments.now(), order.matters());
            cups.startAll(Collections.nCopies(order.count(), cup));
        }
        int count = orders.stream().mapToInt(Order::count).sum();
        return plans.propose("With %d new %s".formatted(count, count == 1 ? "cup" : "cups"), List.of(), by);
    }
}

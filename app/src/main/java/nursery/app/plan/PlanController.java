package nursery.app.plan;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.CupBook;
import nursery.app.cups.CupOnBench;
import nursery.app.picture.TimeBar;
import nursery.app.plan.PlanBook.Standing;
import nursery.app.platform.Form;
import nursery.app.platform.Show;
import nursery.app.settings.Shop;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfResin;
import nursery.app.shelf.StockBook;
import nursery.core.plan.Because;
import nursery.core.plan.PlanCup;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.Rescue;
import nursery.core.plan.WeekPlan;
import nursery.core.resin.Part;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The plan to look at: the week, the day, one cup. */
@Controller
class PlanController {

    private static final List<Integer> DAYS = List.of(2, 7, 14);
    private static final Duration BACK = Duration.ofHours(3);
    private static final int OTHER_TIMES = 6;
    /** Each change that might save a cup is looked into this long. */
    private static final long RESCUE_STEPS = 150;

    private final PlanBook plans;
    private final PlanSearch search;
    private final CupBook cups;
    private final Shelf shelf;
    private final StockBook stock;
    private final ShopBook shops;

    PlanController(PlanBook plans, PlanSearch search, CupBook cups, Shelf shelf, StockBook stock, ShopBook shops) {
        this.plans = plans;
        this.search = search;
        this.cups = cups;
        this.shelf = shelf;
        this.stock = stock;
        this.shops = shops;
    }

    /** A step of a cup, why it stands where it stands, and where else it could. */
    record StepLine(PlannedStep step, List<Because> why, List<Instant> others, boolean isPinned) {}

    /** A resin on the shopping list. */
    record Shopping(String resin, String part, double neededMl, double leftMl) {

        public boolean isShort() {
            return leftMl < neededMl;
        }

        public double shortMl() {
            return Math.max(0, neededMl - leftMl);
        }
    }

    @GetMapping("/plan")
    String week(@RequestParam(defaultValue = "7") int days, @RequestParam(defaultValue = "cups") String by, Model model) {
        Standing standing = plans.standing();
        WeekPlan plan = standing.plan();
        Show show = shops.show();
        Shop shop = shops.shop();
        int shown = DAYS.contains(days) ? days : 7;
        Instant from = show.now().minus(BACK).truncatedTo(ChronoUnit.HOURS);
        TimeBar.Frame frame = new TimeBar.Frame(from, from.plus(Duration.ofDays(shown)), shop.zoneId(), shop.quietFrom(), shop.quietUntil());
        List<CupOnBench> all = cups.all();
        boolean bySpindle = by.equals("spindles");
        model.addAttribute("page", bySpindle ? WeekPage.spindles(plan, all, frame, show) : WeekPage.cups(plan, all, frame, show));
        model.addAttribute("by", bySpindle ? "spindles" : "cups");
        model.addAttribute("days", shown);
        model.addAttribute("choices", DAYS);
        model.addAttribute("plan", plan);
        model.addAttribute("kept", standing.isKept());
        model.addAttribute("departures", standing.departures());
        model.addAttribute("run", search.run().filter(run -> !run.isOver()).orElse(null));
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/week";
    }

    @GetMapping("/plan/today")
    String today(@RequestParam(defaultValue = "") String day, Model model) {
        Show show = shops.show();
        LocalDate chosen = date(day).orElse(show.today());
        WeekPlan plan = plans.current();
        double markMl = shelf.measuringCupAtHand().cup().markMl();
        model.addAttribute("plan", plan);
        model.addAttribute("page", DayPage.of(plan, chosen, shops.shop().losses(), markMl, show));
        model.addAttribute("shopping", shopping(plan, chosen.plusDays(7).atStartOfDay(show.zone()).toInstant(), markMl));
        model.addAttribute("form", Form.fresh(Map.of()));
        model.addAttribute("next", plan.sessions().stream().filter(session -> session.begins().atZone(show.zone()).toLocalDate().isAfter(chosen)).findFirst().orElse(null));
        return "plan/today";
    }

    @GetMapping("/plan/cup/{code}")
    String cup(@PathVariable String code, Model model) {
        WeekPlan plan = plans.current();
        PlanCup cup = planned(plan, code);
        model.addAttribute("onBench", cups.cup(code).orElseThrow());
        model.addAttribute("cup", cup);
        model.addAttribute("plan", plan);
        model.addAttribute("late", plan.lateness(cup).map(WeekPage::span).orElse(null));
        model.addAttribute("unplaced", plan.notPlaced().stream().filter(one -> one.cup().equals(code)).findFirst().orElse(null));
        model.addAttribute("steps", plan.of(code).stream().filter(PlannedStep::isHandsOn).map(step -> line(plan, step)).toList());
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/cup";
    }

    /** What would bring a late cup in on time: worked out when it is asked for, since it means planning the shop anew several times. */
    @GetMapping("/plan/cup/{code}/rescue")
    String rescue(@PathVariable String code, Model model) {
        WeekPlan plan = plans.current();
        Optional<Rescue.OtherResin> fast = shelf.resins().stream().min(Comparator.comparing((ShelfResin resin) -> resin.cureLabel().times().fullCureH()).thenComparing(ShelfResin::id))
                .map(resin -> new Rescue.OtherResin(resin.name(), resin.cureLabel()));
        model.addAttribute("rescues", Rescue.of(plan, planned(plan, code), fast, RESCUE_STEPS));
        return "plan/rescue";
    }

    private static PlanCup planned(WeekPlan plan, String code) {
        return plan.workshop().cups().stream().filter(one -> one.code().equals(code)).findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "No cup %s is in the plan: it is finished, or there is none.".formatted(code)));
    }

    private static StepLine line(WeekPlan plan, PlannedStep step) {
        boolean pinned = plan.workshop().pins().stream().anyMatch(pin -> pin.cup().equals(step.cup()) && pin.step() == step.step().number());
        return new StepLine(step, Because.of(plan, step), plan.otherTimes(step, OTHER_TIMES), pinned);
    }

    private List<Shopping> shopping(WeekPlan plan, Instant until, double markMl) {
        List<Shopping> list = new ArrayList<>();
        DayPage.resinUntil(plan, until, shops.shop().losses(), markMl).forEach((name, parts) -> {
            long id = shelf.resins().stream().filter(resin -> resin.name().equals(name)).findFirst().orElseThrow().id();
            list.add(new Shopping(name, "A", parts[0], left(id, Part.A)));
            list.add(new Shopping(name, "B", parts[1], left(id, Part.B)));
        });
        return list;
    }

    private double left(long resin, Part part) {
        return stock.bottles().stream().filter(bottle -> bottle.resinId() == resin && bottle.bottle().part() == part).mapToDouble(bottle -> bottle.bottle().leftMl()).sum();
    }

    static Optional<LocalDate> date(String text) {
        try {
            return text.isBlank() ? Optional.empty() : Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}

package nursery.app.plan;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Form;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.floor.Floor;
import nursery.core.floor.Standing;
import nursery.core.log.Cup;
import nursery.core.measure.Dates;
import nursery.core.measure.Span;
import nursery.core.plan.Because;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.Rescue;
import nursery.core.plan.Session;
import nursery.core.plan.WeekPlan;
import nursery.core.resin.Part;
import nursery.core.resin.Resin;
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

    private final PlanSearch search;
    private final Floors floors;
    private final StockBook stock;

    PlanController(PlanSearch search, Floors floors, StockBook stock) {
        this.search = search;
        this.floors = floors;
        this.stock = stock;
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
    String week(
            @RequestParam(defaultValue = "7") int days, @RequestParam(defaultValue = "cups") String by, Model model) {
        Floor floor = floors.now();
        Standing standing = floors.standing(floor);
        WeekPlan plan = standing.plan();
        Show show = floors.show();
        int shown = DAYS.contains(days) ? days : 7;
        Instant from = show.now().minus(BACK).truncatedTo(ChronoUnit.HOURS);
        TimeBar.Frame frame = new TimeBar.Frame(
                new Span(from, from.plus(Duration.ofDays(shown))), floor.ways().quiet(), show.clock());
        boolean bySpindle = by.equals("spindles");
        model.addAttribute(
                "page",
                bySpindle
                        ? WeekPage.spindles(plan, floor.cups(), frame, show)
                        : WeekPage.cups(plan, floor.cups(), frame, show));
        model.addAttribute("by", bySpindle ? "spindles" : "cups");
        model.addAttribute("days", shown);
        model.addAttribute("choices", DAYS);
        model.addAttribute("plan", plan);
        Optional<Session> next = plan.sessionFrom(show.now());
        model.addAttribute("next", next.orElse(null));
        model.addAttribute(
                "nextDay",
                next.map(session -> session.begins().atZone(show.zone()).toLocalDate())
                        .orElse(null));
        model.addAttribute(
                "late",
                plan.late().stream()
                        .map(cup -> new Late(cup, WeekPage.late(plan, cup).orElseThrow()))
                        .toList());
        model.addAttribute("kept", standing.isKept());
        model.addAttribute("departures", standing.departures());
        model.addAttribute("run", search.run().filter(run -> !run.isOver()).orElse(null));
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/week";
    }

    @GetMapping("/plan/today")
    String today(@RequestParam(defaultValue = "") String day, Model model) {
        Floor floor = floors.now();
        Show show = floors.show();
        LocalDate chosen = date(day).orElse(show.today());
        WeekPlan plan = floors.standing(floor).plan();
        model.addAttribute("plan", plan);
        model.addAttribute(
                "marks", show.onMarks(floor.shelf().measuringCupAtHand().cup()));
        model.addAttribute("page", DayPage.of(plan, chosen, floor, show));
        model.addAttribute(
                "shopping",
                shopping(plan, chosen.plusDays(7).atStartOfDay(show.zone()).toInstant(), floor));
        model.addAttribute("form", Form.fresh(Map.of()));
        model.addAttribute(
                "next",
                plan.sessions().stream()
                        .filter(session -> session.begins()
                                .atZone(show.zone())
                                .toLocalDate()
                                .isAfter(chosen))
                        .findFirst()
                        .orElse(null));
        return "plan/today";
    }

    @GetMapping("/plan/cup/{code}")
    String cup(@PathVariable String code, Model model) {
        Floor floor = floors.now();
        Standing standing = floors.standing(floor);
        WeekPlan plan = standing.plan();
        Cup cup = planned(plan, code);
        model.addAttribute("cup", cup);
        model.addAttribute(
                "readyAt", floor.find(code).flatMap(standing::readyAt).orElse(null));
        model.addAttribute("late", plan.lateness(cup).map(WeekPage::span).orElse(null));
        model.addAttribute(
                "unplaced",
                plan.notPlaced().stream()
                        .filter(one -> one.cup().equals(code))
                        .findFirst()
                        .orElse(null));
        model.addAttribute(
                "steps",
                plan.of(code).stream()
                        .filter(PlannedStep::isHandsOn)
                        .map(step -> line(plan, step))
                        .toList());
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/cup";
    }

    /** @param says how late it is, or that it has no place at all */
    record Late(Cup cup, String says) {}

    /** What would bring a late cup in on time, in words, and how it is asked for. */
    record Offer(Rescue rescue, String words, WishRow wish) {}

    /**
     * What would bring a late cup in on time: worked out when it is asked for, since it means planning the shop anew
     * several times.
     */
    @GetMapping("/plan/cup/{code}/rescue")
    String rescue(@PathVariable String code, Model model) {
        Floor floor = floors.now();
        WeekPlan plan = floors.standing(floor).plan();
        Show show = floors.show();
        model.addAttribute(
                "offers",
                Rescue.of(plan, planned(plan, code), floor.shelf().fastest(), RESCUE_STEPS).stream()
                        .map(rescue ->
                                new Offer(rescue, WishWords.rescue(rescue.wish(), show), WishRow.of(rescue.wish())))
                        .toList());
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/rescue";
    }

    static Cup planned(WeekPlan plan, String code) {
        return plan.workshop()
                .find(code)
                .orElseThrow(() -> new ResponseStatusException(
                        HttpStatus.NOT_FOUND,
                        "No cup %s is in the plan: it is finished, or there is none.".formatted(code)));
    }

    private static StepLine line(WeekPlan plan, PlannedStep step) {
        boolean pinned = plan.workshop().pins().stream()
                .anyMatch(pin -> pin.cup().equals(step.cup())
                        && pin.step() == step.step().number());
        return new StepLine(step, Because.of(plan, step), plan.otherTimes(step, OTHER_TIMES), pinned);
    }

    private List<Shopping> shopping(WeekPlan plan, Instant until, Floor floor) {
        List<Shopping> list = new ArrayList<>();
        List<StockBook.StockedBottle> bottles = stock.bottles();
        DayPage.resinUntil(plan, until, floor).forEach((resin, mix) -> {
            list.add(new Shopping(resin.name(), "A", mix.partAMl(), left(bottles, resin, Part.A)));
            list.add(new Shopping(resin.name(), "B", mix.partBMl(), left(bottles, resin, Part.B)));
        });
        return list;
    }

    private static double left(List<StockBook.StockedBottle> bottles, Resin resin, Part part) {
        return bottles.stream()
                .filter(bottle ->
                        bottle.resinId() == resin.id() && bottle.bottle().part() == part)
                .mapToDouble(bottle -> bottle.bottle().leftMl())
                .sum();
    }

    static Optional<LocalDate> date(String text) {
        try {
            return text.isBlank() ? Optional.empty() : Optional.of(Dates.possible(LocalDate.parse(text)));
        } catch (DateTimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}

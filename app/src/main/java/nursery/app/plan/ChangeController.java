package nursery.app.plan;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.plan.PlanBook.Proposal;
import nursery.app.platform.Form;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.platform.Submissions;
import nursery.app.settings.ShopBook;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.DayHours;
import nursery.core.plan.PlanCup;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** Wanting something otherwise, seeing what that changes, and keeping or dropping it. Nothing changes until a plan is kept. */
@Controller
class ChangeController {

    private static final Duration FURTHEST = Duration.ofDays(180);

    private final PlanBook plans;
    private final PlanSearch search;
    private final ShopBook shops;
    private final Submissions submissions;

    ChangeController(PlanBook plans, PlanSearch search, ShopBook shops, Submissions submissions) {
        this.plans = plans;
        this.search = search;
        this.shops = shops;
        this.submissions = submissions;
    }

    /** Wants something; what is wrong with it is told on a page of its own, with the way back. */
    @PostMapping("/plan/want")
    ModelAndView want(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        try {
            String by = Maker.of(request).name();
            return new ModelAndView("redirect:" + submissions.once(typed.getOrDefault("token", Submissions.newToken()), () -> "/plan/changes/" + propose(typed, by)));
        } catch (InvalidInput e) {
            model.addAttribute("form", Form.rejected(typed, e.faults()));
            return refused(e, typed.getOrDefault("cup", "").isBlank() ? "/plan" : "/plan/cup/" + typed.get("cup"), model);
        }
    }

    private long propose(Map<String, String> typed, String by) {
        FormReader reader = new FormReader(typed);
        Show show = shops.show();
        Optional<PlanChange.Kind> kind = reader.raw("want").equals("BETTER") ? Optional.empty() : reader.choice("want", "What is wanted", PlanChange.Kind.class);
        reader.faults().throwIfAny();
        List<PlanChange> changes = kind.map(wanted -> List.of(change(wanted, reader, show))).orElse(List.of());
        String why = changes.isEmpty() ? "As things stand" : changes.get(0).words(show);
        // Asked for a better plan while nothing is wrong, everything may move.
        boolean calm = !changes.isEmpty() || !plans.departures().isEmpty();
        return plans.propose(Character.toUpperCase(why.charAt(0)) + why.substring(1), changes, by, calm && plans.isKept());
    }

    private PlanChange change(PlanChange.Kind kind, FormReader reader, Show show) {
        PlanChange change = switch (kind) {
            case PIN -> pin(reader, show);
            case UNPIN -> PlanChange.unpin(cup(reader), step(reader));
            case HOURS -> hours(reader, show);
            case MATTERS -> matters(reader);
            case SPINDLE -> PlanChange.spindle();
            case ORDER -> throw new InvalidInput(List.of(new Fault("want", "An order has a page of its own.")));
        };
        reader.faults().throwIfAny();
        return change;
    }

    private PlanChange pin(FormReader reader, Show show) {
        Instant at = reader.moment("at", "The time", show.zone(), Instant.MAX).orElse(show.now());
        reader.faults().require(!at.isBefore(show.now().minus(Duration.ofMinutes(5))), "at", "%s has passed: pin it to a time to come, or log it as done.".formatted(show.at(at)));
        reader.faults().require(at.isBefore(show.now().plus(FURTHEST)), "at", "%s is more than half a year ahead: nobody plans that far.".formatted(show.at(at)));
        return PlanChange.pin(cup(reader), step(reader), at);
    }

    private PlanChange hours(FormReader reader, Show show) {
        Optional<LocalDate> day = reader.date("day", "The day");
        reader.faults().require(day.isPresent() || !reader.faults().none(), "day", "Say which day.");
        LocalDate end = show.today().plusDays(FURTHEST.toDays());
        day.ifPresent(date -> reader.faults().require(!date.isBefore(show.today()) && date.isBefore(end), "day", "%s is outside the half year that is planned.".formatted(show.date(date))));
        DayHours hours = reader.faults().attempt("hours", () -> DayHours.parse(reader.raw("hours"))).orElse(DayHours.NONE);
        return PlanChange.hours(day.orElse(show.today()), hours);
    }

    private PlanChange matters(FormReader reader) {
        double matters = reader.number("matters", "How much it matters");
        reader.faults().require(matters == Math.rint(matters), "matters", "How much it matters is a whole number from 1 to %d.".formatted(PlanCup.MOST_MATTERS));
        reader.faults().within("matters", "How much it matters", matters, 1, PlanCup.MOST_MATTERS, "");
        return PlanChange.matters(cup(reader), (int) matters);
    }

    private String cup(FormReader reader) {
        String code = reader.raw("cup");
        reader.faults().require(plans.current().workshop().cups().stream().anyMatch(cup -> cup.code().equals(code)), "cup", "No cup “%s” is in the plan any more: it is finished, or there is none.".formatted(code));
        return code;
    }

    private int step(FormReader reader) {
        int number = reader.raw("step").matches("\\d{1,4}") ? Integer.parseInt(reader.raw("step")) : 0;
        reader.faults().require(plans.current().find(reader.raw("cup"), number).isPresent(), "step", "That step is done, or not in the plan any more: look at the cup again.");
        return number;
    }

    @GetMapping("/plan/changes/{id}")
    ModelAndView changes(@PathVariable long id, Model model) {
        Proposal proposal;
        try {
            proposal = plans.proposal(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such plan."));
        } catch (InvalidInput e) {
            return refused(e, "/plan", model);
        }
        model.addAttribute("proposal", proposal);
        model.addAttribute("difference", proposal.difference());
        Show show = shops.show();
        model.addAttribute("words", proposal.changes().stream().map(change -> change.words(show)).toList());
        return new ModelAndView("plan/changes", model.asMap());
    }

    @PostMapping("/plan/changes/{id}/keep")
    ModelAndView keep(@PathVariable long id, HttpServletRequest request, Model model) {
        try {
            return new ModelAndView(plans.keep(id, Maker.of(request).name()).map(other -> "redirect:/plan/changes/" + other + "?others").orElse("redirect:/plan"));
        } catch (InvalidInput e) {
            return refused(e, "/plan", model);
        }
    }

    private static ModelAndView refused(InvalidInput e, String back, Model model) {
        model.addAttribute("faults", e.faults());
        model.addAttribute("back", back);
        return new ModelAndView("plan/refused", model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
    }

    @PostMapping("/plan/changes/{id}/drop")
    String drop(@PathVariable long id) {
        plans.drop(id);
        return "redirect:/plan";
    }

    @PostMapping("/plan/search")
    String search(HttpServletRequest request) {
        search.begin(Maker.of(request).name());
        return "redirect:/plan/search";
    }

    @GetMapping("/plan/search")
    String progress(Model model) {
        Optional<PlanSearch.Run> run = search.run();
        if (run.isEmpty()) {
            return "redirect:/plan";
        }
        model.addAttribute("run", run.get());
        return "plan/search";
    }

    @PostMapping("/plan/search/stop")
    String stop() {
        search.stop();
        return "redirect:/plan/search";
    }
}

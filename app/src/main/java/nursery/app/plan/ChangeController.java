package nursery.app.plan;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.plan.PlanBook.Proposal;
import nursery.app.platform.Desk;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.core.floor.Floor;
import nursery.core.floor.Standing;
import nursery.core.log.Cup;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.Changes;
import nursery.core.plan.DayHours;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Wish;
import nursery.core.resin.Resin;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/**
 * Wanting something otherwise, seeing what that changes, and keeping or dropping it. Nothing changes until a plan is
 * kept.
 */
@Controller
class ChangeController {

    private static final Duration FURTHEST = Duration.ofDays(180);

    private final PlanBook plans;
    private final PlanSearch search;
    private final Floors floors;
    private final FormPost posts;

    ChangeController(PlanBook plans, PlanSearch search, Floors floors, FormPost posts) {
        this.plans = plans;
        this.search = search;
        this.floors = floors;
        this.posts = posts;
    }

    /** Wants something; what is wrong with it is told on a page of its own, with the way back. */
    @PostMapping("/plan/want")
    ModelAndView want(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        String by = Maker.of(request).name();
        return posts.handle(typed, model, () -> "/plan/changes/" + propose(typed, by), form -> {
            model.addAttribute("form", form);
            model.addAttribute("faults", form.faults());
            model.addAttribute("back", form.value("cup").isBlank() ? "/plan" : "/plan/cup/" + form.value("cup"));
            return "plan/refused";
        });
    }

    private long propose(Map<String, String> typed, String by) {
        FormReader reader = new FormReader(typed);
        Show show = floors.show();
        Floor floor = floors.now();
        Standing standing = floors.standing(floor);
        Optional<Wish.Kind> kind = reader.raw("want").equals("BETTER")
                ? Optional.empty()
                : reader.choice("want", "What is wanted", Wish.Kind.class);
        reader.faults().throwIfAny();
        List<Wish> wishes = kind.map(wanted -> wanted == Wish.Kind.HOURS
                        ? hours(reader, show)
                        : List.of(wish(wanted, reader, show, floor, standing.plan())))
                .orElse(List.of());
        String why = wishes.isEmpty() ? "As things stand" : String.join(", ", WishWords.all(wishes, show));
        // Asked for a better plan while nothing is wrong, everything may move.
        boolean calm = !wishes.isEmpty() || !standing.departures().isEmpty();
        return plans.propose(Character.toUpperCase(why.charAt(0)) + why.substring(1), wishes, by, calm);
    }

    private static Wish wish(Wish.Kind kind, FormReader reader, Show show, Floor floor, WeekPlan plan) {
        Supplier<Wish> read =
                switch (kind) {
                    case PIN -> () -> pin(reader, show, plan);
                    case UNPIN -> () -> new Wish.Unpinned(cup(reader, plan), step(reader, plan));
                    case MATTERS -> () -> matters(reader, plan);
                    case SPINDLE -> () -> new Wish.MoreSpindles(1);
                    case OTHER_RESIN -> () -> otherResin(reader, floor, plan);
                    case COAT_LESS -> () -> coatLess(reader, plan);
                    case ORDER -> throw new InvalidInput(List.of(new Fault("want", "An order has a page of its own.")));
                    case HOURS -> throw new IllegalStateException("Hours may be those of several days.");
                };
        Wish wish = read.get();
        reader.faults().throwIfAny();
        return wish;
    }

    private static Wish pin(FormReader reader, Show show, WeekPlan plan) {
        Instant at = reader.moment("at", "The time", show.zone(), Instant.MAX).orElse(show.now());
        reader.faults()
                .require(
                        !at.isBefore(show.now().minus(Duration.ofMinutes(5))),
                        "at",
                        "%s has passed: pin it to a time to come, or log it as done.".formatted(show.at(at)));
        reader.faults()
                .require(
                        at.isBefore(show.now().plus(FURTHEST)),
                        "at",
                        "%s is more than half a year ahead: nobody plans that far.".formatted(show.at(at)));
        return new Wish.Pinned(cup(reader, plan), step(reader, plan), at);
    }

    /** Other hours on one day, or on each from one to another: a holiday. */
    private static List<Wish> hours(FormReader reader, Show show) {
        Optional<LocalDate> day = reader.date("day", "The day");
        Optional<LocalDate> until = reader.date("until", "The last day");
        reader.faults().require(day.isPresent() || !reader.faults().none(), "day", "Say which day.");
        LocalDate end = show.today().plusDays(FURTHEST.toDays());
        List<LocalDate> ends = Stream.of(day, until).flatMap(Optional::stream).toList();
        ends.forEach(date -> reader.faults()
                .require(
                        !date.isBefore(show.today()) && date.isBefore(end),
                        "day",
                        "%s is outside the half year that is planned.".formatted(show.date(date))));
        LocalDate first = day.orElse(show.today());
        LocalDate last = until.orElse(first);
        reader.faults()
                .require(!last.isBefore(first), "until", "It ends on %s, before it begins.".formatted(show.date(last)));
        DayHours hours = reader.faults()
                .attempt("hours", () -> DayHours.parse(reader.raw("hours")))
                .orElse(DayHours.NONE);
        reader.faults().throwIfAny();
        return first.datesUntil(last.plusDays(1))
                .map(date -> (Wish) new Wish.Hours(date, hours))
                .toList();
    }

    private static Wish matters(FormReader reader, WeekPlan plan) {
        double matters = reader.number("matters", "How much it matters");
        reader.faults()
                .require(
                        matters == Math.rint(matters),
                        "matters",
                        "How much it matters is a whole number from 1 to %d.".formatted(Cup.Promise.MOST_MATTERS));
        reader.faults().within("matters", "How much it matters", matters, 1, Cup.Promise.MOST_MATTERS, "");
        return new Wish.Matters(cup(reader, plan), (int) matters);
    }

    private static Wish otherResin(FormReader reader, Floor floor, WeekPlan plan) {
        String cup = cup(reader, plan);
        Optional<Resin> resin = reader.id("resinId", "The resin").flatMap(floor.shelf()::resin);
        reader.faults()
                .require(
                        resin.isPresent() || !reader.faults().none(),
                        "resinId",
                        "That resin is not on the shelf any more: choose another.");
        reader.faults().throwIfAny();
        return new Wish.OtherResin(cup, resin.orElseThrow());
    }

    private static Wish coatLess(FormReader reader, WeekPlan plan) {
        String cup = cup(reader, plan);
        int step = step(reader, plan);
        boolean isCoat = plan.find(cup, step)
                .filter(planned -> planned.step().kind().isPour())
                .isPresent();
        reader.faults().require(isCoat || !reader.faults().none(), "step", "That step is no coat that can be spared.");
        return new Wish.CoatLess(cup, step);
    }

    private static String cup(FormReader reader, WeekPlan plan) {
        String code = reader.raw("cup");
        reader.faults()
                .require(
                        plan.workshop().find(code).isPresent(),
                        "cup",
                        "No cup “%s” is in the plan any more: it is finished, or there is none.".formatted(code));
        return code;
    }

    private static int step(FormReader reader, WeekPlan plan) {
        int number = reader.raw("step").matches("\\d{1,4}") ? Integer.parseInt(reader.raw("step")) : 0;
        reader.faults()
                .require(
                        plan.find(reader.raw("cup"), number).isPresent(),
                        "step",
                        "That step is done, or not in the plan any more: look at the cup again.");
        return number;
    }

    @GetMapping("/plan/changes/{id}")
    ModelAndView changes(@PathVariable long id, Model model) {
        Proposal proposal;
        try {
            proposal = plans.proposal(id)
                    .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such plan."));
        } catch (InvalidInput e) {
            return refused(e, "/plan", model);
        }
        model.addAttribute("proposal", proposal);
        Show show = floors.show();
        Changes difference = proposal.difference();
        model.addAttribute("difference", difference);
        model.addAttribute("days", MovedDays.of(proposal.before(), proposal.after(), difference, show));
        model.addAttribute("words", WishWords.all(proposal.wishes(), show));
        return new ModelAndView("plan/changes", model.asMap());
    }

    @PostMapping("/plan/changes/{id}/keep")
    ModelAndView keep(@PathVariable long id, HttpServletRequest request, Model model) {
        try {
            return new ModelAndView(plans.keep(id, Maker.of(request).name())
                    .map(other -> "redirect:/plan/changes/" + other + "?others")
                    .orElse("redirect:/plan"));
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
        Optional<Desk.Run<PlanSearch.Found>> run = search.run();
        if (run.isEmpty()) {
            return "redirect:/plan";
        }
        model.addAttribute("run", run.get());
        model.addAttribute("found", run.get().soFar().orElseThrow());
        return "plan/search";
    }

    @PostMapping("/plan/search/stop")
    String stop() {
        search.stop();
        return "redirect:/plan/search";
    }
}

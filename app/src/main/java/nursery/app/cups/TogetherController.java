package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.LogEntry;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/**
 * One step logged for several cups at once. Coats are poured from a mix instead, which logs each with its own amount.
 */
@Controller
class TogetherController {

    private static final String PAGE = "/cups/together";

    private final LogBook log;
    private final HandsBook hands;
    private final Floors floors;
    private final FormPost posts;

    TogetherController(LogBook log, HandsBook hands, Floors floors, FormPost posts) {
        this.log = log;
        this.hands = hands;
        this.floors = floors;
        this.posts = posts;
    }

    /**
     * Cups that can do the same step next, in the same way.
     *
     * @param of what the names of its inputs end with
     */
    record Alike(NextAction next, String of, List<CupNow> cups) {

        static Alike of(List<CupNow> cups) {
            CupNow first = cups.get(0);
            return new Alike(first.state().next().orElseThrow(), "-" + first.code(), cups);
        }

        public List<Field> hows() {
            return LogForm.fieldsOf(next.step());
        }

        public boolean isWrong(Form form) {
            return hows().stream().anyMatch(field -> form.isWrong(LogForm.input(field) + of));
        }
    }

    /** What makes steps of several cups the same to the hand. */
    private record Same(String title, StepKind kind, Fields how) {
        static Same of(PlanStep step) {
            return new Same(step.title(), step.kind(), step.how());
        }
    }

    @GetMapping(PAGE)
    String together(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("when", "0"));
        all.putAll(typed);
        return page(model, Form.fresh(all));
    }

    @PostMapping(PAGE)
    ModelAndView log(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Map<String, LogEntry> happenings =
                            happenings(typed, Maker.of(request).name());
                    try {
                        log.addAll(happenings, Reasons.on(new FormReader(typed)));
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/";
                },
                form -> page(model, form));
    }

    /** One entry for each cup that is picked, read as its own page reads it. */
    private Map<String, LogEntry> happenings(Map<String, String> typed, String by) {
        Floor floor = floors.now();
        Map<String, LogEntry> happenings = new LinkedHashMap<>();
        Set<Fault> faults = new LinkedHashSet<>();
        for (CupNow cup : floor.cups()) {
            if (!typed.containsKey("cup-" + cup.code())) {
                continue;
            }
            // What stood next when the page was filled, so that a step someone else logged meanwhile is told and not
            // doubled.
            String step = typed.getOrDefault("step-" + cup.code(), "");
            String of = typed.getOrDefault("of-" + cup.code(), "");
            Map<String, String> one = new LinkedHashMap<>(typed);
            one.put("step", step);
            PlanChanges.numbers(step).stream()
                    .flatMap(number -> cup.cup().find(number).stream())
                    .forEach(found -> one.putAll(LogForm.told(found, typed, of)));
            try {
                happenings.put(cup.code(), new LogForm(one, floor, cup.cup()).entry(by));
            } catch (InvalidInput wrong) {
                wrong.faults().stream()
                        .map(fault ->
                                LogForm.isInput(fault.field()) ? new Fault(fault.field() + of, fault.message()) : fault)
                        .forEach(faults::add);
            }
        }
        if (!faults.isEmpty()) {
            throw new InvalidInput(List.copyOf(faults));
        }
        if (happenings.isEmpty()) {
            throw new InvalidInput(List.of(new Fault("cup", "No cup is picked: touch those it was done on.")));
        }
        return happenings;
    }

    /** Hands are on all of these from now on. */
    @PostMapping("/cups/together/begin")
    ModelAndView begin(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    List<String> codes = floors.now().cups().stream()
                            .map(CupNow::code)
                            .filter(code -> typed.containsKey("cup-" + code))
                            .toList();
                    if (codes.isEmpty()) {
                        throw new InvalidInput(
                                List.of(new Fault("cup", "No cup is picked: touch those you begin on.")));
                    }
                    hands.begin(codes, Maker.of(request).name());
                    return codes.stream()
                            .map(code -> "cup-" + code + "=on")
                            .collect(Collectors.joining("&", PAGE + "?", ""));
                },
                form -> page(model, form));
    }

    private String page(Model model, Form form) {
        Show show = floors.show();
        Map<Same, List<CupNow>> same = new LinkedHashMap<>();
        for (CupNow cup : floors.now().cups()) {
            cup.state()
                    .next()
                    .filter(next -> isWork(next, show))
                    .map(next -> Same.of(next.step()))
                    .ifPresent(step -> same.computeIfAbsent(step, none -> new ArrayList<>())
                            .add(cup));
        }
        List<Alike> groups = same.values().stream()
                .map(Alike::of)
                .sorted(Comparator.comparingInt(group -> -group.cups().size()))
                .toList();
        Map<String, String> typed = new LinkedHashMap<>();
        groups.forEach(
                group -> LogForm.filled(group.next().step(), floors.show().lengthUnit())
                        .forEach((input, value) -> typed.put(input + group.of(), value)));
        typed.putAll(form.typed());
        model.addAttribute("form", new Form(typed, form.faults(), form.token()));
        model.addAttribute("groups", groups);
        return "cups/together";
    }

    private static boolean isWork(NextAction next, Show show) {
        return next.kind() == NextAction.Kind.STEP
                && !next.step().kind().isPour()
                && next.readinessAt(show.now()) != Readiness.WAITING;
    }
}

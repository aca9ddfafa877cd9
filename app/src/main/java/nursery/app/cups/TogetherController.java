package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

    /** Cups that can do the same step next, by the step's title. */
    record Alike(String title, String how, List<CupNow> cups) {}

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
                    Floor floor = floors.now();
                    Map<String, LogEntry> happenings = new LinkedHashMap<>();
                    for (CupNow cup : floor.cups()) {
                        if (typed.containsKey("cup-" + cup.code())) {
                            Map<String, String> one = new LinkedHashMap<>(typed);
                            // What stood next when the page was filled, so that a step someone else logged meanwhile is
                            // told and not doubled.
                            one.put("step", typed.getOrDefault("step-" + cup.code(), ""));
                            happenings.put(
                                    cup.code(),
                                    new LogForm(one, floor, cup.cup())
                                            .entry(Maker.of(request).name()));
                        }
                    }
                    if (happenings.isEmpty()) {
                        throw new InvalidInput(
                                List.of(new Fault("cup", "No cup is picked: touch those it was done on.")));
                    }
                    try {
                        log.addAll(happenings, Reasons.on(new FormReader(typed)));
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/";
                },
                form -> page(model, form));
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
        Map<String, List<CupNow>> byTitle = floors.now().cups().stream()
                .filter(cup ->
                        cup.state().next().filter(next -> isWork(next, show)).isPresent())
                .collect(Collectors.groupingBy(
                        cup -> cup.state().next().map(NextAction::title).orElse(""),
                        LinkedHashMap::new,
                        Collectors.toList()));
        model.addAttribute("form", form);
        model.addAttribute(
                "groups",
                byTitle.entrySet().stream()
                        .map(group -> new Alike(
                                group.getKey(),
                                group.getValue()
                                        .get(0)
                                        .state()
                                        .next()
                                        .map(NextAction::how)
                                        .orElse(""),
                                group.getValue()))
                        .sorted((a, b) -> b.cups().size() - a.cups().size())
                        .toList());
        return "cups/together";
    }

    private static boolean isWork(NextAction next, Show show) {
        return next.kind() == NextAction.Kind.STEP
                && !next.step().kind().isPour()
                && next.readinessAt(show.now()) != Readiness.WAITING;
    }
}

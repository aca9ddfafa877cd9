package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
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

/** One step logged for several cups at once. Coats are poured from a mix instead, which logs each with its own amount. */
@Controller
class TogetherController {

    private final CupBook cups;
    private final LogBook log;
    private final Shelf shelf;
    private final ShopBook shops;
    private final FormPost posts;

    TogetherController(CupBook cups, LogBook log, Shelf shelf, ShopBook shops, FormPost posts) {
        this.cups = cups;
        this.log = log;
        this.shelf = shelf;
        this.shops = shops;
        this.posts = posts;
    }

    /** Cups that can do the same step next, by the step's title. */
    record Alike(String title, String how, List<CupOnBench> cups) {}

    @GetMapping("/cups/together")
    String together(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("when", "0"));
        all.putAll(typed);
        return page(model, Form.fresh(all));
    }

    @PostMapping("/cups/together")
    ModelAndView log(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(typed, model, () -> {
            Show show = shops.show();
            Map<String, Happening> happenings = new LinkedHashMap<>();
            for (CupOnBench cup : cups.all()) {
                if (typed.containsKey("cup-" + cup.cup().code())) {
                    Map<String, String> one = new LinkedHashMap<>(typed);
                    // What stood next when the page was filled, so that a step someone else logged meanwhile is told and not doubled.
                    one.put("step", typed.getOrDefault("step-" + cup.cup().code(), ""));
                    happenings.put(cup.cup().code(), new LogForm(one, show, shelf.spindles()).happening(Maker.of(request).name()));
                }
            }
            if (happenings.isEmpty()) {
                throw new InvalidInput(List.of(new Fault("cup", "No cup is picked: touch those it was done on.")));
            }
            try {
                log.addAll(happenings, typed.containsKey("confirmed"));
            } catch (NotLogged answer) {
                throw answer.asFaults(show);
            }
            return "/";
        }, form -> page(model, form));
    }

    private String page(Model model, Form form) {
        Show show = shops.show();
        Map<String, List<CupOnBench>> byTitle = cups.all().stream().filter(cup -> cup.state().next().filter(next -> isWork(next, show)).isPresent())
                .collect(Collectors.groupingBy(cup -> cup.state().next().map(NextAction::title).orElse(""), LinkedHashMap::new, Collectors.toList()));
        model.addAttribute("form", form);
        model.addAttribute("groups", byTitle.entrySet().stream().map(group -> new Alike(group.getKey(), group.getValue().get(0).state().next().map(NextAction::how).orElse(""), group.getValue()))
                .sorted((a, b) -> b.cups().size() - a.cups().size()).toList());
        return "cups/together";
    }

    private static boolean isWork(NextAction next, Show show) {
        return next.kind() == NextAction.Kind.STEP && !next.step().kind().isPour() && next.readinessAt(show.now()) != Readiness.WAITING;
    }
}

package nursery.app.cups;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.floor.CupNow;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/**
 * Going on another way: before the first coat by any technique, after it by another school or number of repeats of its
 * own. What is done is not asked for again.
 */
@Controller
class AnewController {

    private static final String AHEAD = "ahead";

    private final CupPages pages;
    private final PlanChanges changes;
    private final WayForm ways;
    private final TechniqueBook techniques;
    private final Floors floors;
    private final FormPost posts;

    AnewController(
            CupPages pages,
            PlanChanges changes,
            WayForm ways,
            TechniqueBook techniques,
            Floors floors,
            FormPost posts) {
        this.pages = pages;
        this.changes = changes;
        this.ways = ways;
        this.techniques = techniques;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/cups/{code}/technique")
    String technique(@PathVariable String code, Model model) {
        CupNow now = pages.find(code);
        Map<String, String> typed = new LinkedHashMap<>();
        own(now).ifPresent(own -> typed.put("technique", own.key()));
        now.cup().schools().all().forEach(school -> typed.put(school.question().name(), school.name()));
        typed.put(AHEAD, PlanChanges.written(now.stepsAhead()));
        return page(now, Form.fresh(typed), model);
    }

    /** What would be ahead by what is chosen so far; changes nothing. */
    @GetMapping("/cups/{code}/technique/plan")
    String plan(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        page(pages.find(code), Form.fresh(typed), model);
        return "cups/start :: plan";
    }

    @PostMapping("/cups/{code}/technique")
    ModelAndView change(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        CupNow now = pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    List<PlanStep> plan = ways.plan(reader, typed);
                    Schools schools = WayForm.schools(reader);
                    reader.faults().throwIfAny();
                    String technique = ways.chosen(typed).technique().name();
                    try {
                        changes.anew(
                                code,
                                PlanChanges.numbers(typed.getOrDefault(AHEAD, "")),
                                now.aheadBy(plan),
                                technique,
                                schools);
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> page(now, form, model));
    }

    private Optional<ShelvedTechnique> own(CupNow now) {
        return techniques.all().stream()
                .filter(one -> one.technique().name().equals(now.cup().about().technique()))
                .findFirst();
    }

    private static boolean isCoated(CupNow now) {
        return !now.state().coats().isEmpty();
    }

    private String page(CupNow now, Form form, Model model) {
        List<PlanStep> ahead = now.aheadBy(ways.plan(new FormReader(form.typed()), form.typed()));
        ways.fill(model, form, now.cup().blank());
        model.addAttribute("form", form);
        model.addAttribute("cup", now.cup());
        model.addAttribute("coated", isCoated(now));
        model.addAttribute("own", own(now).map(ShelvedTechnique::key).orElse(""));
        model.addAttribute("steps", ahead);
        model.addAttribute("stepsAre", "ahead of it");
        model.addAttribute("findings", now.judged(ahead, floors.show().now()));
        model.addAttribute("planUrl", "/cups/" + now.code() + "/technique/plan");
        return "cups/technique";
    }
}

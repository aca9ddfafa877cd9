package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Gone;
import nursery.app.wrap.DesignViews;
import nursery.core.floor.CupNow;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.PlanStep;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A design for a cup: its steps ahead are cut as large as it says. */
@Controller
class CupDesignController {

    private final DesignViews designs;
    private final PlanChanges changes;
    private final CupPages pages;
    private final Floors floors;
    private final FormPost posts;

    CupDesignController(DesignViews designs, PlanChanges changes, CupPages pages, Floors floors, FormPost posts) {
        this.designs = designs;
        this.changes = changes;
        this.pages = pages;
        this.floors = floors;
        this.posts = posts;
    }

    @PostMapping("/cups/{code}/design")
    ModelAndView give(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    long design = new FormReader(typed)
                            .id("design", "The design")
                            .filter(id -> designs.choices().stream().anyMatch(choice -> choice.id() == id))
                            .orElseThrow(() -> new InvalidInput(
                                    List.of(new Fault("design", "Choose a design; make one first if there is none."))));
                    give(code, design);
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }

    private void give(String code, long design) {
        CupNow now = floors.cup(code).orElseThrow(Gone::new);
        designs.give(now.cup().id(), design);
        List<PlanStep> ahead = now.stepsAhead();
        List<PlanStep> sized = designs.sized(now, ahead);
        if (now.state().gone().isEmpty() && !sized.equals(ahead)) {
            changes.replan(code, ahead.stream().map(PlanStep::number).toList(), sized);
        }
    }
}

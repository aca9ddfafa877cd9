package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.app.wrap.DesignViews;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A design for a cup: its steps ahead are cut as large as it says. */
@Controller
class CupDesignController {

    private static final String NONE = "none";

    private final DesignViews designs;
    private final CupDesigns gifts;
    private final CupPages pages;
    private final FormPost posts;

    CupDesignController(DesignViews designs, CupDesigns gifts, CupPages pages, FormPost posts) {
        this.designs = designs;
        this.gifts = gifts;
        this.pages = pages;
        this.posts = posts;
    }

    @PostMapping("/cups/{code}/design")
    ModelAndView give(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    Seen.check(typed, pages.designKept(pages.find(code).cup()));
                    if (NONE.equals(typed.get("design"))) {
                        gifts.take(code);
                        return "/cups/" + code;
                    }
                    long design = new FormReader(typed)
                            .id("design", "The design")
                            .filter(id -> designs.choices().stream().anyMatch(choice -> choice.id() == id))
                            .orElseThrow(() -> new InvalidInput(
                                    List.of(new Fault("design", "Choose a design; make one first if there is none."))));
                    gifts.give(code, design);
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }
}

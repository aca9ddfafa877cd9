package nursery.app.shelf;

import java.util.List;
import java.util.Map;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.core.cup.CoatedArea;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

@Controller
class ShelfController {

    private static final int LONGEST_SPINDLE_NAME = 40;

    private final Shelf shelf;
    private final FormPost posts;

    ShelfController(Shelf shelf, FormPost posts) {
        this.shelf = shelf;
        this.posts = posts;
    }

    /** A blank with its drawing and its area. */
    record BlankCard(ShelfBlank blank, CupPicture picture, CoatedArea area) {
        static BlankCard of(ShelfBlank blank) {
            return new BlankCard(blank, CupPicture.of("blank-" + blank.id(), blank.blank(), CupLook.BARE), blank.blank().area());
        }
    }

    @GetMapping("/shelf")
    String shelf(Model model) {
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/shelf/spindles")
    ModelAndView spindle(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> {
            FormReader reader = new FormReader(typed);
            String name = reader.line("name", "The spindle's name", LONGEST_SPINDLE_NAME, true);
            reader.faults().throwIfAny();
            shelf.addSpindle(name);
            return "/shelf#spindles";
        }, form -> page(model, form));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        List<BlankCard> blanks = shelf.blanks().stream().map(BlankCard::of).toList();
        model.addAttribute("blanks", blanks);
        model.addAttribute("tallestMm", CupPicture.tallestMm(blanks.stream().map(BlankCard::picture)));
        model.addAttribute("resins", shelf.resins());
        model.addAttribute("spindles", shelf.spindles());
        return "shelf/shelf";
    }
}

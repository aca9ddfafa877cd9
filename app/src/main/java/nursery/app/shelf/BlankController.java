package nursery.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.core.cup.Blank;
import nursery.core.floor.ShelfBlank;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

@Controller
class BlankController {

    private static final String PAGE = "shelf/blank";

    private final ShelfBook shelf;
    private final Floors floors;
    private final FormPost posts;

    BlankController(ShelfBook shelf, Floors floors, FormPost posts) {
        this.shelf = shelf;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/shelf/blanks/new")
    String fresh(Model model) {
        return page(
                model,
                Form.fresh(Map.of(
                        "form", "STRAIGHT", "unit", floors.ways().lengthUnit().name(), "baseCoated", "on", "h0", "0")));
    }

    @GetMapping("/shelf/blanks/{id}")
    String open(@PathVariable long id, Model model) {
        ShelfBlank blank = find(id);
        model.addAttribute("id", id);
        return page(model, Form.fresh(BlankForm.typedFrom(blank, floors.ways().lengthUnit())));
    }

    /** The drawing and the area for what is typed so far; changes nothing. */
    @GetMapping("/shelf/blanks/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        describe(model, new BlankForm(typed));
        return PAGE + " :: drawing";
    }

    @PostMapping("/shelf/blanks/new")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    BlankForm form = new BlankForm(typed);
                    String name = form.name();
                    long id = shelf.addBlank(name, form.blankOrThrow(), form.taped());
                    return "/shelf?measured=%d#blank-%d".formatted(id, id);
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/blanks/{id}")
    ModelAndView change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        model.addAttribute("id", id);
        return posts.handle(
                typed,
                model,
                () -> {
                    BlankForm form = new BlankForm(typed);
                    String name = form.name();
                    shelf.changeBlank(
                            id,
                            form.version(),
                            name,
                            form.blankOrThrow(find(id), floors.ways().lengthUnit()),
                            form.taped(),
                            form.why(),
                            Maker.of(request).name());
                    return "/shelf#blank-" + id;
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/blanks/{id}/remove")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        ShelfBlank blank = find(id);
        model.addAttribute("id", id);
        return posts.handle(
                typed,
                model,
                () -> {
                    shelf.removeBlank(id);
                    return "/shelf";
                },
                form -> page(
                        model,
                        new Form(BlankForm.typedFrom(blank, floors.ways().lengthUnit()), form.faults(), form.token())));
    }

    private ShelfBlank find(long id) {
        return floors.shelf().blank(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("rows", BlankForm.ROWS);
        describe(model, new BlankForm(form.typed()));
        return PAGE;
    }

    private static void describe(Model model, BlankForm form) {
        Optional<Blank> blank = form.blank();
        model.addAttribute("blank", blank.orElse(null));
        model.addAttribute("unit", form.unit());
        model.addAttribute("problems", blank.isPresent() ? List.of() : form.faults());
        model.addAttribute(
                "picture",
                blank.map(b -> CupPicture.of("blank", b, CupLook.BARE)).orElse(null));
    }
}

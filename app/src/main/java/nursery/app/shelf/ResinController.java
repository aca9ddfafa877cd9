package nursery.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.core.measure.TemperatureUnit;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
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
class ResinController {

    private final ShelfBook shelf;
    private final Floors floors;
    private final FormPost posts;

    ResinController(ShelfBook shelf, Floors floors, FormPost posts) {
        this.shelf = shelf;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/shelf/resins/new")
    String fresh(@RequestParam(defaultValue = "REGULAR") StartingProfile from, Model model) {
        return page(model, Form.fresh(ResinForm.typedFrom("", from.label(), "", unit())));
    }

    @GetMapping("/shelf/resins/{id}")
    String open(@PathVariable long id, Model model) {
        Resin resin = find(id);
        model.addAttribute("id", id);
        return page(model, Form.fresh(typedFrom(resin)));
    }

    @PostMapping("/shelf/resins/{id}/remove")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        Resin resin = find(id);
        model.addAttribute("id", id);
        return posts.handle(
                typed,
                model,
                () -> {
                    shelf.removeResin(id);
                    return "/shelf";
                },
                form -> page(model, new Form(typedFrom(resin), form.faults(), form.token())));
    }

    private Map<String, String> typedFrom(Resin resin) {
        Map<String, String> typed = ResinForm.typedFrom(
                resin.name(), resin.copy().printed(), resin.copy().source(), unit());
        typed.put("version", String.valueOf(resin.version()));
        return typed;
    }

    @PostMapping("/shelf/resins/new")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    ResinForm form = new ResinForm(typed, unit());
                    String name = form.name();
                    String source = form.source();
                    return "/shelf#resin-" + shelf.addResin(name, form.labelOrThrow(), source);
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/resins/{id}")
    ModelAndView change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        model.addAttribute("id", id);
        return posts.handle(
                typed,
                model,
                () -> {
                    ResinForm form = new ResinForm(typed, unit());
                    String name = form.name();
                    String source = form.source();
                    shelf.changeResin(
                            id,
                            form.version(),
                            name,
                            form.labelOrThrow(find(id), unit()),
                            source,
                            form.why(),
                            Maker.of(request).name());
                    return "/shelf#resin-" + id;
                },
                form -> page(model, form));
    }

    private TemperatureUnit unit() {
        return floors.ways().temperatureUnit();
    }

    private Resin find(long id) {
        return floors.shelf().resin(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("profiles", StartingProfile.values());
        model.addAttribute("unit", unit());
        return "shelf/resin";
    }
}

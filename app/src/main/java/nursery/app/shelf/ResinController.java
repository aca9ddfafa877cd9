package nursery.app.shelf;

import java.util.Map;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.settings.ShopBook;
import nursery.core.measure.TemperatureUnit;
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

    private final Shelf shelf;
    private final ShopBook shops;
    private final FormPost posts;

    ResinController(Shelf shelf, ShopBook shops, FormPost posts) {
        this.shelf = shelf;
        this.shops = shops;
        this.posts = posts;
    }

    @GetMapping("/shelf/resins/new")
    String fresh(@RequestParam(defaultValue = "REGULAR") StartingProfile from, Model model) {
        return page(model, Form.fresh(ResinForm.typedFrom("", from.label(), "", unit())));
    }

    @GetMapping("/shelf/resins/{id}")
    String open(@PathVariable long id, Model model) {
        ShelfResin resin = shelf.resin(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        model.addAttribute("id", id);
        return page(model, Form.fresh(typedFrom(resin)));
    }

    @PostMapping("/shelf/resins/{id}/remove")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        ShelfResin resin = shelf.resin(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        model.addAttribute("id", id);
        return posts.handle(typed, model, () -> {
            shelf.removeResin(id);
            return "/shelf";
        }, form -> page(model, new Form(typedFrom(resin), form.faults(), form.token())));
    }

    private Map<String, String> typedFrom(ShelfResin resin) {
        Map<String, String> typed = ResinForm.typedFrom(resin.name(), resin.label(), resin.source(), unit());
        typed.put("version", String.valueOf(resin.version()));
        return typed;
    }

    @PostMapping("/shelf/resins/new")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> {
            ResinForm form = new ResinForm(typed, unit());
            String name = form.name();
            String source = form.source();
            return "/shelf#resin-" + shelf.addResin(name, form.labelOrThrow(), source);
        }, form -> page(model, form));
    }

    @PostMapping("/shelf/resins/{id}")
    ModelAndView change(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        model.addAttribute("id", id);
        return posts.handle(typed, model, () -> {
            ResinForm form = new ResinForm(typed, unit());
            String name = form.name();
            String source = form.source();
            shelf.changeResin(id, form.version(), name, form.labelOrThrow(), source);
            return "/shelf#resin-" + id;
        }, form -> page(model, form));
    }

    private TemperatureUnit unit() {
        return shops.shop().temperatureUnit();
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("profiles", StartingProfile.values());
        model.addAttribute("unit", unit());
        return "shelf/resin";
    }
}

package nursery.app.room;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Map;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.settings.ShopBook;
import nursery.core.cure.RoomReading;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

@Controller
class RoomController {

    private static final int SHOWN = 12;

    private final RoomBook room;
    private final ShopBook shops;
    private final Moments moments;
    private final FormPost posts;

    RoomController(RoomBook room, ShopBook shops, Moments moments, FormPost posts) {
        this.room = room;
        this.shops = shops;
        this.moments = moments;
        this.posts = posts;
    }

    @GetMapping("/room")
    String room(Model model) {
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/room")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(typed, model, () -> {
            Instant now = moments.now();
            FormReader reader = new FormReader(typed);
            double celsius = reader.quantity("temperature", "The room's temperature", shops.shop().temperatureUnit());
            reader.faults().throwIfAny();
            reader.faults().attempt("temperature", () -> new RoomReading(now, celsius))
                    .ifPresent(reading -> room.add(reading, Maker.of(request).name()));
            reader.faults().throwIfAny();
            return "/room";
        }, form -> page(model, form));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("unit", shops.shop().temperatureUnit());
        model.addAttribute("readings", room.newest(SHOWN));
        model.addAttribute("nowC", room.temperatureC(moments.now()));
        return "room/room";
    }
}

package nursery.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Hosts;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.measure.InvalidInput;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Links by which a customer sees how an order stands, and nothing else. */
@Controller
class LinksController {

    private static final double USUAL_DAYS = 30;

    private final Devices devices;
    private final LinkMapper mapper;
    private final Floors floors;
    private final FormPost posts;
    private final Hosts hosts;
    private final int port;

    LinksController(
            Devices devices,
            LinkMapper mapper,
            Floors floors,
            FormPost posts,
            Hosts hosts,
            @Value("${nursery.lan.port:8443}") int port) {
        this.devices = devices;
        this.mapper = mapper;
        this.floors = floors;
        this.posts = posts;
        this.hosts = hosts;
        this.port = port;
    }

    /** A cup as its customer sees it. */
    record Seen(String name, String stage, int done, int steps) {}

    @GetMapping("/links")
    String links(Model model) {
        return page(Form.fresh(Map.of("days", "30")), model);
    }

    /** The address is on this answer, and on no other. */
    @PostMapping("/links")
    ModelAndView make(@RequestParam Map<String, String> typed, HttpServletRequest request, Model model) {
        try {
            FormReader reader = new FormReader(typed);
            double days = reader.raw("days").isEmpty() ? USUAL_DAYS : reader.number("days", "The days it stays open");
            reader.faults()
                    .require(
                            mapper.madeFor().contains(reader.raw("madeFor")),
                            "madeFor",
                            "Choose the order it is for: cups get one when they are started.");
            reader.faults().throwIfAny();
            String secret = devices.newLink(
                    reader.raw("madeFor"), days, Maker.of(request).name());
            model.addAttribute("address", hosts.address(request, port) + "/seen/" + secret);
            return new ModelAndView(page(Form.fresh(Map.of("days", "30")), model), model.asMap());
        } catch (InvalidInput e) {
            return new ModelAndView(
                    page(Form.rejected(typed, e.faults()), model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
    }

    @PostMapping("/links/{id}/revoke")
    ModelAndView revoke(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    devices.revokeLink(id);
                    return "/links";
                },
                form -> page(form, model));
    }

    @GetMapping("/seen/{secret}")
    ModelAndView seen(@PathVariable String secret, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Robots-Tag", "noindex");
        Show show = floors.show();
        Optional<DeviceMapper.LinkRow> link = devices.link(secret);
        if (link.isEmpty()) {
            return new ModelAndView("people/seen", Map.of("gone", true), HttpStatus.NOT_FOUND);
        }
        List<CupNow> cups = mapper.cupsFor(link.get().madeFor()).stream()
                .flatMap(code -> floors.cup(code).stream())
                .toList();
        Map<String, Object> page = new java.util.LinkedHashMap<>();
        page.put("gone", false);
        page.put("show", show);
        page.put("madeFor", link.get().madeFor());
        page.put("until", show.at(link.get().expiresAt()));
        page.put("cups", cups.stream().map(cup -> seen(cup, show)).toList());
        page.put(
                "due",
                cups.stream()
                        .filter(cup -> cup.state().gone().isEmpty())
                        .flatMap(cup -> cup.cup().promise().dueAt().stream())
                        .min(java.util.Comparator.naturalOrder())
                        .map(at -> show.date(at.atZone(show.zone()).toLocalDate()))
                        .orElse(""));
        return new ModelAndView("people/seen", page);
    }

    private static Seen seen(CupNow cup, Show show) {
        int steps = cup.cup().plan().size();
        int done = steps - cup.stepsAhead().size();
        return new Seen(
                cup.cup().about().name(),
                switch (cup.stage(show.now())) {
                    case HANDS, WAITING -> done == 0 ? "to be begun" : "in the making";
                    case CURING -> "finished, curing out";
                    case READY -> "ready";
                    case HANDED_OVER -> "handed over";
                    case ABANDONED -> "given up";
                },
                done,
                steps);
    }

    private String page(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("links", devices.links());
        model.addAttribute("orders", mapper.madeFor());
        return "people/links";
    }
}

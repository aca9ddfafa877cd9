package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfResin;
import nursery.core.cure.Calibration;
import nursery.core.cure.Calibration.Observation;
import nursery.core.cure.RoomCourse;
import nursery.core.log.LogEntry;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.StepKind;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** What touch tests say about a resin in this shop, beside its label; the maker takes it over or goes back to the label. */
@Controller
class LearnedController {

    private final CupBook cups;
    private final RoomBook room;
    private final Shelf shelf;
    private final ShopBook shops;
    private final FormPost posts;

    LearnedController(CupBook cups, RoomBook room, Shelf shelf, ShopBook shops, FormPost posts) {
        this.cups = cups;
        this.room = room;
        this.shelf = shelf;
        this.shops = shops;
        this.posts = posts;
    }

    /** An age by the label, as learned, and as the clock takes it now. */
    record Row(String what, String label, String learned, String inUse) {}

    @GetMapping("/shelf/resins/{id}/learned")
    String learned(@PathVariable long id, Model model) {
        return page(id, Form.fresh(Map.of()), model);
    }

    @PostMapping("/shelf/resins/{id}/learned")
    ModelAndView decide(@PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        ShelfResin resin = find(id);
        return posts.handle(typed, model, () -> {
            if ("take".equals(typed.get("decide"))) {
                Calibration learned = Calibration.of(resin.label(), touches(resin));
                shelf.takeOver(id, new ShelfResin.Found(learned.speed(), learned.activationKjPerMol(), learned.observations(), shops.show().now(), Maker.of(request).name()));
            } else {
                shelf.backToLabel(id);
            }
            return "/shelf/resins/%d/learned".formatted(id);
        }, form -> page(id, form, model));
    }

    private ShelfResin find(long id) {
        return shelf.resin(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such resin."));
    }

    /** Every touch on a coat of this resin, with the room that coat had. */
    private List<Observation> touches(ShelfResin resin) {
        RoomCourse course = room.course();
        List<Observation> observations = new ArrayList<>();
        for (CupOnBench cup : cups.all()) {
            Optional<LogEntry.Poured> newest = Optional.empty();
            for (LogEntry entry : cup.file().happened()) {
                if (entry instanceof LogEntry.Poured pour) {
                    newest = Optional.of(pour);
                } else if (entry instanceof LogEntry.Touched touched && touched.mark().happenedAt().isAfter(newest.map(pour -> pour.mark().happenedAt()).orElse(touched.mark().happenedAt()))) {
                    newest.filter(pour -> poured(cup, pour).id() == resin.id())
                            .ifPresent(pour -> observations.add(Observation.of(course, pour.mark().happenedAt(), touched.mark().happenedAt(), touched.touch())));
                }
            }
        }
        return observations;
    }

    private static ShelfResin poured(CupOnBench cup, LogEntry.Poured pour) {
        return cup.file().step(pour.step()).kind() == StepKind.FINISHING_COAT ? cup.cup().last() : cup.cup().base();
    }

    private String page(long id, Form form, Model model) {
        ShelfResin resin = find(id);
        Show show = shops.show();
        Calibration learned = Calibration.of(resin.label(), touches(resin));
        model.addAttribute("form", form);
        model.addAttribute("resin", resin);
        model.addAttribute("learned", learned);
        model.addAttribute("rows", List.of(row("Off the turner", LabelTimes::turningH, resin, learned, show), row("Recoat straight on, from", LabelTimes::recoatFromH, resin, learned, show), row("until", LabelTimes::recoatUntilH, resin, learned, show),
                row("Sandable", LabelTimes::sandableFromH, resin, learned, show), row("Scuff needed after", LabelTimes::scuffAfterH, resin, learned, show), row("Full cure", LabelTimes::fullCureH, resin, learned, show)));
        return "cups/learned";
    }

    private static Row row(String what, ToDoubleFunction<LabelTimes> age, ShelfResin resin, Calibration learned, Show show) {
        return new Row(what, show.hours(age.applyAsDouble(resin.label().times())), show.hours(age.applyAsDouble(learned.applyTo(resin.label()).times())), show.hours(age.applyAsDouble(resin.cureLabel().times())));
    }
}

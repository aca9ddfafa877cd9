package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.shelf.ShelfBook;
import nursery.core.cure.Calibration;
import nursery.core.cure.Calibration.Observation;
import nursery.core.cure.CoatMoment;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/**
 * What touch tests say about a resin in this shop, beside its label; the maker takes it over or goes back to the label.
 */
@Controller
class LearnedController {

    private final Floors floors;
    private final ShelfBook shelf;
    private final FormPost posts;

    LearnedController(Floors floors, ShelfBook shelf, FormPost posts) {
        this.floors = floors;
        this.shelf = shelf;
        this.posts = posts;
    }

    /** An age by the label, as learned, and as the clock takes it now. */
    record Row(String what, String label, String learned, String inUse) {}

    @GetMapping("/shelf/resins/{id}/learned")
    String learned(@PathVariable long id, Model model) {
        return page(id, Form.fresh(Map.of()), model);
    }

    @PostMapping("/shelf/resins/{id}/learned")
    ModelAndView decide(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        Resin resin = find(id);
        return posts.handle(
                typed,
                model,
                () -> {
                    String by = Maker.of(request).name();
                    if ("take".equals(typed.get("decide"))) {
                        Calibration learned = Calibration.of(resin.copy().printed(), touches(resin));
                        shelf.learned(
                                id,
                                Optional.of(new Resin.Found(
                                        learned.speed(), learned.activationKjPerMol(), learned.observations())),
                                by);
                    } else {
                        shelf.learned(id, Optional.empty(), by);
                    }
                    return "/shelf/resins/%d/learned".formatted(id);
                },
                form -> page(id, form, model));
    }

    private Resin find(long id) {
        return floors.shelf()
                .resin(id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such resin."));
    }

    /** Every touch on a coat of this resin as it is sold now, with the room that coat had. */
    private List<Observation> touches(Resin resin) {
        List<Observation> observations = new ArrayList<>();
        Floors.Felt felt = floors.felt(resin.id());
        for (Cup cup : felt.cups()) {
            Optional<LogEntry.Poured> newest = Optional.empty();
            for (LogEntry entry : cup.happened()) {
                if (entry instanceof LogEntry.Poured pour) {
                    newest = Optional.of(pour);
                } else if (entry instanceof LogEntry.Touched touched) {
                    newest.filter(pour -> touched.mark()
                                            .happenedAt()
                                            .isAfter(pour.mark().happenedAt())
                                    && isOf(pour, resin))
                            .ifPresent(pour -> observations.add(Observation.of(
                                    felt.room(),
                                    pour.mark().id(),
                                    pour.mark().happenedAt(),
                                    touched.mark().happenedAt(),
                                    touched.touch())));
                }
            }
        }
        return observations;
    }

    /** A product that was changed since teaches nothing about this one. */
    private static boolean isOf(LogEntry.Poured pour, Resin resin) {
        int product = resin.editions().current().product();
        return pour.pot()
                .filter(pot -> pot.resin().id() == resin.id()
                        && resin.editions().find(pot.edition()).product() == product)
                .isPresent();
    }

    private String page(long id, Form form, Model model) {
        Resin resin = find(id);
        Show show = floors.show();
        Label printed = resin.copy().printed();
        Calibration learned = Calibration.of(printed, touches(resin));
        model.addAttribute("form", form);
        model.addAttribute("resin", resin);
        model.addAttribute("edition", resin.editions().current());
        model.addAttribute("learned", learned);
        model.addAttribute(
                "rows",
                Stream.of(CoatMoment.values())
                        .map(moment -> row(moment, printed, learned.applyTo(printed), resin.label(), show))
                        .toList());
        return "cups/learned";
    }

    private static Row row(CoatMoment moment, Label label, Label learned, Label inUse, Show show) {
        return new Row(
                moment.words(),
                show.hours(moment.ageH(label.times())),
                show.hours(moment.ageH(learned.times())),
                show.hours(moment.ageH(inUse.times())));
    }
}

package nursery.app.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.StartingBlank;
import nursery.core.film.Carrier;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Turner;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The three questions of a first visit: what is coated, in which resin, on what it turns. */
@Controller
class WelcomeController {

    static final String OWN = "own";
    private static final int MOST_SPINDLES = 24;

    private final Floors floors;
    private final ShelfBook shelf;
    private final FormPost posts;

    WelcomeController(Floors floors, ShelfBook shelf, FormPost posts) {
        this.floors = floors;
        this.shelf = shelf;
        this.posts = posts;
    }

    /** A blank to choose, drawn. */
    record Choice(StartingBlank starting, CupPicture picture) {
        static Choice of(StartingBlank starting) {
            return new Choice(starting, CupPicture.of("start-" + starting.ordinal(), starting.blank(), CupLook.BARE));
        }
    }

    @GetMapping("/welcome")
    String welcome(Model model) {
        return page(model, Form.fresh(Map.of("spindles", "4", "speed", "")));
    }

    @PostMapping("/welcome")
    ModelAndView answered(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> settle(typed), form -> page(model, form));
    }

    private String settle(Map<String, String> typed) {
        FormReader reader = new FormReader(typed);
        Faults faults = reader.faults();
        boolean measuresOwn = reader.raw("blank").equals(OWN);
        Optional<StartingBlank> starting =
                measuresOwn ? Optional.empty() : reader.choice("blank", "What you coat", StartingBlank.class);
        boolean copiesOwn = reader.raw("resin").equals(OWN);
        Optional<Resin> resin =
                copiesOwn ? Optional.empty() : reader.id("resin", "The resin").flatMap(floors.shelf()::resin);
        faults.require(
                copiesOwn || resin.isPresent() || reader.raw("resin").isEmpty(),
                "resin",
                "That resin is not on the shelf any more: choose another.");
        double spindles = reader.number("spindles", "How many spindles");
        faults.require(
                Double.isNaN(spindles) || spindles == Math.rint(spindles) && spindles >= 1 && spindles <= MOST_SPINDLES,
                "spindles",
                "%s spindles: from 1 to %d can be used.".formatted(Numbers.show(spindles), MOST_SPINDLES));
        Optional<Double> rpm = reader.raw("speed").isEmpty()
                ? Optional.empty()
                : Optional.of(reader.number("speed", "Turns a minute"));
        rpm.filter(number -> !number.isNaN()).ifPresent(number -> Turner.checkRpm(faults, number));
        faults.throwIfAny();
        shelf.equip((int) spindles, rpm);
        Optional<Long> blank = starting.map(one -> floors.shelf().blanks().stream()
                .filter(there -> there.name().equals(one.assumedName()))
                .map(ShelfBlank::id)
                .findFirst()
                .orElseGet(() -> shelf.addBlank(one.assumedName(), one.blank())));
        String chosen = resin.map(one -> "&base=" + one.id()).orElse("");
        return copiesOwn
                ? "/shelf/resins/new"
                : blank.map(id -> "/cups/new?blank=" + id + chosen).orElse("/shelf/blanks/new");
    }

    private String page(Model model, Form form) {
        List<Choice> choices =
                Arrays.stream(StartingBlank.values()).map(Choice::of).toList();
        model.addAttribute("form", form);
        model.addAttribute("choices", choices);
        model.addAttribute("resins", floors.shelf().resins());
        model.addAttribute(
                "assumed",
                floors.shelf().resins().stream()
                        .filter(resin -> Arrays.stream(StartingProfile.values()).anyMatch(profile -> profile.source()
                                .equals(resin.copy().source())))
                        .map(Resin::id)
                        .collect(Collectors.toSet()));
        model.addAttribute("usualRpm", Carrier.USUAL_RPM);
        return "bench/welcome";
    }
}

package nursery.app.shelf;

import java.util.List;
import java.util.Map;
import nursery.app.floor.Floors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.core.cup.CoatedArea;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Turner;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.MeasuringCup;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

@Controller
class ShelfController {

    private static final int LONGEST_NAME = 40;
    private static final int MOST_SPINDLES = 24;

    private final ShelfBook shelf;
    private final Floors floors;
    private final FormPost posts;

    ShelfController(ShelfBook shelf, Floors floors, FormPost posts) {
        this.shelf = shelf;
        this.floors = floors;
        this.posts = posts;
    }

    /** A blank with its drawing and its area. */
    record BlankCard(ShelfBlank blank, CupPicture picture, CoatedArea area) {
        static BlankCard of(ShelfBlank blank) {
            return new BlankCard(
                    blank,
                    CupPicture.of("blank-" + blank.id(), blank.blank(), CupLook.BARE),
                    blank.blank().area());
        }
    }

    @GetMapping("/shelf")
    String shelf(@RequestParam(defaultValue = "") String measured, Model model) {
        floors.shelf().blanks().stream()
                .filter(blank -> String.valueOf(blank.id()).equals(measured))
                .findFirst()
                .ifPresent(blank -> model.addAttribute("measured", blank));
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/shelf/turners")
    ModelAndView turner(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("turner", "The turner's name", LONGEST_NAME, true);
                    double rpm = reader.number("rpm", "The turner's speed");
                    double spindles = reader.number("spindles", "The number of spindles");
                    reader.faults()
                            .require(
                                    Double.isNaN(spindles)
                                            || spindles >= 1
                                                    && spindles <= MOST_SPINDLES
                                                    && spindles == Math.rint(spindles),
                                    "spindles",
                                    "A turner has 1 to %d spindles.".formatted(MOST_SPINDLES));
                    reader.faults().throwIfAny();
                    shelf.addTurner(name, rpm, (int) spindles);
                    return "/shelf#turners";
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/turners/{id}")
    ModelAndView speed(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(speedOf(id)));
                    double rpm = reader.number("rpm-" + id, "The turner's speed");
                    reader.faults().throwIfAny();
                    shelf.changeSpeed(id, rpm);
                    return "/shelf#turners";
                },
                form -> page(model, form));
    }

    private double speedOf(long turner) {
        return floors.shelf().turners().stream()
                .filter(one -> one.id() == turner)
                .mapToDouble(Turner::rpm)
                .findFirst()
                .orElse(0);
    }

    @PostMapping("/shelf/measuring-cups")
    ModelAndView measuringCup(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    VolumeUnit volume = reader.raw("marks").isEmpty()
                            ? floors.ways().volumeUnit()
                            : reader.choice("marks", "What its marks are in", VolumeUnit.class)
                                    .orElse(VolumeUnit.ML);
                    LengthUnit length = floors.ways().lengthUnit();
                    String name = reader.line("cupName", "The measuring cup's name", LONGEST_NAME, true);
                    double capacityMl = reader.quantity("cupMl", "What it holds", volume);
                    double markMl = reader.quantity("markMl", "The distance between marks", volume);
                    double bottomMm = reader.quantity("bottomMm", "The diameter at the bottom", length);
                    double topMm = reader.quantity("topMm", "The diameter at the last mark", length);
                    reader.faults().throwIfAny();
                    shelf.addMeasuringCup(name, new MeasuringCup(capacityMl, markMl, bottomMm, topMm, volume));
                    return "/shelf#measuring-cups";
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/measuring-cups/{id}/in-hand")
    ModelAndView inHand(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    shelf.takeInHand(id);
                    return "/shelf#measuring-cups";
                },
                form -> page(model, form));
    }

    private String page(Model model, Form form) {
        Shelf all = floors.shelf();
        model.addAttribute("form", form);
        List<BlankCard> blanks = all.blanks().stream().map(BlankCard::of).toList();
        model.addAttribute("blanks", blanks);
        model.addAttribute("tallestMm", CupPicture.tallestMm(blanks.stream().map(BlankCard::picture)));
        model.addAttribute("resins", all.resins());
        model.addAttribute("turners", all.turners());
        model.addAttribute("measuringCups", all.measuringCups());
        return "shelf/shelf";
    }
}

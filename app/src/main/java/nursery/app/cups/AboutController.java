package nursery.app.cups;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What was decided about a cup when it was started, changed while it is on the go. */
@Controller
class AboutController {

    private final CupPages pages;
    private final CupBook cups;
    private final Floors floors;
    private final FormPost posts;

    AboutController(CupPages pages, CupBook cups, Floors floors, FormPost posts) {
        this.pages = pages;
        this.cups = cups;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/cups/{code}/about")
    String about(@PathVariable String code, Model model) {
        CupNow now = pages.find(code);
        return page(now, Form.fresh(filled(now.cup())), model);
    }

    /** What the form shows of a cup as it is. */
    private Map<String, String> filled(Cup cup) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", cup.about().name());
        typed.put("madeFor", cup.about().madeFor());
        typed.put(
                "due",
                cup.promise()
                        .dueAt()
                        .map(due ->
                                due.atZone(floors.show().zone()).toLocalDate().toString())
                        .orElse(""));
        typed.put("base", String.valueOf(cup.resins().base().id()));
        typed.put("last", String.valueOf(cup.resins().last().id()));
        typed.put("paint", cup.about().paint());
        typed.put("glitter", cup.about().glitter());
        typed.put(
                "blank",
                floors.shelf().blanks().stream()
                        .filter(blank -> blank.name().equals(cup.about().blank()))
                        .map(blank -> String.valueOf(blank.id()))
                        .findFirst()
                        .orElse(""));
        return typed;
    }

    @PostMapping("/cups/{code}/about")
    ModelAndView change(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        CupNow now = pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    Seen.check(typed, Seen.of(filled(pages.find(code).cup())));
                    CupBook.Changed changed = read(new FormReader(typed), now.cup());
                    try {
                        cups.change(code, changed);
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> page(now, form, model));
    }

    private CupBook.Changed read(FormReader reader, Cup cup) {
        Show show = floors.show();
        Shelf shelf = floors.shelf();
        String name = reader.line("name", "The name", StartController.LONGEST_NAME, true);
        String madeFor = reader.line("madeFor", "Whom it is for", StartController.LONGEST_NAME, false);
        Optional<LocalDate> due = reader.date("due", "The due date");
        due.filter(date -> !date.equals(StartController.dueDay(cup, show))).ifPresent(date -> reader.faults()
                .require(
                        !date.isBefore(show.today()),
                        "due",
                        "%s is in the past: choose today or later, or leave it empty.".formatted(show.date(date))));
        Optional<Resin> base = StartController.resin(reader, "base", "The resin", shelf);
        Optional<Resin> last = StartController.resin(reader, "last", "The resin for the last coat", shelf);
        String paint = StartController.colour(reader, "paint");
        String glitter = StartController.colour(reader, "glitter");
        Optional<ShelfBlank> blank = reader.raw("blank").isEmpty()
                ? Optional.empty()
                : reader.id("blank", "The blank").flatMap(shelf::blank);
        reader.faults().throwIfAny();
        return new CupBook.Changed(
                name, madeFor, due, base.orElseThrow().id(), last.orElseThrow().id(), paint, glitter, blank);
    }

    private String page(CupNow now, Form form, Model model) {
        model.addAttribute("cup", now.cup());
        model.addAttribute("form", form);
        model.addAttribute("kept", Seen.of(filled(pages.find(now.code()).cup())));
        model.addAttribute("resins", floors.shelf().resins());
        model.addAttribute(
                "blanks",
                floors.shelf().blanks().stream()
                        .map(StartController.BlankChoice::of)
                        .toList());
        model.addAttribute("coated", !now.state().coats().isEmpty());
        return "cups/about";
    }
}

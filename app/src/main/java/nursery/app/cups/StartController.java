package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfBlank;
import nursery.core.technique.Question;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Starting a cup, and the list of all cups. */
@Controller
class StartController {

    private static final int LONGEST_NAME = 80;

    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;
    private final FormPost posts;

    StartController(CupBook cups, Shelf shelf, ShopBook shops, FormPost posts) {
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
        this.posts = posts;
    }

    /** A blank to choose, drawn so that it is known without reading. */
    record BlankChoice(ShelfBlank blank, CupPicture picture) {
        static BlankChoice of(ShelfBlank blank) {
            return new BlankChoice(blank, CupPicture.of("blank-" + blank.id(), blank.blank(), CupLook.BARE));
        }
    }

    @GetMapping("/cups")
    String all(Model model) {
        List<CupOnBench> all = cups.all();
        model.addAttribute("cups", all);
        model.addAttribute("tallestMm", CupPicture.tallestMm(all.stream().map(CupOnBench::picture)));
        return "cups/cups";
    }

    @GetMapping("/cups/new")
    String fresh(Model model) {
        return page(model, Form.fresh(Map.of("paint", "#1f3a5f", "glitter", "#3f7fbf", "started", "now")));
    }

    @PostMapping("/cups/new")
    ModelAndView start(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> "/cups/" + cups.start(read(new FormReader(typed))), form -> page(model, form));
    }

    private NewCup read(FormReader reader) {
        Show show = shops.show();
        String name = reader.line("name", "The name", LONGEST_NAME, true);
        String madeFor = reader.line("madeFor", "Whom it is for", LONGEST_NAME, false);
        Optional<Long> blank = reader.id("blank", "The blank").filter(id -> shelf.blank(id).isPresent());
        reader.faults().require(blank.isPresent() || reader.raw("blank").isEmpty(), "blank", "That blank is not on the shelf any more: choose another.");
        Optional<Long> base = resin(reader, "base", "The resin");
        Optional<Long> last = reader.raw("last").isEmpty() ? base : resin(reader, "last", "The resin for the last coat");
        Optional<LocalDate> due = reader.date("due", "The due date");
        due.ifPresent(date -> reader.faults().require(!date.isBefore(show.today()), "due",
                "%s is in the past: choose today or later, or leave it empty.".formatted(show.date(date))));
        String paint = colour(reader, "paint");
        String glitter = colour(reader, "glitter");
        List<School> schools = new ArrayList<>();
        for (Question question : Question.values()) {
            if (!reader.raw(question.name()).isEmpty()) {
                reader.choice(question.name(), question.words(), School.class).filter(school -> school.question() == question).ifPresent(schools::add);
            }
        }
        Instant started = started(reader, show);
        reader.faults().throwIfAny();
        return new NewCup(name, madeFor, blank.orElseThrow(), base.orElseThrow(), last.orElseThrow(), due, paint, glitter, Schools.of(schools), started);
    }

    /** A cup begun before Nursery knew of it, so that its steps can be logged at the times they happened. */
    private static Instant started(FormReader reader, Show show) {
        if (!reader.raw("started").equals("at")) {
            return show.now();
        }
        Instant at = reader.moment("startedAt", "The start", show.zone(), show.now()).orElse(show.now());
        reader.faults().require(!at.isAfter(show.now()), "startedAt", "The start is still to come: choose a time that has passed.");
        return at;
    }

    private Optional<Long> resin(FormReader reader, String field, String what) {
        Optional<Long> id = reader.id(field, what);
        Optional<Long> known = id.filter(chosen -> shelf.resin(chosen).isPresent());
        reader.faults().require(id.isEmpty() || known.isPresent(), field, "That resin is not on the shelf any more: choose another.");
        return known;
    }

    private static String colour(FormReader reader, String field) {
        String colour = reader.raw(field);
        reader.faults().require(colour.matches("#[0-9a-fA-F]{6}"), field, "“%s” is not a colour: choose one.".formatted(colour));
        return colour;
    }

    private String page(Model model, Form form) {
        List<BlankChoice> blanks = shelf.blanks().stream().map(BlankChoice::of).toList();
        model.addAttribute("form", form);
        model.addAttribute("blanks", blanks);
        model.addAttribute("resins", shelf.resins());
        model.addAttribute("questions", Question.values());
        return "cups/start";
    }
}

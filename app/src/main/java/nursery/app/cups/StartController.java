package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
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
import nursery.app.shelf.ShelfResin;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.measure.Numbers;
import nursery.core.technique.Judgement;
import nursery.core.technique.Question;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
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
    private static final int MOST_AT_ONCE = 24;

    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;
    private final FormPost posts;
    private final TechniqueBook techniques;

    StartController(CupBook cups, Shelf shelf, ShopBook shops, FormPost posts, TechniqueBook techniques) {
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
        this.posts = posts;
        this.techniques = techniques;
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
    String fresh(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("paint", "#1f3a5f", "glitter", "#3f7fbf", "started", "now", "count", "1"));
        all.putAll(typed);
        return page(model, Form.fresh(all));
    }

    /** What a technique asks, and what is wrong with its plan by what is chosen so far; changes nothing. */
    @GetMapping("/cups/new/plan")
    String plan(@RequestParam Map<String, String> typed, Model model) {
        page(model, Form.fresh(typed));
        return "cups/start :: plan";
    }

    @PostMapping("/cups/new")
    ModelAndView start(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> {
            FormReader reader = new FormReader(typed);
            double count = reader.raw("count").isEmpty() ? 1 : reader.number("count", "How many");
            reader.faults().require(Double.isNaN(count) || count == Math.rint(count) && count >= 1 && count <= MOST_AT_ONCE, "count",
                    "%s cups cannot be started at once: from 1 to %d can.".formatted(Numbers.show(count), MOST_AT_ONCE));
            NewCup cup = read(reader);
            List<String> codes = cups.startAll(Collections.nCopies((int) count, cup));
            return codes.size() == 1 ? "/cups/" + codes.get(0) : "/cups#" + codes.get(0);
        }, form -> page(model, form));
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
        Schools schools = schools(reader);
        Technique technique = technique(reader.raw("technique"));
        Instant started = started(reader, show);
        reader.faults().throwIfAny();
        return new NewCup(name, madeFor, blank.orElseThrow(), base.orElseThrow(), last.orElseThrow(), due, paint, glitter, schools, technique.name(), technique.plan(schools, times(technique, reader)), started);
    }

    private static Schools schools(FormReader reader) {
        List<School> schools = new ArrayList<>();
        for (Question question : Question.values()) {
            if (!reader.raw(question.name()).isEmpty()) {
                reader.choice(question.name(), question.words(), School.class).filter(school -> school.question() == question).ifPresent(schools::add);
            }
        }
        return Schools.of(schools);
    }

    /** The technique chosen, or the one to begin with. */
    private Technique technique(String key) {
        return techniques.find(key).orElseGet(() -> techniques.shippedOnes().get(0)).technique();
    }

    /** How often each group of steps is done; what was not asked is done the usual number of times. */
    private static Map<String, Integer> times(Technique technique, FormReader reader) {
        Map<String, Integer> times = new LinkedHashMap<>();
        for (Technique.Repeat repeat : technique.repeats()) {
            String field = "times-" + repeat.title();
            if (reader.raw(field).matches("\\d{1,2}")) {
                times.put(repeat.title(), Integer.parseInt(reader.raw(field)));
            }
        }
        return times;
    }

    /** All that is wrong with the plan, once blank and resin are chosen; the usual ones stand in until then. */
    private List<Judgement.Finding> findings(Technique technique, Form form) {
        FormReader reader = new FormReader(form.typed());
        Optional<ShelfResin> base = reader.id("base", "The resin").flatMap(shelf::resin).or(() -> shelf.resins().stream().reduce((a, b) -> b));
        Optional<ShelfResin> last = reader.id("last", "The resin").flatMap(shelf::resin).or(() -> base);
        Optional<ShelfBlank> blank = reader.id("blank", "The blank").flatMap(shelf::blank).or(() -> shelf.blanks().stream().findFirst());
        return base.flatMap(b -> last.flatMap(l -> blank.map(cup -> Judgement.of(technique.plan(schools(reader), times(technique, reader)), b.label(), l.label(), cup.blank())))).orElse(List.of());
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
        Technique technique = technique(form.value("technique"));
        model.addAttribute("techniques", techniques.all());
        model.addAttribute("technique", technique);
        model.addAttribute("chosen", techniques.find(form.value("technique")).map(ShelvedTechnique::key).orElse(techniques.shippedOnes().get(0).key()));
        model.addAttribute("findings", findings(technique, form));
        model.addAttribute("questions", technique.questions());
        return "cups/start";
    }
}

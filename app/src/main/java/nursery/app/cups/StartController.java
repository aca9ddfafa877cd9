package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.picture.CupLook;
import nursery.app.picture.CupPicture;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.cup.Blank;
import nursery.core.cup.StartingBlank;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.measure.Numbers;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.surface.Judgement;
import nursery.core.surface.Stack;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Starting a cup, or several alike. */
@Controller
class StartController {

    static final int LONGEST_NAME = 80;
    private static final int MOST_AT_ONCE = 24;

    private final CupBook cups;
    private final Floors floors;
    private final FormPost posts;
    private final WayForm ways;

    StartController(CupBook cups, Floors floors, FormPost posts, WayForm ways) {
        this.cups = cups;
        this.floors = floors;
        this.posts = posts;
        this.ways = ways;
    }

    /** A blank to choose, drawn so that it is known without reading. */
    record BlankChoice(ShelfBlank blank, CupPicture picture) {
        static BlankChoice of(ShelfBlank blank) {
            return new BlankChoice(blank, CupPicture.of("blank-" + blank.id(), blank.blank(), CupLook.BARE));
        }
    }

    @GetMapping("/cups/new")
    String fresh(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> all =
                new LinkedHashMap<>(Map.of("paint", "#1f3a5f", "glitter", "#3f7fbf", "started", "now", "count", "1"));
        List<ShelfBlank> blanks = floors.shelf().blanks();
        if (blanks.size() == 1) {
            all.put("blank", String.valueOf(blanks.get(0).id()));
        }
        List<CupNow> onTheGo = floors.now().cups();
        onTheGo.stream()
                .reduce((a, b) -> b)
                .ifPresent(newest -> all.put(
                        "base", String.valueOf(newest.cup().resins().base().id())));
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
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    int count = count(reader, "count", 1);
                    Map<ShelfBlank, Integer> also = also(reader);
                    int all = count
                            + also.values().stream().mapToInt(Integer::intValue).sum();
                    reader.faults()
                            .require(
                                    all <= MOST_AT_ONCE,
                                    "count",
                                    "%d cups cannot be started at once: from 1 to %d can."
                                            .formatted(all, MOST_AT_ONCE));
                    Started started = read(reader, typed);
                    List<Order> sizes = new ArrayList<>(List.of(started.order().counting(count)));
                    also.forEach((blank, more) ->
                            sizes.add(started.order().counting(more).on(blank.id(), blank.name(), blank.blank())));
                    List<String> codes = cups.start(sizes, started.at());
                    return codes.size() == 1 ? "/cups/" + codes.get(0) : "/cups#" + codes.get(0);
                },
                form -> page(model, form));
    }

    private static int count(FormReader reader, String field, int least) {
        double count = reader.raw(field).isEmpty() ? least : reader.number(field, "How many");
        reader.faults()
                .require(
                        Double.isNaN(count) || count == Math.rint(count) && count >= least && count <= MOST_AT_ONCE,
                        field,
                        "%s cups cannot be started at once: from 1 to %d can."
                                .formatted(Numbers.show(count), MOST_AT_ONCE));
        return reader.faults().none() ? (int) count : least;
    }

    /** How many are wanted on other blanks, of the same order. */
    private Map<ShelfBlank, Integer> also(FormReader reader) {
        Map<ShelfBlank, Integer> also = new LinkedHashMap<>();
        for (ShelfBlank blank : floors.shelf().blanks()) {
            int more = count(reader, "also-" + blank.id(), 0);
            if (more > 0) {
                also.put(blank, more);
            }
        }
        return also;
    }

    /** What is started, and when it was begun. */
    private record Started(Order order, Instant at) {}

    private Started read(FormReader reader, Map<String, String> typed) {
        Show show = floors.show();
        Shelf shelf = floors.shelf();
        String name = reader.line("name", "The name", LONGEST_NAME, false);
        String madeFor = reader.line("madeFor", "Whom it is for", LONGEST_NAME, false);
        Optional<ShelfBlank> blank = reader.id("blank", "The blank").flatMap(shelf::blank);
        reader.faults()
                .require(
                        blank.isPresent() || reader.raw("blank").isEmpty(),
                        "blank",
                        "That blank is not on the shelf any more: choose another.");
        Optional<Resin> base = resin(reader, "base", "The resin", shelf);
        Optional<Resin> last =
                reader.raw("last").isEmpty() ? base : resin(reader, "last", "The resin for the last coat", shelf);
        Optional<LocalDate> due = reader.date("due", "The due date");
        due.ifPresent(date -> reader.faults()
                .require(
                        !date.isBefore(show.today()),
                        "due",
                        "%s is in the past: choose today or later, or leave it empty.".formatted(show.date(date))));
        String paint = colour(reader, "paint");
        String glitter = colour(reader, "glitter");
        Schools schools = WayForm.schools(reader);
        List<PlanStep> plan = ways.plan(reader, typed);
        String technique = ways.chosen(typed).technique().name();
        Instant started = started(reader, show);
        reader.faults().throwIfAny();
        ShelfBlank bare = blank.orElseThrow();
        Cup.About about =
                new Cup.About(name.isEmpty() ? technique : name, madeFor, technique, bare.name(), paint, glitter);
        Cup.Resins resins = new Cup.Resins(base.orElseThrow(), last.orElseThrow());
        return new Started(new Order(about, 1, bare.id(), bare.blank(), resins, schools, plan, due, 1), started);
    }

    /** All that is wrong with the plan, once blank and resin are chosen; the usual ones stand in until then. */
    private List<Judgement.Finding> findings(List<PlanStep> plan, Form form) {
        FormReader reader = new FormReader(form.typed());
        Shelf shelf = floors.shelf();
        Optional<Resin> base = reader.id("base", "The resin")
                .flatMap(shelf::resin)
                .or(() -> shelf.resins().stream().reduce((a, b) -> b));
        Optional<Resin> last =
                reader.id("last", "The resin").flatMap(shelf::resin).or(() -> base);
        Optional<ShelfBlank> blank = reader.id("blank", "The blank")
                .flatMap(shelf::blank)
                .or(() -> shelf.blanks().stream().findFirst());
        return base.flatMap(b ->
                        last.flatMap(l -> blank.map(cup -> Judgement.offered(plan, b.label(), l.label(), cup.blank()))))
                .orElse(List.of());
    }

    /** A cup begun before Nursery knew of it, so that its steps can be logged at the times they happened. */
    private static Instant started(FormReader reader, Show show) {
        if (!reader.raw("started").equals("at")) {
            return show.now();
        }
        Instant at =
                reader.moment("startedAt", "The start", show.zone(), show.now()).orElse(show.now());
        reader.faults()
                .require(
                        !at.isAfter(show.now()),
                        "startedAt",
                        "The start is still to come: choose a time that has passed.");
        return at;
    }

    static Optional<Resin> resin(FormReader reader, String field, String what, Shelf shelf) {
        Optional<Long> id = reader.id(field, what);
        Optional<Resin> known = id.flatMap(shelf::resin);
        reader.faults()
                .require(
                        id.isEmpty() || known.isPresent(),
                        field,
                        "That resin is not on the shelf any more: choose another.");
        return known;
    }

    /** The day a cup is due, if it is promised. */
    static @Nullable LocalDate dueDay(Cup cup, Show show) {
        return cup.promise()
                .dueAt()
                .map(due -> due.atZone(show.zone()).toLocalDate())
                .orElse(null);
    }

    static String colour(FormReader reader, String field) {
        String colour = reader.raw(field);
        reader.faults()
                .require(
                        colour.matches("#[0-9a-fA-F]{6}"),
                        field,
                        "“%s” is not a colour: choose one.".formatted(colour));
        return colour;
    }

    private String page(Model model, Form form) {
        List<BlankChoice> blanks =
                floors.shelf().blanks().stream().map(BlankChoice::of).toList();
        model.addAttribute("form", form);
        model.addAttribute("blanks", blanks);
        model.addAttribute("resins", floors.shelf().resins());
        Blank drawnOn = floors.shelf().blanks().stream()
                .filter(blank -> form.is("blank", String.valueOf(blank.id())))
                .map(ShelfBlank::blank)
                .findFirst()
                .orElse(StartingBlank.SLIM_20.blank());
        ways.fill(model, form, drawnOn);
        List<PlanStep> plan = ways.plan(new FormReader(form.typed()), form.typed());
        model.addAttribute("steps", plan);
        model.addAttribute("layers", Stack.of(plan));
        model.addAttribute("stepsAre", "");
        model.addAttribute("planUrl", "/cups/new/plan");
        model.addAttribute("findings", findings(plan, form));
        return "cups/start";
    }
}

package nursery.app.made;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.cups.CupBook;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.materials.Stores;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Gone;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.techniques.TechniqueBook;
import nursery.app.wrap.DesignViews;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.stock.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/**
 * The same cup again (P64): its steps as they were really done, with what was put in on the way and without what was
 * left out, its materials and its design; at its own size or another, once or many times.
 */
@Controller
class AgainController {

    private static final int LONGEST_NAME = 80;
    private static final int MOST_CUPS = 200;

    private final CupBook cups;
    private final MaterialBook materials;
    private final Stores stores;
    private final TechniqueBook techniques;
    private final DesignViews designs;
    private final StoryMapper stories;
    private final Floors floors;
    private final Moments moments;
    private final FormPost posts;

    AgainController(
            CupBook cups,
            MaterialBook materials,
            Stores stores,
            TechniqueBook techniques,
            DesignViews designs,
            StoryMapper stories,
            Floors floors,
            Moments moments,
            FormPost posts) {
        this.cups = cups;
        this.materials = materials;
        this.stores = stores;
        this.techniques = techniques;
        this.designs = designs;
        this.stories = stories;
        this.floors = floors;
        this.moments = moments;
        this.posts = posts;
    }

    /** Its steps, but for those that were left out. */
    private static List<PlanStep> plan(Cup cup) {
        Set<Integer> leftOut = cup.happened().stream()
                .filter(entry -> entry.kind() == LogEntry.Kind.SKIPPED)
                .map(entry -> ((LogEntry.OfStep) entry).step())
                .collect(Collectors.toCollection(HashSet::new));
        return cup.plan().stream()
                .filter(step -> !leftOut.contains(step.number()))
                .toList();
    }

    @GetMapping("/cups/{code}/again")
    String again(@PathVariable String code, Model model) {
        Cup cup = floors.named(code).cup();
        String blank = floors.shelf().blanks().stream()
                .filter(one -> one.name().equals(cup.about().blank()))
                .map(one -> "" + one.id())
                .findFirst()
                .orElse("");
        return page(
                code,
                Form.fresh(Map.of("name", cup.about().name(), "madeFor", "", "count", "1", "blank", blank)),
                model);
    }

    @PostMapping("/cups/{code}/again")
    ModelAndView start(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        Cup cup = floors.named(code).cup();
        return posts.handle(
                typed,
                model,
                () -> {
                    Shelf shelf = floors.shelf();
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("name", "The name", LONGEST_NAME, true);
                    String madeFor = reader.line("madeFor", "For whom", LONGEST_NAME, false);
                    double count = reader.number("count", "How many");
                    Optional<ShelfBlank> blank = reader.id("blank", "The blank").flatMap(shelf::blank);
                    var due = reader.date("due", "The day it is due");
                    reader.faults().within("count", "How many", count, 1, MOST_CUPS, "");
                    reader.faults()
                            .require(count == Math.rint(count), "count", "Cups are whole: enter 1, 2, 3 and so on.");
                    reader.faults()
                            .require(
                                    blank.isPresent() || reader.raw("blank").isEmpty(),
                                    "blank",
                                    "That blank is not on the shelf any more: choose another.");
                    reader.faults()
                            .require(
                                    due.filter(day -> day.isBefore(floors.show().today()))
                                            .isEmpty(),
                                    "due",
                                    "It is due on a day that is over.");
                    String keptAs = reader.line("technique", "The technique’s name", Technique.LONGEST_NAME, false);
                    reader.faults().throwIfAny();
                    List<PlanStep> plan = plan(cup);
                    Map<Integer, List<Long>> same = same(cup, plan);
                    if (!keptAs.isEmpty()) {
                        // A technique's steps are counted from 1; the log may have counted otherwise.
                        same = renumbered(plan, same);
                        plan = keep(keptAs, cup, plan, same, Maker.of(request).name());
                    }
                    Order order = new Order(
                            new Cup.About(
                                    name,
                                    madeFor,
                                    keptAs.isEmpty() ? cup.about().technique() : keptAs,
                                    blank.orElseThrow().name(),
                                    cup.about().paint(),
                                    cup.about().glitter(),
                                    cup.about().more(),
                                    Map.of()),
                            (int) count,
                            blank.orElseThrow().id(),
                            blank.orElseThrow().blank(),
                            new Cup.Resins(
                                    now(shelf, cup.resins().base()),
                                    now(shelf, cup.resins().last())),
                            cup.schools(),
                            plan,
                            due,
                            cup.promise().matters());
                    List<String> codes = cups.start(order, moments.now());
                    Map<Integer, List<Long>> with = same;
                    for (String fresh : codes) {
                        Cup made = floors.cup(fresh).orElseThrow(Gone::new).cup();
                        made.plan().stream()
                                .filter(step -> with.containsKey(step.number()))
                                .forEach(step ->
                                        materials.choose(made.id(), step, with.getOrDefault(step.number(), List.of())));
                        designs.on(cup, floors.show()).ifPresent(design -> cups.giveDesign(fresh, design.id()));
                    }
                    return codes.size() == 1 ? "/cups/" + codes.get(0) : "/cups?find=" + encoded(name);
                },
                form -> page(code, form, model));
    }

    /** Keeps its steps as a technique of the shop, with its design and what they are made with. */
    private List<PlanStep> keep(String name, Cup cup, List<PlanStep> plan, Map<Integer, List<Long>> with, String by) {
        String learned = stories.nextTime(cup.id())
                .map(row -> " Next time: " + row.words())
                .orElse("");
        String about =
                "As %s, %s, was made.%s".formatted(cup.code(), cup.about().name(), learned);
        Technique technique = new Technique(
                name,
                about.substring(0, Math.min(about.length(), Technique.LONGEST_TEXT)),
                plan.stream()
                        .<Technique.Part>map(step -> new Technique.Single(TechniqueStep.of(step)))
                        .toList());
        try {
            String key = techniques.add(technique, by);
            designs.on(cup, floors.show()).ifPresent(design -> designs.setUsual(key, Optional.of(design.id())));
            stores.setUsual(key, with);
        } catch (InvalidInput taken) {
            throw new InvalidInput(taken.faults().stream()
                    .map(fault -> new Fault("technique", fault.message()))
                    .toList());
        }
        return technique.plan(Schools.of(), Map.of());
    }

    private static Map<Integer, List<Long>> renumbered(List<PlanStep> plan, Map<Integer, List<Long>> with) {
        Map<Integer, List<Long>> renumbered = new LinkedHashMap<>();
        for (int i = 0; i < plan.size(); i++) {
            List<Long> of = with.getOrDefault(plan.get(i).number(), List.of());
            if (!of.isEmpty()) {
                renumbered.put(i + 1, of);
            }
        }
        return renumbered;
    }

    /** What a cup's steps are made with, as far as it is still on the shelf. */
    private Map<Integer, List<Long>> same(Cup cup, List<PlanStep> plan) {
        Map<Integer, List<Stocked>> offered = materials.offered(plan);
        Map<Integer, List<Long>> same = new LinkedHashMap<>();
        materials.chosen(cup.id()).forEach((step, of) -> {
            List<Long> there = offered.getOrDefault(step, List.of()).stream()
                    .map(one -> one.material().id())
                    .toList();
            same.put(step, of.stream().map(Material::id).filter(there::contains).toList());
        });
        return same;
    }

    private static String encoded(String name) {
        return java.net.URLEncoder.encode(name, java.nio.charset.StandardCharsets.UTF_8);
    }

    /** The resin as its label is read today. */
    private static Resin now(Shelf shelf, Resin was) {
        return shelf.resin(was.id()).orElse(was);
    }

    private String page(String code, Form form, Model model) {
        Cup cup = floors.named(code).cup();
        model.addAttribute("cup", cup);
        model.addAttribute("form", form);
        model.addAttribute("plan", plan(cup));
        model.addAttribute("chosen", materials.chosen(cup.id()));
        model.addAttribute(
                "nextTime", stories.nextTime(cup.id()).map(row -> row.words()).orElse(""));
        model.addAttribute("blanks", floors.shelf().blanks());
        return "made/again";
    }
}

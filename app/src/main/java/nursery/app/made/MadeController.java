package nursery.app.made;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.app.cups.CupBook;
import nursery.app.floor.Floors;
import nursery.app.materials.Asks;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.materials.MoneyBook;
import nursery.app.materials.StepWeighing;
import nursery.app.materials.StepWeighing.Weighing;
import nursery.app.people.Makers;
import nursery.app.people.Seat;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.app.scale.ScaleNow;
import nursery.core.floor.CupNow;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What a cup is made of, step by step, and what it costs. */
@Controller
class MadeController {

    private static final int MOST_OF_ONE_STEP = 12;
    private static final int MOST_OFFERED = 60;

    private final MaterialBook materials;
    private final StepWeighing weighing;
    private final ScaleNow scale;
    private final CostBook costs;
    private final ForetoldBook foretold;
    private final MoneyBook money;
    private final CupBook cups;
    private final Floors floors;
    private final Makers makers;
    private final FormPost posts;

    MadeController(
            MaterialBook materials,
            StepWeighing weighing,
            ScaleNow scale,
            CostBook costs,
            ForetoldBook foretold,
            MoneyBook money,
            CupBook cups,
            Floors floors,
            Makers makers,
            FormPost posts) {
        this.materials = materials;
        this.weighing = weighing;
        this.scale = scale;
        this.costs = costs;
        this.foretold = foretold;
        this.money = money;
        this.cups = cups;
        this.floors = floors;
        this.makers = makers;
        this.posts = posts;
    }

    /**
     * A step that takes materials.
     *
     * @param expected what it is expected to use of those chosen, in words
     * @param more how many materials that would do are not shown until they are asked for
     * @param done whether it is done already: then what was used is used
     */
    record StepOf(
            PlanStep step,
            List<Material> chosen,
            List<Stocked> offered,
            int more,
            Map<Material, Double> expected,
            List<Weighing> weighings,
            boolean done) {
        /** What was weighed of one of them; null if nothing was, for the page. */
        public @Nullable Weighing weighed(long id) {
            return weighings.stream()
                    .filter(one -> one.material() == id)
                    .findFirst()
                    .orElse(null);
        }

        /** Stands for what is chosen, for its form. */
        public String seen() {
            return MadeController.seen(chosen);
        }

        public boolean has(long id) {
            return chosen.stream().anyMatch(material -> material.id() == id);
        }
    }

    @GetMapping("/cups/{code}/made")
    String made(@PathVariable String code, @RequestParam(defaultValue = "0") String all, Model model) {
        model.addAttribute("all", all);
        return page(floors.named(code), Form.fresh(Map.of()), model);
    }

    @PostMapping("/cups/{code}/made/{step}")
    ModelAndView choose(
            @PathVariable String code,
            @PathVariable int step,
            @RequestParam Map<String, String> typed,
            @RequestParam(name = "material", required = false) List<String> chosen,
            Model model) {
        CupNow cup = floors.named(code);
        // What is no number is no material: 0 is none either, and is refused with the others.
        List<Long> ids = (chosen == null ? List.<String>of() : chosen)
                .stream()
                        .map(id -> id.matches("\\d{1,18}") ? Long.parseLong(id) : 0L)
                        .distinct()
                        .toList();
        return posts.handle(
                typed,
                model,
                () -> {
                    PlanStep of = step(cup, step);
                    Seen.check(typed, seen(materials.chosen(cup.cup().id()).getOrDefault(step, List.of())));
                    if (ids.size() > MOST_OF_ONE_STEP) {
                        throw new InvalidInput(List.of(new Fault(
                                "material", "At most %d materials on one step.".formatted(MOST_OF_ONE_STEP))));
                    }
                    materials.choose(cup.cup().id(), of, ids);
                    cups.recolour(
                            code,
                            colours(ids, MaterialKind.PAINT, of).stream().findFirst(),
                            colours(ids, MaterialKind.GLITTER, of));
                    return "/cups/" + code + "/made#step-" + step;
                },
                form -> page(cup, form, model));
    }

    /** A pack on the scale before the step, and again after it. */
    @PostMapping("/cups/{code}/made/{step}/weighed/{material}")
    ModelAndView weigh(
            @PathVariable String code,
            @PathVariable int step,
            @PathVariable long material,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow cup = floors.named(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    PlanStep of = step(cup, step);
                    Material weighed = materials
                            .find(material)
                            .map(Stocked::material)
                            .orElseThrow(() -> new InvalidInput(
                                    List.of(new Fault("weight", "That material is not on the shelf any more."))));
                    FormReader reader = new FormReader(typed);
                    double amount = amount(reader, weighed);
                    Instant at =
                            reader.happened(floors.show().zone(), floors.show().now());
                    reader.faults().throwIfAny();
                    String by = Maker.of(request).name();
                    if (typed.containsKey("after")) {
                        weighing.after(cup.cup(), of, weighed, amount, at, by);
                    } else {
                        weighing.before(cup.cup(), of, weighed, amount, at, by);
                    }
                    return "/cups/" + code + "/made#step-" + step;
                },
                form -> page(cup, form, model));
    }

    /** As it was typed; with nothing typed what a scale shows that has come to rest. */
    private double amount(FormReader reader, Material material) {
        boolean grams = material.kind().measure() == MaterialKind.Measure.GRAM;
        OptionalDouble shown = grams && reader.raw("weight").isEmpty() ? scale.grams() : OptionalDouble.empty();
        if (grams && shown.isEmpty() && reader.raw("weight").isEmpty()) {
            throw new InvalidInput(List.of(new Fault(
                    "weight", "No scale shows anything that stands still: type what yours shows, in grams.")));
        }
        return shown.isPresent()
                ? shown.getAsDouble()
                : asks().amount(
                                reader,
                                "weight",
                                "What it weighs",
                                material.kind().measure(),
                                StepWeighing.MOST);
    }

    private Asks asks() {
        return new Asks(floors.ways().volumeUnit(), floors.ways().lengthUnit());
    }

    private static String seen(List<Material> chosen) {
        return Seen.of(chosen.stream().map(Material::id).toList());
    }

    private static PlanStep step(CupNow cup, int step) {
        return cup.cup()
                .find(step)
                .orElseThrow(() ->
                        new InvalidInput(List.of(new Fault("material", "That step is not in the plan any more."))));
    }

    /** The colours a cup is drawn in from now on, if this step decides them. */
    private List<String> colours(List<Long> ids, MaterialKind kind, PlanStep step) {
        boolean decides = kind == MaterialKind.PAINT ? step.kind() == StepKind.PAINT : step.kind() == StepKind.GLITTER;
        return decides
                ? ids.stream()
                        .flatMap(id -> materials.find(id).stream())
                        .map(Stocked::material)
                        .filter(material -> material.kind() == kind)
                        .map(Material::colour)
                        .toList()
                : List.of();
    }

    /** The usual ones first; of a shelf of thousands the rest only if it is asked for, and what is chosen always. */
    private static List<Stocked> shown(List<Stocked> offered, List<Material> chosen, int step, Model model) {
        if (offered.size() <= MOST_OFFERED || String.valueOf(step).equals(model.getAttribute("all"))) {
            return offered;
        }
        List<Stocked> first = offered.subList(0, MOST_OFFERED);
        return Stream.concat(
                        first.stream(),
                        offered.stream().filter(one -> chosen.contains(one.material()) && !first.contains(one)))
                .toList();
    }

    private String page(CupNow cup, Form form, Model model) {
        Map<Integer, List<Material>> chosen = materials.chosen(cup.cup().id());
        List<Integer> ahead = cup.stepsAhead().stream().map(PlanStep::number).toList();
        List<StepOf> steps = new ArrayList<>();
        List<Weighing> weighings = weighing.of(cup.cup().id());
        Map<Integer, List<Stocked>> all = materials.offered(cup.cup().plan());
        for (PlanStep step : cup.cup().plan()) {
            List<Stocked> offered = all.getOrDefault(step.number(), List.of());
            List<Material> of = chosen.getOrDefault(step.number(), List.of());
            if (!MaterialKind.usedBy(step.kind()).isEmpty() && (!offered.isEmpty() || !of.isEmpty())) {
                List<Stocked> shown = shown(offered, of, step.number(), model);
                steps.add(new StepOf(
                        step,
                        of,
                        shown,
                        offered.size() - shown.size(),
                        materials.expected(cup.cup(), step, of),
                        weighings.stream()
                                .filter(one -> one.step() == step.number())
                                .toList(),
                        !ahead.contains(step.number())));
            }
        }
        model.addAttribute("asks", asks());
        model.addAttribute("cup", cup.cup());
        model.addAttribute("form", form);
        model.addAttribute("steps", steps);
        model.addAttribute("used", materials.usedBy(cup.cup().id(), money.ways().digits()));
        boolean priced = makers.seat().filter(Seat::isMaker).isPresent();
        if (priced) {
            var cost = costs.of(cup);
            model.addAttribute("cost", cost);
            model.addAttribute("foretold", foretold.against(cup, cost).orElse(null));
            model.addAttribute("asked", money.ways().asking().of(cost.foretold()));
        }
        model.addAttribute("money", money.ways());
        model.addAttribute("priced", priced);
        return "made/made";
    }
}

package nursery.app.techniques;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.LengthUnit;
import nursery.core.surface.Composer;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import nursery.core.technique.Where;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A technique put together by touching pictures of blocks; it is drawn and judged as it grows. */
@Controller
class ComposeController {

    /** What a form says of its layers. */
    private static final Pattern A_LAYER = Pattern.compile("(layer|where|band)-\\d+");

    private final TechniqueBook techniques;
    private final PlanJudge judge;
    private final FormPost posts;
    private final Floors floors;

    ComposeController(TechniqueBook techniques, PlanJudge judge, FormPost posts, Floors floors) {
        this.floors = floors;
        this.techniques = techniques;
        this.judge = judge;
        this.posts = posts;
    }

    /** A layer that was touched, and what may stand between it and the next. */
    record Row(Block block, List<Composer.Joint> joints) {}

    private Palette palette(Map<String, String> typed) {
        return new Palette(
                techniques.find(typed.getOrDefault("from", "")).map(Block::of).orElse(List.of()));
    }

    /** @param from the technique to begin with, if it knows its blocks */
    @GetMapping("/techniques/compose")
    String compose(@RequestParam(defaultValue = "") String from, Model model) {
        List<Block> lent = techniques.find(from).map(Block::of).orElse(List.of());
        if (lent.isEmpty()) {
            return page(
                    Form.fresh(Map.of(
                            "base",
                            Block.BASE_GLITTER.key(),
                            "layer-0",
                            Block.LAYER_COAT.key(),
                            "layer-1",
                            Block.LAYER_COAT.key(),
                            "finish",
                            Block.FINISH_SANDED.key())),
                    model);
        }
        Map<String, String> typed = new LinkedHashMap<>(Map.of("from", from));
        typed.put("base", lent.get(0).key());
        typed.put("finish", lent.get(lent.size() - 1).key());
        for (int i = 0; i < Math.min(Palette.MOST_LAYERS, lent.size() - 2); i++) {
            typed.put("layer-" + i, lent.get(i + 1).key());
            Palette.Chosen.of(lent.get(i + 1), unit()).write(typed, "" + i);
        }
        Palette.Chosen.of(lent.get(0), unit()).write(typed, Palette.BASE);
        typed.putAll(JointFields.asItIs(techniques.find(from).orElseThrow().technique(), lent));
        return page(Form.fresh(typed), model);
    }

    /** What stands together after a touch; changes nothing. */
    @PostMapping("/techniques/compose/draft")
    String draft(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> draft = pressed(typed, typed.getOrDefault("press", ""));
        String tooMuch = "";
        while (!draw(draft, typed.getOrDefault("token", ""), tooMuch, model)) {
            // What was added last is too much with the rest: it is left out, and that is said.
            List<Palette.Chosen> layers = palette(draft).layers(draft);
            write(draft, layers.subList(0, layers.size() - 1));
            tooMuch = "That is more steps than one technique takes: take a layer away to add another.";
        }
        return "techniques/compose :: draft";
    }

    /** Whether it could be drawn: of nothing but a base and a finish everything can. */
    private boolean draw(Map<String, String> draft, String token, String tooMuch, Model model) {
        try {
            model.addAttribute("tooMuch", tooMuch);
            page(new Form(draft, List.of(), token), model);
            return true;
        } catch (InvalidInput refused) {
            if (palette(draft).layers(draft).isEmpty()) {
                throw refused;
            }
            return false;
        }
    }

    @PostMapping("/techniques/compose")
    ModelAndView keep(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("name", "The name", Technique.LONGEST_NAME, true);
                    List<Block> blocks = chosen(reader, typed);
                    reader.faults().throwIfAny();
                    Technique made = Block.together(name, blocks, JointFields.decided(typed))
                            .technique();
                    if (made.plan(Schools.of(), Map.of()).size() > Technique.MOST_STEPS) {
                        throw new InvalidInput(List.of(new Fault(
                                "layers",
                                "That is more than %d steps: take a layer away.".formatted(Technique.MOST_STEPS))));
                    }
                    return "/techniques/"
                            + techniques.add(made, Maker.of(request).name());
                },
                form -> page(form, model));
    }

    private Map<String, String> pressed(Map<String, String> typed, String press) {
        Palette palette = palette(typed);
        List<Palette.Chosen> layers = new ArrayList<>(palette.layers(typed));
        String[] parts = press.split("-", 2);
        int at = parts.length == 2 && parts[1].matches("\\d{1,2}") ? Integer.parseInt(parts[1]) : -1;
        Map<String, String> next = new LinkedHashMap<>(typed);
        if (parts[0].equals("add") && parts.length == 2 && layers.size() < Palette.MOST_LAYERS) {
            palette.named(parts[1], Place.LAYER)
                    .map(block -> Palette.Chosen.of(block.key()))
                    .ifPresent(layers::add);
        } else if (at >= 0 && at < layers.size()) {
            switch (parts[0]) {
                case "remove" -> {
                    layers.remove(at);
                    // The base is the first of all: a layer's own place among them is one more.
                    JointFields.moved(next, at + 1, at + 1, -1);
                }
                case "up" -> swap(next, layers, at - 1);
                case "down" -> swap(next, layers, at);
                default -> {}
            }
        }
        write(next, layers);
        return next;
    }

    private static void write(Map<String, String> typed, List<Palette.Chosen> layers) {
        typed.keySet().removeIf(field -> A_LAYER.matcher(field).matches());
        for (int i = 0; i < layers.size(); i++) {
            typed.put("layer-" + i, layers.get(i).key());
            layers.get(i).write(typed, "" + i);
        }
    }

    /** What is kept: a band that is none is wrong now, and not only not there yet. */
    private List<Block> chosen(FormReader reader, Map<String, String> typed) {
        typed.forEach((field, where) -> {
            if (field.startsWith("where-") && where.equals(Where.Part.BAND.written())) {
                String band = "band-" + field.substring("where-".length());
                reader.faults().attempt(band, () -> Where.band(reader.raw(band), unit()));
            }
        });
        return palette(typed).chosen(typed, unit());
    }

    private LengthUnit unit() {
        return floors.show().lengthUnit();
    }

    private static void swap(Map<String, String> typed, List<Palette.Chosen> layers, int upper) {
        if (upper >= 0 && upper + 1 < layers.size()) {
            Collections.swap(layers, upper, upper + 1);
            JointFields.moved(typed, upper, upper + 2, 0);
        }
    }

    private String page(Form form, Model model) {
        Palette palette = palette(form.typed());
        List<Block> blocks = palette.chosen(form.typed(), unit());
        Composer.Composed composed = Block.together("drawn", blocks, JointFields.decided(form.typed()));
        List<PlanStep> plan = composed.technique().plan(Schools.of(), Map.of());
        List<Row> rows = IntStream.range(0, blocks.size())
                .mapToObj(i -> new Row(blocks.get(i), composed.joints().get(i)))
                .toList();
        List<Judgement.Finding> findings = judge.findings(plan);
        model.addAttribute("form", form);
        model.addAttribute(
                "bases", palette.at(Place.BASE).stream().map(Palette.Choice::of).toList());
        model.addAttribute("layerGroups", palette.layers());
        model.addAttribute("finishes", palette.at(Place.FINISH));
        model.addAttribute("layers", rows.subList(1, rows.size() - 1));
        model.addAttribute("onBase", rows.get(0).joints());
        model.addAttribute("full", blocks.size() - 2 >= Palette.MOST_LAYERS);
        model.addAttribute("base", blocks.get(0));
        model.addAttribute("finish", blocks.get(blocks.size() - 1));
        model.addAttribute(
                "picture",
                Palette.drawn(
                        String.join(
                                "+",
                                blocks.stream()
                                        .map(block ->
                                                block.key() + block.where().written())
                                        .toList()),
                        composed.technique()));
        model.addAttribute("steps", plan.size());
        model.addAttribute("findings", findings);
        model.addAttribute("sound", findings.stream().allMatch(Judgement.Finding::isAdvice));
        return "techniques/compose";
    }
}

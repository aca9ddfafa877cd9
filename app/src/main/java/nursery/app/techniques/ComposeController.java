package nursery.app.techniques;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.core.cup.StartingBlank;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.surface.Composer;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A technique put together by touching pictures of blocks; it is drawn and judged as it grows. */
@Controller
class ComposeController {

    /** More than the longest build has; how many steps they come to is looked at besides. */
    private static final int MOST_LAYERS = 16;
    /** What was decided of what stands between two blocks: that it was offered, and that it is done. */
    private static final String OFFERED = "offered-";

    private static final String JOINT = "joint-";
    private static final Pattern A_JOINT = Pattern.compile("(offered-|joint-)(\\d{1,3})(-.+)");

    private final TechniqueBook techniques;
    private final PlanJudge judge;
    private final FormPost posts;

    ComposeController(TechniqueBook techniques, PlanJudge judge, FormPost posts) {
        this.techniques = techniques;
        this.judge = judge;
        this.posts = posts;
    }

    /** A block to touch, drawn as what it makes. */
    record Choice(Block block, CupPicture picture) {
        static Choice of(Block block) {
            List<Block> shown = block.place() == Place.BASE ? List.of(block) : List.of(Block.BASE_PAINT, block);
            return new Choice(block, drawn(block.key(), shown));
        }
    }

    private static CupPicture drawn(String key, List<Block> blocks) {
        return drawn(key, Block.together(key, blocks));
    }

    private static CupPicture drawn(String key, Technique technique) {
        return Looks.of("block-" + key, technique, StartingBlank.SLIM_20.blank());
    }

    /** Layers to touch, of one sort. */
    record Group(String title, List<Choice> choices) {}

    /** A layer that was touched, and what may stand between it and the next. */
    record Row(Block block, List<Composer.Joint> joints) {}

    /**
     * What may be chosen from: the blocks that ship, and those of the technique that was begun from.
     *
     * @param lent the blocks of that technique, in its order
     */
    private record Palette(List<Block> lent) {

        Optional<Block> named(String key) {
            return all().filter(block -> block.key().equals(key)).findFirst();
        }

        Optional<Block> named(String key, Place place) {
            return named(key).filter(block -> block.place() == place);
        }

        List<Block> at(Place place) {
            return all().filter(block -> block.place() == place)
                    .filter(this::isOffered)
                    .distinct()
                    .toList();
        }

        /** What the technique has itself is not offered again under the same name. */
        private boolean isOffered(Block block) {
            return lent.contains(block)
                    || lent.stream()
                            .noneMatch(own ->
                                    own.place() == block.place() && own.title().equals(block.title()));
        }

        List<Group> layers() {
            return Stream.of(
                            group(
                                    "From this technique",
                                    lent.stream()
                                            .filter(block -> block.place() == Place.LAYER)
                                            .filter(block -> !Block.SHIPPED.contains(block))
                                            .toList()),
                            group("Coats and sanding", Block.COATS),
                            group("Glitter, colour, texture", Block.COLOURS),
                            group("Designs", Block.DESIGNS))
                    .filter(group -> !group.choices().isEmpty())
                    .toList();
        }

        private Group group(String title, List<Block> blocks) {
            return new Group(
                    title,
                    blocks.stream()
                            .filter(this::isOffered)
                            .distinct()
                            .map(Choice::of)
                            .toList());
        }

        private Stream<Block> all() {
            return Stream.concat(lent.stream(), Block.SHIPPED.stream());
        }

        List<String> layers(Map<String, String> typed) {
            return IntStream.range(0, MOST_LAYERS)
                    .mapToObj(i -> typed.getOrDefault("layer-" + i, ""))
                    .filter(key -> named(key, Place.LAYER).isPresent())
                    .toList();
        }

        List<Block> chosen(Map<String, String> typed) {
            Block base = named(typed.getOrDefault("base", ""), Place.BASE).orElse(Block.BASE_PAINT);
            Block finish = named(typed.getOrDefault("finish", ""), Place.FINISH).orElse(Block.FINISH_SANDED);
            return Stream.of(
                            Stream.of(base),
                            layers(typed).stream().flatMap(key -> named(key).stream()),
                            Stream.of(finish))
                    .flatMap(blocks -> blocks)
                    .toList();
        }
    }

    private Palette palette(Map<String, String> typed) {
        return new Palette(
                techniques.find(typed.getOrDefault("from", "")).map(Block::of).orElse(List.of()));
    }

    /** @param from the technique to begin with, if it knows its blocks */
    @GetMapping("/techniques/compose")
    String compose(@RequestParam(defaultValue = "") String from, Model model) {
        List<Block> lent = palette(Map.of("from", from)).lent();
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
        for (int i = 0; i < Math.min(MOST_LAYERS, lent.size() - 2); i++) {
            typed.put("layer-" + i, lent.get(i + 1).key());
        }
        typed.putAll(asItIs(techniques.find(from).orElseThrow().technique(), lent));
        return page(Form.fresh(typed), model);
    }

    /** What stands between the blocks of a technique, and what was left out there. */
    static Map<String, String> asItIs(Technique technique, List<Block> lent) {
        Map<String, Boolean> taken = Composer.decided(technique);
        Map<String, String> typed = new LinkedHashMap<>();
        taken.keySet().forEach(key -> {
            typed.put(OFFERED + key, "1");
            typed.put(JOINT + key, "1");
        });
        // What was left out may make the rest ask for more, which was left out as well.
        int known;
        do {
            known = typed.size();
            Block.together("taken apart", lent, decided(typed)).joints().stream()
                    .flatMap(List::stream)
                    .forEach(joint -> typed.put(OFFERED + joint.key(), "1"));
        } while (typed.size() > known);
        return typed;
    }

    /** What was offered and is not ticked was left. */
    static Map<String, Boolean> decided(Map<String, String> typed) {
        Map<String, Boolean> decided = new LinkedHashMap<>();
        typed.keySet().stream()
                .filter(field -> field.startsWith(OFFERED))
                .map(field -> field.substring(OFFERED.length()))
                .forEach(key -> decided.put(key, typed.containsKey(JOINT + key)));
        return decided;
    }

    /** What stands together after a touch; changes nothing. */
    @PostMapping("/techniques/compose/draft")
    String draft(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> draft = pressed(typed, typed.getOrDefault("press", ""));
        String tooMuch = "";
        while (!draw(draft, typed.getOrDefault("token", ""), tooMuch, model)) {
            // What was added last is too much with the rest: it is left out, and that is said.
            List<String> layers = palette(draft).layers(draft);
            draft.keySet().removeIf(field -> field.startsWith("layer-"));
            for (int i = 0; i < layers.size() - 1; i++) {
                draft.put("layer-" + i, layers.get(i));
            }
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
                    reader.faults().throwIfAny();
                    Technique made = Block.together(name, palette(typed).chosen(typed), decided(typed))
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
        List<String> layers = new ArrayList<>(palette.layers(typed));
        String[] parts = press.split("-", 2);
        int at = parts.length == 2 && parts[1].matches("\\d{1,2}") ? Integer.parseInt(parts[1]) : -1;
        Map<String, String> next = new LinkedHashMap<>(typed);
        if (parts[0].equals("add") && parts.length == 2 && layers.size() < MOST_LAYERS) {
            palette.named(parts[1], Place.LAYER).map(Block::key).ifPresent(layers::add);
        } else if (at >= 0 && at < layers.size()) {
            switch (parts[0]) {
                case "remove" -> {
                    layers.remove(at);
                    // The base is the first of all: a layer's own place among them is one more.
                    moved(next, at + 1, at + 1, -1);
                }
                case "up" -> swap(next, layers, at - 1);
                case "down" -> swap(next, layers, at);
                default -> {}
            }
        }
        next.keySet().removeIf(field -> field.startsWith("layer-"));
        for (int i = 0; i < layers.size(); i++) {
            next.put("layer-" + i, layers.get(i));
        }
        return next;
    }

    private static void swap(Map<String, String> typed, List<String> layers, int upper) {
        if (upper >= 0 && upper + 1 < layers.size()) {
            Collections.swap(layers, upper, upper + 1);
            moved(typed, upper, upper + 2, 0);
        }
    }

    /**
     * What was decided after some of the blocks is open again, and what was decided after those behind them moves with
     * them.
     */
    private static void moved(Map<String, String> typed, int from, int to, int by) {
        Map<String, String> moved = new LinkedHashMap<>();
        typed.forEach((field, value) -> {
            Matcher joint = A_JOINT.matcher(field);
            if (!joint.matches()) {
                moved.put(field, value);
                return;
            }
            int place = Integer.parseInt(joint.group(2));
            if (place < from) {
                moved.put(field, value);
            } else if (place > to) {
                moved.put(joint.group(1) + (place + by) + joint.group(3), value);
            }
        });
        typed.clear();
        typed.putAll(moved);
    }

    private String page(Form form, Model model) {
        Palette palette = palette(form.typed());
        List<Block> blocks = palette.chosen(form.typed());
        Composer.Composed composed = Block.together("drawn", blocks, decided(form.typed()));
        List<PlanStep> plan = composed.technique().plan(Schools.of(), Map.of());
        List<Row> rows = IntStream.range(0, blocks.size())
                .mapToObj(i -> new Row(blocks.get(i), composed.joints().get(i)))
                .toList();
        List<Judgement.Finding> findings = judge.findings(plan);
        model.addAttribute("form", form);
        model.addAttribute(
                "bases", palette.at(Place.BASE).stream().map(Choice::of).toList());
        model.addAttribute("layerGroups", palette.layers());
        model.addAttribute("finishes", palette.at(Place.FINISH));
        model.addAttribute("layers", rows.subList(1, rows.size() - 1));
        model.addAttribute("onBase", rows.get(0).joints());
        model.addAttribute("full", blocks.size() - 2 >= MOST_LAYERS);
        model.addAttribute("base", blocks.get(0));
        model.addAttribute("finish", blocks.get(blocks.size() - 1));
        model.addAttribute(
                "picture",
                drawn(String.join("+", blocks.stream().map(Block::key).toList()), composed.technique()));
        model.addAttribute("steps", plan.size());
        model.addAttribute("findings", findings);
        model.addAttribute("sound", findings.stream().allMatch(Judgement.Finding::isAdvice));
        return "techniques/compose";
    }
}

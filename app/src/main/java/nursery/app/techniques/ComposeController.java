package nursery.app.techniques;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import nursery.core.technique.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A technique put together by touching pictures of blocks; it is drawn and judged as it grows. */
@Controller
class ComposeController {

    /** With the longest of blocks still fewer steps than a technique may have. */
    private static final int MOST_LAYERS = 8;

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
            List<Block> shown = block.place() == Block.Place.BASE ? List.of(block) : List.of(Block.BASE_PAINT, block);
            return new Choice(block, drawn(block.key(), shown));
        }
    }

    private static CupPicture drawn(String key, List<Block> blocks) {
        return Looks.of("block-" + key, Block.together(key, blocks), StartingBlank.SLIM_20.blank());
    }

    @GetMapping("/techniques/compose")
    String compose(Model model) {
        return page(Form.fresh(Map.of("base", Block.BASE_GLITTER.key(), "finish", Block.FINISH_ONE.key())), model);
    }

    /** What stands together after a touch; changes nothing. */
    @PostMapping("/techniques/compose/draft")
    String draft(@RequestParam Map<String, String> typed, Model model) {
        page(
                new Form(pressed(typed, typed.getOrDefault("press", "")), List.of(), typed.getOrDefault("token", "")),
                model);
        return "techniques/compose :: draft";
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
                    Technique made = Block.together(name, chosen(typed));
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

    private static List<String> layers(Map<String, String> typed) {
        return IntStream.range(0, MOST_LAYERS)
                .mapToObj(i -> typed.getOrDefault("layer-" + i, ""))
                .filter(key -> Block.named(key)
                        .filter(block -> block.place() == Block.Place.LAYER)
                        .isPresent())
                .toList();
    }

    private static Map<String, String> pressed(Map<String, String> typed, String press) {
        List<String> layers = new ArrayList<>(layers(typed));
        String[] parts = press.split("-", 2);
        int at = parts.length == 2 && parts[1].matches("\\d{1,2}") ? Integer.parseInt(parts[1]) : -1;
        if (parts[0].equals("add") && layers.size() < MOST_LAYERS) {
            Block.named(parts[1]).map(Block::key).ifPresent(layers::add);
        } else if (at >= 0 && at < layers.size()) {
            switch (parts[0]) {
                case "remove" -> layers.remove(at);
                case "up" -> Collections.swap(layers, at, Math.max(0, at - 1));
                case "down" -> Collections.swap(layers, at, Math.min(layers.size() - 1, at + 1));
                default -> {}
            }
        }
        Map<String, String> next = new LinkedHashMap<>(typed);
        next.keySet().removeIf(field -> field.startsWith("layer-"));
        for (int i = 0; i < layers.size(); i++) {
            next.put("layer-" + i, layers.get(i));
        }
        return next;
    }

    private static List<Block> chosen(Map<String, String> typed) {
        Block base = of(typed, "base", Block.Place.BASE).orElse(Block.BASE_PAINT);
        Block finish = of(typed, "finish", Block.Place.FINISH).orElse(Block.FINISH_ONE);
        return Stream.of(
                        Stream.of(base),
                        layers(typed).stream().flatMap(key -> Block.named(key).stream()),
                        Stream.of(finish))
                .flatMap(blocks -> blocks)
                .toList();
    }

    private static Optional<Block> of(Map<String, String> typed, String field, Block.Place place) {
        return Block.named(typed.getOrDefault(field, "")).filter(block -> block.place() == place);
    }

    private String page(Form form, Model model) {
        List<Block> blocks = chosen(form.typed());
        List<PlanStep> plan = Block.together("drawn", blocks).plan(Schools.of(), Map.of());
        List<Judgement.Finding> findings = judge.findings(plan);
        model.addAttribute("form", form);
        model.addAttribute(
                "bases", Block.at(Block.Place.BASE).stream().map(Choice::of).toList());
        model.addAttribute(
                "layerChoices",
                Block.at(Block.Place.LAYER).stream().map(Choice::of).toList());
        model.addAttribute("finishes", Block.at(Block.Place.FINISH));
        model.addAttribute("layers", blocks.subList(1, blocks.size() - 1));
        model.addAttribute("full", blocks.size() - 2 >= MOST_LAYERS);
        model.addAttribute("base", blocks.get(0));
        model.addAttribute("finish", blocks.get(blocks.size() - 1));
        model.addAttribute(
                "picture",
                drawn(String.join("+", blocks.stream().map(Block::key).toList()), blocks));
        model.addAttribute("steps", plan.size());
        model.addAttribute("findings", findings);
        model.addAttribute("sound", findings.stream().allMatch(Judgement.Finding::isAdvice));
        return "techniques/compose";
    }
}

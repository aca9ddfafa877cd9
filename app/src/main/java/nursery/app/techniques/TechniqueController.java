package nursery.app.techniques;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.app.platform.Show;
import nursery.app.platform.Upload;
import nursery.app.wrap.DesignViews;
import nursery.core.cup.StartingBlank;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Question;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** The shelf of techniques, one technique with its steps, and its file. */
@Controller
class TechniqueController {

    private final TechniqueBook techniques;
    private final PlanJudge judge;
    private final Floors floors;
    private final FormPost posts;
    private final DesignViews designs;

    TechniqueController(TechniqueBook techniques, PlanJudge judge, Floors floors, FormPost posts, DesignViews designs) {
        this.designs = designs;
        this.techniques = techniques;
        this.judge = judge;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/techniques")
    String shelf(Model model) {
        return shelf(model, Form.fresh(Map.of()));
    }

    @GetMapping("/techniques/{key}")
    String one(@PathVariable String key, Model model) {
        return page(key, Form.fresh(Map.of()), model);
    }

    @GetMapping(value = "/techniques/{key}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@PathVariable String key) {
        Technique technique = find(key).technique();
        String name =
                technique.name().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".technique.json";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(TechniqueFile.write(technique));
    }

    @GetMapping(value = "/techniques/schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> schema() {
        return ResponseEntity.ok(TechniqueFile.schemaFile());
    }

    @PostMapping("/techniques/import")
    ModelAndView read(
            @RequestParam Map<String, String> typed,
            @RequestParam("file") MultipartFile file,
            Model model,
            HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    return "/techniques/"
                            + techniques.add(
                                    TechniqueFile.read(Upload.bytes(file)),
                                    Maker.of(request).name());
                },
                form -> shelf(model, form));
    }

    @PostMapping("/techniques/{key}/copy")
    ModelAndView copy(
            @PathVariable String key,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        Technique original = find(key).technique();
        return posts.handle(
                typed,
                model,
                () -> "/techniques/%s/edit"
                        .formatted(techniques.add(
                                new Technique(
                                        freeName(original.name()),
                                        original.about(),
                                        original.parts(),
                                        original.blocks()),
                                Maker.of(request).name())),
                form -> page(key, form, model));
    }

    @PostMapping("/techniques/{key}/remove")
    ModelAndView remove(@PathVariable String key, @RequestParam Map<String, String> typed, Model model) {
        ShelvedTechnique technique = find(key);
        return posts.handle(
                typed,
                model,
                () -> {
                    if (!technique.own()) {
                        throw new InvalidInput(
                                List.of(new Fault("technique", "This technique ships with Nursery and stays.")));
                    }
                    techniques.remove(key);
                    designs.setUsual(key, Optional.empty());
                    return "/techniques";
                },
                form -> page(key, form, model));
    }

    /** The design that goes with it from now on, or none. */
    @PostMapping("/techniques/{key}/design")
    ModelAndView design(@PathVariable String key, @RequestParam Map<String, String> typed, Model model) {
        find(key);
        return posts.handle(
                typed,
                model,
                () -> {
                    Seen.check(typed, Seen.of(designs.usualFor(key).orElse(0L)));
                    FormReader reader = new FormReader(typed);
                    Optional<Long> design =
                            reader.raw("design").isEmpty() ? Optional.empty() : reader.id("design", "The design");
                    reader.faults()
                            .require(
                                    design.isEmpty()
                                            || designs.choices().stream().anyMatch(one -> one.id() == design.get()),
                                    "design",
                                    "There is no such design: choose one of the list.");
                    reader.faults().throwIfAny();
                    designs.setUsual(key, design);
                    return "/techniques/" + key;
                },
                form -> page(key, form, model));
    }

    private String freeName(String name) {
        String stem =
                name.length() > Technique.LONGEST_NAME - 12 ? name.substring(0, Technique.LONGEST_NAME - 12) : name;
        List<String> taken =
                techniques.all().stream().map(other -> other.technique().name()).toList();
        String free = stem + ", my way";
        for (int i = 2; taken.contains(free); i++) {
            free = stem + ", my way " + i;
        }
        return free;
    }

    private ShelvedTechnique find(String key) {
        return techniques
                .find(key)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such technique."));
    }

    private String shelf(Model model, Form form) {
        Map<ShelvedTechnique, PlanJudge.Sketch> sketches = new LinkedHashMap<>();
        techniques
                .all()
                .forEach(technique -> sketches.put(technique, judge.sketch(technique.technique(), Schools.of())));
        model.addAttribute("form", form);
        model.addAttribute("techniques", sketches);
        model.addAttribute(
                "pictures",
                techniques.all().stream()
                        .collect(Collectors.toMap(
                                ShelvedTechnique::key,
                                one -> Looks.of(one.key(), one.technique(), StartingBlank.SLIM_20.blank()))));
        return "techniques/shelf";
    }

    private String page(String key, Form form, Model model) {
        ShelvedTechnique technique = find(key);
        Show show = floors.show();
        model.addAttribute("form", form);
        model.addAttribute("shelved", technique);
        model.addAttribute("sketch", judge.sketch(technique.technique(), Schools.of()));
        model.addAttribute(
                "questions",
                technique.technique().questions().stream().map(Question::words).toList());
        model.addAttribute("designs", designs.choices());
        model.addAttribute("usual", designs.usualFor(key).orElse(0L));
        model.addAttribute("lines", judge.lines(technique.technique(), Schools.of(), show));
        model.addAttribute("layers", judge.layers(technique.technique().plan(Schools.of(), Map.of())));
        return "techniques/technique";
    }
}

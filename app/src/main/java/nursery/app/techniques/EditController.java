package nursery.app.techniques;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.core.surface.Judgement;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** Editing a technique of the maker's own; the plan is judged as it is edited. */
@Controller
class EditController {

    private final TechniqueBook techniques;
    private final PlanJudge judge;
    private final FormPost posts;
    private final Floors floors;

    EditController(TechniqueBook techniques, PlanJudge judge, FormPost posts, Floors floors) {
        this.floors = floors;
        this.techniques = techniques;
        this.judge = judge;
        this.posts = posts;
    }

    @GetMapping("/techniques/{key}/edit")
    String edit(@PathVariable String key, Model model) {
        ShelvedTechnique technique = find(key);
        Map<String, String> typed =
                EditForm.filled(technique.technique(), floors.show().lengthUnit());
        typed.put("version", "" + technique.version());
        return page(key, Form.fresh(typed), model);
    }

    /** The rows and the judgement after a button was pressed or an input changed; changes nothing. */
    @PostMapping("/techniques/{key}/draft")
    String draft(@PathVariable String key, @RequestParam Map<String, String> typed, Model model) {
        Map<String, String> next = EditForm.pressed(typed, typed.getOrDefault("press", ""));
        page(key, new Form(next, List.of(), typed.getOrDefault("token", "")), model);
        return typed.containsKey("press") ? "techniques/edit :: draft" : "techniques/edit :: judgement";
    }

    @PostMapping("/techniques/{key}/edit")
    ModelAndView save(
            @PathVariable String key,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        find(key);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Optional<Technique> technique =
                            EditReading.technique(reader, typed, floors.show().lengthUnit());
                    reader.faults().throwIfAny();
                    techniques.change(
                            key,
                            reader.version(),
                            technique.orElseThrow(),
                            Maker.of(request).name());
                    return "/techniques/" + key;
                },
                form -> page(key, form, model));
    }

    private ShelvedTechnique find(String key) {
        return techniques
                .find(key)
                .filter(ShelvedTechnique::own)
                .orElseThrow(() -> new ResponseStatusException(
                        HttpStatus.NOT_FOUND, "There is no technique of your own here: copy one first."));
    }

    private String page(String key, Form form, Model model) {
        FormReader reader = new FormReader(form.typed());
        Optional<Technique> technique =
                EditReading.technique(reader, form.typed(), floors.show().lengthUnit());
        List<Judgement.Finding> findings = technique
                .map(found -> judge.findings(found.plan(Schools.of(), Map.of())))
                .orElse(List.of());
        model.addAttribute("form", form);
        model.addAttribute("key", key);
        EditForm.choices(model, form.typed());
        model.addAttribute("draftUrl", "/techniques/" + key + "/draft");
        model.addAttribute("ofACup", false);
        model.addAttribute("problems", form.faults().isEmpty() ? reader.faults().found() : List.of());
        model.addAttribute("findings", findings);
        model.addAttribute("sound", technique.isPresent() && findings.stream().allMatch(Judgement.Finding::isAdvice));
        return "techniques/edit";
    }
}

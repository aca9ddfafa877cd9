package nursery.app.keep;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Backups as the owner sees them. */
@Controller
class BackupsController {

    private final Backups backups;
    private final FormPost posts;

    BackupsController(Backups backups, FormPost posts) {
        this.backups = backups;
        this.posts = posts;
    }

    @GetMapping("/backups")
    String backups(Model model) {
        return page(Form.fresh(Map.of()), model);
    }

    /** Not within the form's own transaction: the dump sees only what is committed. */
    @PostMapping("/backups")
    ModelAndView backUp(@RequestParam Map<String, String> typed, Model model) {
        try {
            backups.backUp();
            return new ModelAndView("redirect:/backups");
        } catch (InvalidInput e) {
            return new ModelAndView(page(Form.rejected(typed, e.faults()), model), model.asMap(), HttpStatus.CONFLICT);
        }
    }

    /** Reads one to its end and says whether it is whole. */
    @PostMapping("/backups/check")
    ModelAndView check(@RequestParam Map<String, String> typed, Model model) {
        String name = typed.getOrDefault("file", "");
        try {
            Backups.Kept found = backups.kept().stream()
                    .filter(one -> one.name().equals(name))
                    .findFirst()
                    .orElseThrow(
                            () -> new InvalidInput(List.of(new Fault("file", "There is no such backup any more."))));
            Manifest manifest = Archive.check(found.file());
            model.addAttribute(
                    "checked",
                    "%s is whole: %d cups, %d rows."
                            .formatted(
                                    name,
                                    manifest.cups(),
                                    manifest.rows().values().stream()
                                            .mapToLong(Long::longValue)
                                            .sum()));
            return new ModelAndView(page(Form.fresh(Map.of()), model), model.asMap());
        } catch (InvalidInput e) {
            return new ModelAndView(
                    page(Form.rejected(typed, e.faults()), model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        } catch (IOException e) {
            Form form = Form.rejected(typed, List.of(new Fault("file", name + ": " + e.getMessage())));
            return new ModelAndView(page(form, model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
    }

    @PostMapping("/backups/ways")
    ModelAndView ways(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(backups.ways()));
                    double days = reader.number("days", "The days kept");
                    double weeks = reader.number("weeks", "The weeks kept");
                    double months = reader.number("months", "The months kept");
                    reader.faults().throwIfAny();
                    backups.setWays(reader.raw("folder"), days, weeks, months);
                    return "/backups";
                },
                form -> page(form, model));
    }

    private String page(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("ways", backups.ways());
        model.addAttribute("waysKept", Seen.of(backups.ways()));
        model.addAttribute("folder", backups.folder().map(Object::toString).orElse("no folder yet"));
        model.addAttribute("kept", backups.kept());
        model.addAttribute("runs", backups.runs());
        return "keep/backups";
    }
}

package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.core.floor.CupNow;
import nursery.core.log.LogEntry;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

@Controller
class CupController {

    private final CupPages pages;
    private final LogBook log;
    private final PlanChanges changes;
    private final HandsBook hands;
    private final Floors floors;
    private final Pots pots;
    private final FormPost posts;

    CupController(
            CupPages pages,
            LogBook log,
            PlanChanges changes,
            HandsBook hands,
            Floors floors,
            Pots pots,
            FormPost posts) {
        this.pages = pages;
        this.log = log;
        this.changes = changes;
        this.hands = hands;
        this.floors = floors;
        this.pots = pots;
        this.posts = posts;
    }

    @GetMapping("/cups/{code}")
    String cup(@PathVariable String code, Model model) {
        return pages.page(code, Optional.empty(), model);
    }

    /** Fetched now and then by the open page, so that windows open and close before the maker's eyes. */
    @GetMapping("/cups/{code}/now")
    String now(@PathVariable String code, Model model) {
        pages.now(code, model);
        return "cups/cup :: fresh";
    }

    /** Hands are on the next step from now on; how long they were is known when it is logged. */
    @PostMapping("/cups/{code}/begin")
    ModelAndView begin(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    if (typed.containsKey("not")) {
                        hands.notBegun(code);
                    } else {
                        hands.begin(List.of(code), Maker.of(request).name());
                    }
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }

    @PostMapping("/cups/{code}/log")
    ModelAndView log(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow cup = pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    LogForm form = new LogForm(typed, floors.now(), cup.cup());
                    try {
                        log.add(code, form.entry(Maker.of(request).name(), pots), form.reasons());
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }

    /** Takes the newest entry back, as an entry of its own. */
    @PostMapping("/cups/{code}/undo")
    ModelAndView undo(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Optional<Long> entry = reader.id("entry", "The entry");
                    reader.faults().throwIfAny();
                    try {
                        log.correct(
                                code,
                                entry.orElseThrow(),
                                Optional.empty(),
                                Maker.of(request).name(),
                                "Undone");
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }

    /** One more coat, or a step once more, to be done next. */
    @PostMapping("/cups/{code}/plan")
    ModelAndView plan(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    try {
                        if ("repeat".equals(reader.raw("edit"))) {
                            int step = reader.id("repeated", "The step")
                                    .filter(id -> id >= 0 && id <= Integer.MAX_VALUE)
                                    .map(Long::intValue)
                                    .orElse(0);
                            reader.faults().throwIfAny();
                            changes.repeat(code, step);
                        } else if ("first".equals(reader.raw("edit"))) {
                            changes.addWhatIsLacking(code);
                        } else {
                            changes.addCoat(code);
                        }
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> pages.page(code, Optional.of(form), model));
    }

    @GetMapping("/cups/{code}/entries/{id}")
    String entry(@PathVariable String code, @PathVariable long id, Model model) {
        return correction(code, id, Optional.empty(), model);
    }

    @PostMapping("/cups/{code}/entries/{id}")
    ModelAndView correct(
            @PathVariable String code,
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow cup = pages.find(code);
        LogEntry wrong = entry(cup, id);
        return posts.handle(
                typed,
                model,
                () -> {
                    String by = Maker.of(request).name();
                    FormReader reader = new FormReader(typed);
                    String why = reader.line("correction", "Why it is corrected", 400, false);
                    reader.faults().throwIfAny();
                    Optional<LogEntry> instead = reader.raw("instead").equals("nothing")
                            ? Optional.empty()
                            : Optional.of(new Correction(wrong, cup.cup(), floors.now()).read(reader, by));
                    try {
                        log.correct(code, id, instead, by, why);
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code + "#history";
                },
                form -> correction(code, id, Optional.of(form), model));
    }

    private String correction(String code, long id, Optional<Form> sentBack, Model model) {
        CupNow cup = pages.find(code);
        Correction correction = new Correction(entry(cup, id), cup.cup(), floors.now());
        model.addAttribute("cup", cup.cup());
        model.addAttribute("picture", Looks.of(cup));
        model.addAttribute("entryId", id);
        model.addAllAttributes(correction.shown());
        model.addAttribute("form", sentBack.orElseGet(() -> Form.fresh(correction.filled())));
        return "cups/correct";
    }

    private static LogEntry entry(CupNow cup, long id) {
        return cup.cup().log().stream()
                .filter(entry -> entry.mark().id() == id
                        && entry.mark().isInTheBook()
                        && entry.kind() != LogEntry.Kind.CANCELLED)
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such entry."));
    }
}

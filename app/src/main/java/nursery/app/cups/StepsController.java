package nursery.app.cups;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.techniques.EditForm;
import nursery.app.techniques.EditReading;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.LegalMoves;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Changing what is still ahead of a cup, as a technique is edited; the whole plan is judged as it changes. */
@Controller
class StepsController {

    private static final String AHEAD = "ahead";

    private final CupPages pages;
    private final PlanChanges changes;
    private final Floors floors;
    private final FormPost posts;

    StepsController(CupPages pages, PlanChanges changes, Floors floors, FormPost posts) {
        this.pages = pages;
        this.changes = changes;
        this.floors = floors;
        this.posts = posts;
    }

    /**
     * @param put where a new row is wanted at once, counted from the next step on
     * @param at from when on the steps are written about, if not from now
     */
    @GetMapping("/cups/{code}/steps")
    String steps(
            @PathVariable String code,
            @RequestParam(defaultValue = "") String put,
            @RequestParam(defaultValue = "") String at,
            Model model) {
        CupNow cup = pages.find(code);
        List<PlanStep> ahead = cup.stepsAhead();
        Map<String, String> typed = new LinkedHashMap<>(EditForm.filled(ahead, floors.show()));
        typed.put(AHEAD, PlanChanges.written(ahead));
        if (!at.isEmpty()) {
            typed.put("when", "at");
            typed.put("at", at);
        }
        return page(cup, Form.fresh(put.isEmpty() ? typed : EditForm.pressed(typed, "before-" + put)), model);
    }

    /** The rows and the judgement after a button was pressed or an input changed; changes nothing. */
    @PostMapping("/cups/{code}/steps/draft")
    String draft(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        Map<String, String> next = EditForm.pressed(typed, typed.getOrDefault("press", ""));
        page(pages.find(code), new Form(next, List.of(), typed.getOrDefault("token", "")), model);
        return typed.containsKey("press") ? "techniques/edit :: draft" : "techniques/edit :: judgement";
    }

    @PostMapping("/cups/{code}/steps")
    ModelAndView change(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        CupNow cup = pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    List<PlanStep> ahead = read(reader, typed, cup.cup());
                    reader.faults().throwIfAny();
                    askAboutSlips(cup, ahead, EditForm.rows(typed));
                    try {
                        changes.replan(code, PlanChanges.numbers(typed.getOrDefault(AHEAD, "")), ahead);
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> page(cup, form, model));
    }

    /** An amount that nobody pours is asked about once, where it is typed. */
    private void askAboutSlips(CupNow cup, List<PlanStep> ahead, List<EditForm.Row> rows) {
        Floor floor = floors.now();
        List<Fault> slips = new ArrayList<>();
        for (int i = 0; i < ahead.size(); i++) {
            PlanStep step = ahead.get(i);
            EditForm.Row row = rows.get(i);
            boolean isAsked = step.amountMl().isPresent()
                    && !row.is("meant", "on")
                    && cup.cup()
                            .find(step.number())
                            .filter(was -> was.amountMl().equals(step.amountMl()))
                            .isEmpty();
            if (isAsked) {
                floor.share(cup, step.withAmount(OptionalDouble.empty()))
                        .slipOf(step.amountMl().getAsDouble())
                        .ifPresent(words -> slips.add(new Fault(
                                "s%d.pour".formatted(row.place()), words + " If not, tick that it is meant.")));
            }
        }
        if (!slips.isEmpty()) {
            throw new InvalidInput(slips);
        }
    }

    private List<PlanStep> read(FormReader reader, Map<String, String> typed, Cup cup) {
        return floors.hands()
                .on(EditReading.steps(reader, typed, cup.freeNumber(), floors.show(), LegalMoves.mostMl(cup)));
    }

    private String page(CupNow now, Form form, Model model) {
        Cup cup = now.cup();
        FormReader reader = new FormReader(form.typed());
        List<PlanStep> ahead = read(reader, form.typed(), cup);
        Show show = floors.show();
        Instant goesOn = reader.happened(show.zone(), show.now());
        Instant earliest = now.state().lastEndedAt();
        List<Judgement.Finding> findings =
                reader.faults().none() ? now.judged(ahead, goesOn.isBefore(earliest) ? earliest : goesOn) : List.of();
        EditForm.choices(model, form.typed());
        model.addAttribute("form", form);
        model.addAttribute("cup", cup);
        model.addAttribute("draftUrl", "/cups/" + cup.code() + "/steps/draft");
        model.addAttribute("ofACup", true);
        model.addAttribute("problems", form.faults().isEmpty() ? reader.faults().found() : List.of());
        model.addAttribute("findings", findings);
        model.addAttribute("sound", reader.faults().none() && findings.stream().allMatch(Judgement.Finding::isAdvice));
        return "cups/steps";
    }
}

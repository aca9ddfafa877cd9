package nursery.app.cups;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nursery.app.floor.Floors;
import nursery.app.floor.SpindleField;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.core.film.Share;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Ahead;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.QuietHours;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Field;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What happened, written down in the evening: several steps of one cup in a row, each with its time. */
@Controller
class RowController {

    private static final int MOST_ROWS = 12;
    private static final Duration A_MINUTE = Duration.ofMinutes(1);

    private final CupPages pages;
    private final LogBook log;
    private final Floors floors;
    private final Pots pots;
    private final FormPost posts;

    RowController(CupPages pages, LogBook log, Floors floors, Pots pots, FormPost posts) {
        this.pages = pages;
        this.log = log;
        this.floors = floors;
        this.pots = pots;
        this.posts = posts;
    }

    /** A step that may have happened, under its own fields {@code step-3}, {@code at-3} and so on. */
    record Row(PlanStep step) {
        public String field(String name) {
            return name + "-" + step.number();
        }

        public List<Field> hows() {
            return LogForm.fieldsOf(step);
        }

        public boolean isWrong(Form form) {
            return hows().stream().anyMatch(field -> form.isWrong(field(LogForm.input(field))));
        }
    }

    @GetMapping("/cups/{code}/row")
    String row(@PathVariable String code, Model model) {
        CupNow cup = pages.find(code);
        return page(cup, Form.fresh(filled(cup)), model);
    }

    @PostMapping("/cups/{code}/row")
    ModelAndView write(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow cup = pages.find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    String by = Maker.of(request).name();
                    try {
                        log.addRow(code, entries(typed, cup.cup(), by), Reasons.on(new FormReader(typed)));
                    } catch (NotLogged answer) {
                        throw answer.asFaults(floors.show());
                    }
                    return "/cups/" + code;
                },
                form -> page(cup, form, model));
    }

    /** One entry for each ticked step, read as the cup's own page reads it. */
    private List<LogEntry.OfStep> entries(Map<String, String> typed, Cup cup, String by) {
        Floor floor = floors.now();
        List<LogEntry.OfStep> entries = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        for (Row row : rows(cup.plan())) {
            if (typed.containsKey(row.field("step"))) {
                Map<String, String> one = new LinkedHashMap<>(typed);
                one.put("what", row.step().kind().isPour() ? "POURED" : "DONE");
                one.put("step", String.valueOf(row.step().number()));
                one.put("when", "at");
                for (String field : List.of("at", "amount", "spindle", "resin", "partA", "partB", "by")) {
                    one.put(field, typed.getOrDefault(row.field(field), ""));
                }
                one.putAll(LogForm.told(row.step(), typed, row.field("")));
                try {
                    entries.add((LogEntry.OfStep) new LogForm(one, floor, cup).entry(by, pots));
                } catch (InvalidInput wrong) {
                    wrong.faults()
                            .forEach(fault -> faults.add(new Fault(
                                    row.field(fault.field()), row.step().title() + ": " + fault.message())));
                }
            }
        }
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        if (entries.isEmpty()) {
            throw new InvalidInput(List.of(new Fault("step", "No step is ticked: touch those that were done.")));
        }
        return entries;
    }

    private static List<Row> rows(List<PlanStep> steps) {
        return steps.stream().map(Row::new).toList();
    }

    /** Each step as early as it may have been after the one before; nothing is ticked. */
    private Map<String, String> filled(CupNow now) {
        Cup cup = now.cup();
        Floor floor = floors.now();
        Show show = Show.of(floor.ways(), floor.now());
        List<Ahead.Expected> ahead =
                Ahead.of(cup, floor.air().course(), now.state().lastEndedAt(), QuietHours.NONE);
        Map<String, String> typed = new LinkedHashMap<>();
        String spindle = floor.spindleFor(now)
                .or(() -> floor.freeSpindles().stream().findFirst())
                .map(free -> String.valueOf(free.id()))
                .orElse(SpindleField.NOT_CHOSEN);
        for (int i = 0; i < Math.min(MOST_ROWS, ahead.size()); i++) {
            PlanStep step = ahead.get(i).step();
            int minutes = step.kind().isPour() ? 0 : step.handsOnMinutes();
            // A form knows no seconds: the minute that has begun by then.
            Instant at = ahead.get(i)
                    .at()
                    .plus(Duration.ofMinutes(minutes))
                    .plus(A_MINUTE)
                    .minusMillis(1)
                    .truncatedTo(ChronoUnit.MINUTES);
            Row row = new Row(step);
            typed.put(row.field("at"), show.input(at.isAfter(floor.now()) ? floor.now() : at));
            step.role()
                    .map(role -> floor.share(now, step))
                    .map(Share::suggestedMl)
                    .ifPresent(ml -> typed.put(row.field("amount"), show.volumeNumber(ml)));
            typed.put(row.field("spindle"), cup.turns(step) ? spindle : "");
            typed.put(row.field("resin"), String.valueOf(cup.resinFor(step).id()));
            LogForm.filled(step, show.lengthUnit()).forEach((input, value) -> typed.put(row.field(input), value));
            typed.put(row.field("by"), cup.schools().has(School.SCALE) ? "scale" : "cup");
        }
        return typed;
    }

    private String page(CupNow now, Form form, Model model) {
        Floor floor = floors.now();
        Show show = Show.of(floor.ways(), floor.now());
        List<PlanStep> ahead = now.stepsAhead();
        model.addAttribute("cup", now.cup());
        model.addAttribute("form", form);
        model.addAttribute("rows", rows(ahead.subList(0, Math.min(MOST_ROWS, ahead.size()))));
        model.addAttribute("spindles", SpindleChoice.of(floor, show));
        model.addAttribute("resins", floor.shelf().resins());
        model.addAttribute("since", show.input(now.state().lastEndedAt()));
        return "cups/row";
    }
}

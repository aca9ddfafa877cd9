package nursery.app.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.plan.HoursBook.Written;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.core.measure.Faults;
import nursery.core.plan.DayHours;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** When there are hands at the bench, and when the booth is free. */
@Controller
class HoursController {

    private static final int LONGEST = 80;

    private final HoursBook hours;
    private final Floors floors;
    private final FormPost posts;

    HoursController(HoursBook hours, Floors floors, FormPost posts) {
        this.hours = hours;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/plan/hours")
    String hours(Model model) {
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/plan/hours")
    ModelAndView save(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Map<DayOfWeek, Written> week = new EnumMap<>(DayOfWeek.class);
                    for (DayOfWeek day : DayOfWeek.values()) {
                        week.put(
                                day,
                                new Written(
                                        read(reader, "bench-" + day.getValue(), name(day)),
                                        read(reader, "booth-" + day.getValue(), name(day) + ", the booth")));
                    }
                    reader.faults().throwIfAny();
                    hours.save(week, reader.raw(Seen.FIELD));
                    return "/plan";
                },
                form -> page(model, form));
    }

    /** Takes back the other hours of one day. */
    @PostMapping("/plan/hours/usual")
    String usual(@RequestParam String day) {
        Optional<LocalDate> date = PlanController.date(day);
        date.ifPresent(hours::asUsual);
        return "redirect:/plan/hours";
    }

    private static String read(FormReader reader, String field, String what) {
        String text = reader.line(field, what, LONGEST, false);
        Faults faults = new Faults();
        Optional<DayHours> parsed = faults.attempt(field, () -> DayHours.parse(text));
        faults.found().forEach(fault -> reader.faults().add(field, "%s: %s".formatted(what, fault.message())));
        return parsed.map(DayHours::written).orElse(text);
    }

    private String page(Model model, Form form) {
        Map<String, String> typed = new LinkedHashMap<>();
        hours.written().forEach((day, written) -> {
            typed.put("bench-" + day.getValue(), shown(written.bench()));
            typed.put("booth-" + day.getValue(), shown(written.booth()));
        });
        typed.put(Seen.FIELD, Seen.of(hours.written()));
        typed.putAll(form.typed());
        if (form.isWrong(Seen.FIELD)) {
            typed.put(Seen.FIELD, Seen.of(hours.written()));
        }
        Map<Integer, String> days = new LinkedHashMap<>();
        for (int i = 0; i < DayOfWeek.values().length; i++) {
            DayOfWeek day = floors.ways().weekStarts().plus(i);
            days.put(day.getValue(), name(day));
        }
        model.addAttribute("form", new Form(typed, form.faults(), form.token()));
        model.addAttribute("days", days);
        model.addAttribute("exceptions", hours.exceptions());
        return "plan/hours";
    }

    private String shown(String written) {
        return DayHours.parse(written).shown(floors.ways().clock());
    }

    private static String name(DayOfWeek day) {
        return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }
}

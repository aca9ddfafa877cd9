package nursery.app.inspect;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.cups.LogBook;
import nursery.app.cups.NotLogged;
import nursery.app.cups.PlanChanges;
import nursery.app.cups.Reasons;
import nursery.app.floor.Floors;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.inspect.CupFacts;
import nursery.core.inspect.CupFaults;
import nursery.core.inspect.Diagnosis;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Remedy;
import nursery.core.inspect.Treatment;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** Something looks wrong: what is seen, why that is, and what now. */
@Controller
class FaultController {

    private static final String AHEAD = "ahead";
    private static final int MOST_ASKED = 40;
    private static final int LONGEST_NOTE = 400;

    private final Floors floors;
    private final LogBook log;
    private final CaseBook cases;
    private final Remedies remedies;
    private final FormPost posts;
    private final StockBook stock;

    FaultController(Floors floors, LogBook log, CaseBook cases, Remedies remedies, FormPost posts, StockBook stock) {
        this.floors = floors;
        this.log = log;
        this.cases = cases;
        this.remedies = remedies;
        this.posts = posts;
        this.stock = stock;
    }

    @GetMapping("/cups/{code}/fault")
    String seen(@PathVariable String code, Model model) {
        return seen(find(code), Form.fresh(Map.of("zone", "all", "extent", "some", "when", "0")), model);
    }

    @PostMapping("/cups/{code}/fault")
    ModelAndView see(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow now = find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    List<Sighting> sightings = sightings(reader);
                    String note = reader.line("note", "The note", LONGEST_NOTE, false);
                    Mark mark = mark(request, reader, note);
                    logged(() -> log.add(code, new LogEntry.FaultsSeen(mark, sightings), Reasons.NONE));
                    // What was seen before the newest coat is history: nothing is to be done about it now.
                    return now.state()
                                    .newestCoat()
                                    .filter(coat -> mark.happenedAt()
                                            .isBefore(coat.times().pouredAt()))
                                    .isPresent()
                            ? "/cups/%s#history".formatted(code)
                            : "/cups/%s/why".formatted(code);
                },
                form -> seen(now, form, model));
    }

    private List<Sighting> sightings(FormReader reader) {
        List<Sighting> sightings = Sighting.ticked(reader::isTicked, "seen-", reader.raw("zone"), reader.raw("extent"));
        reader.faults().require(!sightings.isEmpty(), "seen", "Touch what you see first.");
        return sightings;
    }

    @GetMapping("/cups/{code}/why")
    String why(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        return why(find(code), Form.fresh(typed), model);
    }

    @PostMapping("/cups/{code}/remedy")
    ModelAndView choose(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow now = find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    nursery.core.inspect.Model known = cases.model();
                    Treatment remedy = chosen(typed, known);
                    Diagnosis diagnosis = diagnosis(now, typed, known);
                    refuseForbidden(diagnosis, remedy);
                    logged(() -> cases.choose(
                            code,
                            remedy,
                            likeliest(diagnosis, remedy),
                            PlanChanges.numbers(typed.getOrDefault(AHEAD, "")),
                            mark(request, new FormReader(typed), "")));
                    return "/cups/" + code;
                },
                form -> why(now, form, model));
    }

    /** What the button named: one of practice's, or what the shop itself does about a cause. */
    private static Treatment chosen(Map<String, String> typed, nursery.core.inspect.Model known) {
        Optional<Treatment> own = known.cause(typed.getOrDefault("own", ""))
                .flatMap(cause -> cause.own().map(Treatment.class::cast));
        return own.or(() -> Remedy.named(typed.getOrDefault("remedy", "")).map(Treatment.class::cast))
                .orElseThrow(
                        () -> new InvalidInput(List.of(new Fault("remedy", "Choose what is to be done about it."))));
    }

    /** The likeliest cause this is for; the likeliest of all where it is for none. */
    private static String likeliest(Diagnosis diagnosis, Treatment remedy) {
        if (remedy instanceof OwnRemedy own) {
            return own.cause();
        }
        List<Diagnosis.Held> held = diagnosis.held();
        return held.stream()
                .filter(one -> one.cause().helps().stream().anyMatch(remedy::equals))
                .findFirst()
                .or(() -> held.stream().findFirst())
                .map(one -> one.cause().key())
                .orElse("");
    }

    private static void refuseForbidden(Diagnosis diagnosis, Treatment remedy) {
        diagnosis.against(remedy).ifPresent(cause -> {
            throw new InvalidInput(List.of(
                    new Fault("remedy", "%s: not while it may be that: %s.".formatted(remedy.words(), cause.words()))));
        });
    }

    @PostMapping("/cups/{code}/cause")
    ModelAndView settle(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletRequest request) {
        CupNow now = find(code);
        return posts.handle(
                typed,
                model,
                () -> {
                    logged(() -> cases.settle(
                            code, typed.getOrDefault("cause", ""), mark(request, new FormReader(typed), "")));
                    return "/cups/%s/why".formatted(code);
                },
                form -> why(now, form, model));
    }

    private void logged(Runnable work) {
        try {
            work.run();
        } catch (NotLogged answer) {
            throw answer.asFaults(floors.show());
        }
    }

    private Mark mark(HttpServletRequest request, FormReader reader, String note) {
        Show show = floors.show();
        Instant at = reader.happened(show.zone(), show.now());
        reader.faults().throwIfAny();
        return Mark.unnumbered(at, show.now(), Maker.of(request).name(), note);
    }

    private CupNow find(String code) {
        return floors.cup(code)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no cup " + code + "."));
    }

    private String seen(CupNow now, Form form, Model model) {
        model.addAttribute("cup", now.cup());
        model.addAttribute("form", form);
        model.addAttribute("picture", Looks.of(now));
        boolean coated = now.state().newestCoat().isPresent();
        boolean glittered = now.state().hasGlitter();
        model.addAttribute(
                "faults",
                Arrays.stream(Blemish.values())
                        .filter(fault -> coated || fault.isOfGlitter())
                        .toList());
        model.addAttribute("zones", Zone.values());
        model.addAttribute("extents", Extent.values());
        model.addAttribute("coated", coated || glittered);
        model.addAttribute("seen", CupFaults.on(now));
        return "inspect/seen";
    }

    /** What was answered so far: {@code yes} and {@code no} hold the questions' keys, with commas between. */
    private static Map<String, Boolean> answers(Map<String, String> typed) {
        Map<String, Boolean> answers = new LinkedHashMap<>();
        keys(typed, "yes").forEach(key -> answers.put(key, true));
        keys(typed, "no").forEach(key -> answers.put(key, false));
        return answers;
    }

    private static Set<String> keys(Map<String, String> typed, String field) {
        return Arrays.stream(typed.getOrDefault(field, "").split(","))
                .filter(key -> key.matches("[a-z-]{1,40}"))
                .limit(MOST_ASKED)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private Diagnosis diagnosis(CupNow now, Map<String, String> typed, nursery.core.inspect.Model known) {
        Floor floor = floors.now();
        CupFacts.Origin origin = now.state()
                .newestCoat()
                .map(coat -> new CupFacts.Origin(
                        coat.pour().batch().stream().boxed().findFirst().flatMap(floors::batch),
                        stock.hardenerOpenedAt(
                                coat.pour().batch(), coat.pour().mark().id())))
                .orElse(CupFacts.Origin.UNKNOWN);
        return Diagnosis.of(
                        known,
                        CupFaults.look(now),
                        answers(typed),
                        CupFacts.of(now, floors.roomOf(now.cup()), floor.shelf(), origin, floor.now()))
                .without(keys(typed, "skip"));
    }

    private String why(CupNow now, Form form, Model model) {
        nursery.core.inspect.Model known = cases.model();
        Diagnosis diagnosis = diagnosis(now, form.typed(), known);
        Show show = floors.show();
        model.addAttribute("cup", now.cup());
        model.addAttribute("form", form);
        model.addAttribute("show", show);
        model.addAttribute("picture", Looks.of(now));
        model.addAttribute("seen", CupFaults.on(now));
        model.addAttribute("diagnosis", diagnosis);
        model.addAttribute("known", CupFaults.cause(now).flatMap(known::cause).orElse(null));
        model.addAttribute("ways", now.state().gone().isPresent() ? List.of() : remedies.of(now, diagnosis));
        model.addAttribute(AHEAD, PlanChanges.written(now.stepsAhead()));
        model.addAttribute("gone", now.state().gone().isPresent());
        for (String field : List.of("yes", "no", "skip")) {
            model.addAttribute(field, String.join(",", keys(form.typed(), field)));
        }
        model.addAttribute("hands", floors.hands());
        return "inspect/why";
    }
}

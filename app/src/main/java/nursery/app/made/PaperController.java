package nursery.app.made;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.people.Makers;
import nursery.app.people.Qr;
import nursery.app.people.Seat;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Hosts;
import nursery.app.platform.Pdf;
import nursery.app.platform.Seen;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.plan.PlannedStep;
import nursery.core.technique.PlanStep;
import nursery.core.worth.CupCost;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** Labels, job cards, care cards and a picking list, in true size. */
@Controller
class PaperController {

    private static final int MOST = 300;
    private static final int LONGEST_CARE = 600;
    private static final int QR_PIXELS = 6;
    private static final int STEPS_ON_A_LABEL = 2;

    private final StoryBook stories;
    private final CostBook costs;
    private final MoneyBook money;
    private final MaterialBook materials;
    private final Floors floors;
    private final Makers makers;
    private final Hosts hosts;
    private final Pdf pdf;
    private final FormPost posts;
    private final int tlsPort;

    PaperController(
            StoryBook stories,
            CostBook costs,
            MoneyBook money,
            MaterialBook materials,
            Floors floors,
            Makers makers,
            Hosts hosts,
            Pdf pdf,
            FormPost posts,
            @Value("${nursery.lan.port:8443}") int tlsPort) {
        this.stories = stories;
        this.costs = costs;
        this.money = money;
        this.materials = materials;
        this.floors = floors;
        this.makers = makers;
        this.hosts = hosts;
        this.pdf = pdf;
        this.posts = posts;
        this.tlsPort = tlsPort;
    }

    /** A cup on paper. */
    record OnPaper(
            String code, String name, String madeFor, String qr, List<String> next, Optional<Instant> fullCureAt) {}

    @GetMapping("/paper")
    String paper(Model model) {
        return page(model, Form.fresh(Map.of("care", stories.care())));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("kept", Seen.of(stories.care()));
        model.addAttribute("sizes", LabelSize.values());
        model.addAttribute("cups", floors.now().cups());
        return "made/paper";
    }

    /** What the shop says on its care cards beside what every card says. */
    @PostMapping("/paper/care")
    ModelAndView care(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(stories.care()));
                    String words = reader.text("care", "Your own words", LONGEST_CARE);
                    reader.faults()
                            .require(
                                    !words.toLowerCase(java.util.Locale.ROOT).matches("(?s).*food[\\s-]*safe.*"),
                                    "care",
                                    "A coated cup is never called food-safe: leave that out.");
                    reader.faults().throwIfAny();
                    stories.setCare(words);
                    return "/paper#care";
                },
                form -> page(model, form));
    }

    private List<CupNow> cups(List<String> codes) {
        if (codes.size() > MOST) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "At most %d at once.".formatted(MOST));
        }
        List<CupNow> cups =
                codes.stream().flatMap(code -> floors.cup(code).stream()).toList();
        if (cups.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND, "Choose at least one cup.");
        }
        return cups;
    }

    private OnPaper onPaper(CupNow cup, HttpServletRequest request) {
        return new OnPaper(
                cup.code(),
                cup.cup().about().name(),
                cup.cup().about().madeFor(),
                qr(cup.code(), request),
                cup.state().gone().isPresent()
                        ? List.of()
                        : cup.stepsAhead().stream()
                                .limit(STEPS_ON_A_LABEL)
                                .map(PlanStep::title)
                                .toList(),
                cup.state().fullCureAt());
    }

    private String qr(String code, HttpServletRequest request) {
        return "data:image/png;base64,"
                + Base64.getEncoder()
                        .encodeToString(Qr.png(hosts.address(request, tlsPort) + "/cups/" + code, QR_PIXELS));
    }

    @GetMapping("/paper/labels.pdf")
    ResponseEntity<byte[]> labels(
            @RequestParam(defaultValue = "") List<String> cups,
            @RequestParam(defaultValue = "LABEL_62X29") String size,
            @RequestParam(defaultValue = "1") String from,
            HttpServletRequest request) {
        LabelSize found = Arrays.stream(LabelSize.values())
                .filter(one -> one.name().equals(size))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such size."));
        List<Optional<OnPaper>> all = new ArrayList<>();
        // A sheet that was begun is used up: so many places are left empty.
        int first = from.matches("\\d{1,3}") ? Math.min(found.onAPage(), Math.max(1, Integer.parseInt(from))) : 1;
        for (int i = 1; found.isSheet() && i < first; i++) {
            all.add(Optional.empty());
        }
        cups(cups).forEach(cup -> all.add(Optional.of(onPaper(cup, request))));
        List<List<List<Optional<OnPaper>>>> pages = new ArrayList<>();
        for (int at = 0; at < all.size(); at += found.onAPage()) {
            List<List<Optional<OnPaper>>> rows = new ArrayList<>();
            List<Optional<OnPaper>> page = all.subList(at, Math.min(all.size(), at + found.onAPage()));
            for (int row = 0; row < page.size(); row += found.columns()) {
                rows.add(page.subList(row, Math.min(page.size(), row + found.columns())));
            }
            pages.add(rows);
        }
        return pdf("labels", "made/labels-print", Map.of("size", found, "pages", pages));
    }

    @GetMapping("/paper/care.pdf")
    ResponseEntity<byte[]> careCards(@RequestParam(defaultValue = "") List<String> cups, HttpServletRequest request) {
        return pdf(
                "care",
                "made/care-print",
                Map.of(
                        "cups",
                        cups(cups).stream().map(cup -> onPaper(cup, request)).toList(),
                        "care",
                        stories.care(),
                        "show",
                        floors.show()));
    }

    /**
     * A step on a job card.
     *
     * @param planned where the plan has it, with the window it has then; empty if it finds no place
     */
    record CardStep(PlanStep step, Optional<PlannedStep> planned, Optional<Double> ml) {}

    private List<CardStep> cardSteps(CupNow cup) {
        Floor floor = floors.now();
        List<PlannedStep> planned = floors.standing(floor).plan().of(cup.code());
        return cup.stepsAhead().stream()
                .map(step -> {
                    Optional<PlannedStep> at = planned.stream()
                            .filter(one -> one.step().number() == step.number())
                            .findFirst();
                    Optional<Double> ml = step.role().map(role -> at.flatMap(
                                    one -> one.amountMl().stream().boxed().findFirst())
                            .orElseGet(() -> floor.share(cup, step).suggestedMl()));
                    return new CardStep(step, at, ml);
                })
                .toList();
    }

    @GetMapping("/paper/card.pdf")
    ResponseEntity<byte[]> jobCard(@RequestParam(defaultValue = "") String cup, HttpServletRequest request) {
        CupNow found = cups(List.of(cup)).get(0);
        Map<String, Object> model = new HashMap<>();
        model.put("paper", onPaper(found, request));
        model.put("cup", found.cup());
        model.put("steps", found.state().gone().isPresent() ? List.of() : cardSteps(found));
        model.put("done", found.cup().happened().size());
        model.put("materials", materials.chosen(found.cup().id()));
        model.put("show", floors.show());
        return pdf("card-" + found.code(), "made/card-print", model);
    }

    /** What is finished and goes to a market, with what is asked for it. */
    @GetMapping("/paper/picking.pdf")
    ResponseEntity<byte[]> picking() {
        Show show = floors.show();
        boolean priced = makers.seat().filter(Seat::isMaker).isPresent();
        List<CupNow> finished = floors.now().cups().stream()
                .filter(cup -> cup.state().isFinished() && cup.state().gone().isEmpty())
                .toList();
        List<CupCost> cost = priced ? costs.of(finished) : List.of();
        Money ways = money.ways();
        List<Map<String, String>> lines = new ArrayList<>();
        for (int i = 0; i < finished.size(); i++) {
            CupNow cup = finished.get(i);
            lines.add(Map.of(
                    "code",
                    cup.code(),
                    "name",
                    cup.cup().about().name(),
                    "blank",
                    cup.cup().about().blank(),
                    "madeFor",
                    cup.cup().about().madeFor(),
                    "cured",
                    cup.state()
                            .fullCureAt()
                            .map(at -> at.isAfter(show.now()) ? "not before " + show.day(at) : "cured")
                            .orElse(""),
                    "price",
                    priced
                            ? ways.number(
                                    ways.asking().of(cost.get(i).foretold()).price())
                            : ""));
        }
        return pdf(
                "picking",
                "made/picking-print",
                Map.of("lines", lines, "currency", ways.currency().getCurrencyCode(), "show", show));
    }

    private ResponseEntity<byte[]> pdf(String name, String template, Map<String, Object> model) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=" + name + ".pdf")
                .body(pdf.of(template, model));
    }
}

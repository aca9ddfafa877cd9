package nursery.app.mix;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.inspect.CaseBook;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.floor.Floor;
import nursery.core.floor.Placing;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfCup;
import nursery.core.inspect.Cause;
import nursery.core.inspect.Foresight;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Picking the coats of a mix and working out its sheet. */
@Controller
class MixController {

    private final MixBook mixes;
    private final Floors floors;
    private final FormPost posts;
    private final StockBook stock;
    private final CaseBook cases;

    MixController(MixBook mixes, Floors floors, FormPost posts, StockBook stock, CaseBook cases) {
        this.mixes = mixes;
        this.floors = floors;
        this.posts = posts;
        this.stock = stock;
        this.cases = cases;
    }

    /** The bench with its coats; those due now and in no mix under way are picked, unless some are named. */
    @GetMapping("/mix")
    String bench(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> chosen = new LinkedHashMap<>(typed);
        Floor floor = floors.now();
        List<Candidate> all = Candidate.among(floor);
        Optional<Resin> resin = resinOf(chosen, all);
        if (chosen.keySet().stream().noneMatch(field -> field.startsWith("pick-"))) {
            floor.dueTogether(resin).cups().forEach(cup -> chosen.put("pick-" + cup.code(), "on"));
        }
        return page(model, Form.fresh(chosen), floor, all);
    }

    /** The sheet for what is picked and typed so far, or what a changed share changes in it; changes nothing. */
    @GetMapping("/mix/sheet")
    String sheet(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Floor floor = floors.now();
        List<Candidate> all = Candidate.among(floor);
        Optional<MixSheet> sheet = sheet(typed, floor, all);
        Optional<List<SheetRow>> changed = sheet.flatMap(found -> found.changedSince(typed.getOrDefault("shown", "")));
        if (changed.isPresent()) {
            model.addAttribute("sheet", sheet.orElseThrow());
            model.addAttribute("foreseen", foreseen(sheet.orElseThrow(), floor));
            model.addAttribute("resin", sheet.orElseThrow().resin());
            model.addAttribute("changed", changed.get());
            model.addAttribute("form", Form.fresh(typed));
            response.setHeader("HX-Retarget", "#sheet-head");
            return "mix/mix :: changed";
        }
        String whole = page(model, Form.fresh(typed), floor, all);
        if (sheet.isEmpty()) {
            // The last coat was poured from another tablet: the page says so.
            response.setHeader("HX-Refresh", "true");
            return whole;
        }
        return "mix/mix :: sheet";
    }

    @PostMapping("/mix")
    ModelAndView start(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Floor floor = floors.now();
                    MixSheet sheet = sheet(typed, floor, Candidate.among(floor))
                            .orElseThrow(() -> new InvalidInput(
                                    List.of(new Fault("cup", "No cup wants a coat now: it was mixed for already."))));
                    askAboutSlips(sheet, typed);
                    return "/mix/" + mixes.start(sheet, Maker.of(request).name(), floors.show());
                },
                form -> {
                    Floor floor = floors.now();
                    return page(model, form, floor, Candidate.among(floor));
                });
    }

    private static void askAboutSlips(MixSheet sheet, Map<String, String> typed) {
        List<Fault> slips = sheet.rows().stream()
                .filter(row -> !typed.containsKey("meant-" + row.candidate().code()))
                .flatMap(row -> row.slip().stream()
                        .map(words -> new Fault(
                                "share-" + row.candidate().code(),
                                row.candidate().code() + ": " + words + " If not, tick that it is meant.")))
                .toList();
        if (!slips.isEmpty()) {
            throw new InvalidInput(slips);
        }
    }

    private String page(Model model, Form form, Floor floor, List<Candidate> all) {
        Optional<Resin> resin = resinOf(form.typed(), all);
        model.addAttribute("form", form);
        model.addAttribute(
                "resins", all.stream().map(Candidate::resin).distinct().toList());
        model.addAttribute("resin", resin.orElse(null));
        model.addAttribute(
                "candidates",
                all.stream()
                        .filter(candidate ->
                                resin.filter(candidate.resin()::equals).isPresent())
                        .toList());
        model.addAttribute("measuringCups", floor.shelf().measuringCups());
        model.addAttribute("waits", resin.map(found -> waits(floor, found)).orElse(Map.of()));
        Optional<MixSheet> sheet = sheet(form.typed(), floor, all);
        model.addAttribute("sheet", sheet.orElse(null));
        model.addAttribute(
                "foreseen", sheet.map(found -> foreseen(found, floor)).orElse(List.of()));
        model.addAttribute("open", floor.open());
        model.addAttribute("fitness", floor.air().fitness(floor.now()));
        return "mix/mix";
    }

    /** What is likely to go wrong with these coats, each cause once, with the cups it is told of. */
    private List<String> foreseen(MixSheet sheet, Floor floor) {
        Map<Cause, List<String>> cups = new LinkedHashMap<>();
        Map<Cause, Foresight> worst = new LinkedHashMap<>();
        List<List<Foresight>> ahead = cases.ahead(
                floor,
                sheet.rows().stream().map(row -> new CaseBook.Coat(row.check())).toList());
        for (int i = 0; i < ahead.size(); i++) {
            for (Foresight one : ahead.get(i)) {
                cups.computeIfAbsent(one.cause(), cause -> new ArrayList<>())
                        .add(sheet.rows().get(i).candidate().code());
                worst.merge(one.cause(), one, (first, other) -> first.chance() >= other.chance() ? first : other);
            }
        }
        return worst.values().stream()
                .map(found -> (cups.getOrDefault(found.cause(), List.of()).size()
                                        == sheet.rows().size()
                                ? ""
                                : String.join(", ", cups.getOrDefault(found.cause(), List.of())) + ": ")
                        + found.words())
                .toList();
    }

    /** Why coats that are due are not picked, by their cup's code. */
    private static Map<String, String> waits(Floor floor, Resin resin) {
        Show show = Show.of(floor.ways(), floor.now());
        Map<String, String> words = new HashMap<>();
        floor.dueTogether(Optional.of(resin))
                .waiting()
                .forEach(one -> words.put(one.cup().code(), one.words(show::at)));
        floor.cups().stream()
                .filter(floor::isUnderWay)
                .forEach(cup -> words.put(cup.code(), Placing.Why.UNDER_WAY.words()));
        return words;
    }

    private Optional<MixSheet> sheet(Map<String, String> typed, Floor floor, List<Candidate> all) {
        return resinOf(typed, all).map(resin -> {
            List<Candidate> picked = all.stream()
                    .filter(candidate ->
                            candidate.resin().equals(resin) && typed.containsKey("pick-" + candidate.code()))
                    .toList();
            MixSheet.Choice choice = new MixSheet.Choice(floor, resin, picked, cupOf(typed, floor.shelf()), stock);
            return MixSheet.of(choice, typed, Show.of(floor.ways(), floor.now()));
        });
    }

    /** The resin named, else that of the coat that comes first. */
    private static Optional<Resin> resinOf(Map<String, String> typed, List<Candidate> all) {
        return all.stream()
                .map(Candidate::resin)
                .filter(resin -> String.valueOf(resin.id()).equals(typed.get("resin")))
                .findFirst()
                .or(() -> all.stream().map(Candidate::resin).findFirst());
    }

    private static ShelfCup cupOf(Map<String, String> typed, Shelf shelf) {
        return shelf.measuringCups().stream()
                .filter(cup -> String.valueOf(cup.id()).equals(typed.get("measuringCup")))
                .findFirst()
                .orElseGet(shelf::measuringCupAtHand);
    }
}

package nursery.app.shelf;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.core.resin.Bottle;
import nursery.core.resin.Part;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The bottles on the shelf. */
@Controller
class StockController {

    private static final int LONGEST_LOT = 60;

    private final StockBook stock;
    private final Floors floors;
    private final FormPost posts;

    StockController(StockBook stock, Floors floors, FormPost posts) {
        this.stock = stock;
        this.floors = floors;
        this.posts = posts;
    }

    /** A resin with its bottles, the emptied ones last. */
    record ResinStock(Resin resin, List<StockBook.StockedBottle> bottles) {

        /** The smaller side in millilitres of mix: what can still be mixed before a part runs out. */
        public double mixableMl() {
            double a = left(Part.A);
            double b = left(Part.B);
            return resin.label().ratio().parts()
                    * Math.min(
                            a / resin.label().ratio().partsA(),
                            b / resin.label().ratio().partsB());
        }

        private double left(Part part) {
            return bottles.stream()
                    .map(StockBook.StockedBottle::bottle)
                    .filter(bottle -> bottle.part() == part)
                    .mapToDouble(bottle -> bottle.leftMl())
                    .sum();
        }
    }

    @GetMapping("/shelf/bottles")
    String bottles(Model model) {
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/shelf/bottles")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Optional<Long> resin = reader.id("resin", "The resin")
                            .filter(id -> floors.shelf().resin(id).isPresent());
                    reader.faults()
                            .require(
                                    resin.isPresent() || reader.raw("resin").isEmpty(),
                                    "resin",
                                    "That resin is not on the shelf any more: choose another.");
                    Optional<Part> part = reader.choice("part", "Resin or hardener", Part.class);
                    String lot = reader.line("lot", "The lot", LONGEST_LOT, true);
                    double holdsMl = reader.quantity(
                            "holds", "What the bottle holds", floors.ways().volumeUnit());
                    reader.faults().throwIfAny();
                    stock.add(
                            resin.orElseThrow(),
                            part.orElseThrow(),
                            lot,
                            holdsMl,
                            Maker.of(request).name());
                    return "/shelf/bottles";
                },
                form -> page(model, form));
    }

    @PostMapping("/shelf/bottles/{id}")
    ModelAndView look(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(leftIn(id)));
                    double leftMl = reader.quantity(
                            "left-" + id, "What is left", floors.ways().volumeUnit());
                    reader.faults().throwIfAny();
                    stock.look(id, leftMl, Maker.of(request).name());
                    return "/shelf/bottles";
                },
                form -> page(model, form));
    }

    private double leftIn(long bottle) {
        return stock.bottles().stream()
                .map(StockBook.StockedBottle::bottle)
                .filter(one -> one.id() == bottle)
                .mapToDouble(Bottle::leftMl)
                .findFirst()
                .orElse(0);
    }

    /** How long a new bottle takes to be here: what is ordered by when follows from it. */
    @PostMapping("/shelf/bottles/lead/{resin}")
    ModelAndView lead(@PathVariable long resin, @RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(stock.leadDays().getOrDefault(resin, 0)));
                    double days = reader.number("lead-" + resin, "The days until it is here");
                    reader.faults().throwIfAny();
                    stock.setLeadDays(resin, days);
                    return "/shelf/bottles";
                },
                form -> page(model, form));
    }

    private String page(Model model, Form form) {
        List<StockBook.StockedBottle> all = stock.bottles();
        model.addAttribute("form", form);
        model.addAttribute("leads", stock.leadDays());
        model.addAttribute("resins", floors.shelf().resins());
        model.addAttribute(
                "stocks",
                floors.shelf().resins().stream()
                        .map(resin -> new ResinStock(
                                resin,
                                all.stream()
                                        .filter(bottle -> bottle.resinId() == resin.id())
                                        .toList()))
                        .filter(found -> !found.bottles().isEmpty())
                        .toList());
        return "shelf/bottles";
    }
}

package nursery.app.mix;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.CupBook;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.Shop;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfCup;
import nursery.app.shelf.ShelfResin;
import nursery.app.shelf.ShelfTurner;
import nursery.app.shelf.StockBook;
import nursery.core.resin.Pace;
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
    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;
    private final RoomBook room;
    private final Moments moments;
    private final FormPost posts;
    private final StockBook stock;

    MixController(MixBook mixes, CupBook cups, Shelf shelf, ShopBook shops, RoomBook room, Moments moments, FormPost posts, StockBook stock) {
        this.mixes = mixes;
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
        this.room = room;
        this.moments = moments;
        this.posts = posts;
        this.stock = stock;
    }

    /** The bench with its coats; those due now and in no mix under way are picked, unless some are named. */
    @GetMapping("/mix")
    String bench(@RequestParam Map<String, String> typed, Model model) {
        Map<String, String> chosen = new LinkedHashMap<>(typed);
        List<Candidate> all = Candidate.among(cups.all(), moments.now());
        Optional<ShelfResin> resin = resinOf(chosen, all);
        if (chosen.keySet().stream().noneMatch(field -> field.startsWith("pick-"))) {
            List<String> underWay = mixes.open().stream().flatMap(batch -> batch.shares().stream()).map(Batch.BatchShare::code).toList();
            all.stream().filter(candidate -> candidate.isDue() && !underWay.contains(candidate.code()) && resin.filter(candidate.resin()::equals).isPresent())
                    .forEach(candidate -> chosen.put("pick-" + candidate.code(), "on"));
        }
        return page(model, Form.fresh(chosen), all);
    }

    /** The sheet for what is picked and typed so far, or what a changed share changes in it; changes nothing. */
    @GetMapping("/mix/sheet")
    String sheet(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        List<Candidate> all = Candidate.among(cups.all(), moments.now());
        Optional<MixSheet> sheet = sheet(typed, all);
        Optional<List<SheetRow>> changed = sheet.flatMap(found -> found.changedSince(typed.getOrDefault("shown", "")));
        if (changed.isPresent()) {
            model.addAttribute("sheet", sheet.orElseThrow());
            model.addAttribute("resin", sheet.orElseThrow().resin());
            model.addAttribute("changed", changed.get());
            response.setHeader("HX-Retarget", "#sheet-head");
            return "mix/mix :: changed";
        }
        page(model, Form.fresh(typed), all);
        return "mix/mix :: sheet";
    }

    @PostMapping("/mix")
    ModelAndView start(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(typed, model, () -> {
            Show show = shops.show();
            List<Candidate> all = Candidate.among(cups.all(), moments.now());
            return "/mix/" + mixes.start(sheet(typed, all).orElseThrow(), Maker.of(request).name(), show);
        }, form -> page(model, form, Candidate.among(cups.all(), moments.now())));
    }

    private String page(Model model, Form form, List<Candidate> all) {
        Optional<ShelfResin> resin = resinOf(form.typed(), all);
        model.addAttribute("form", form);
        model.addAttribute("resins", all.stream().map(Candidate::resin).distinct().toList());
        model.addAttribute("resin", resin.orElse(null));
        model.addAttribute("candidates", all.stream().filter(candidate -> resin.filter(candidate.resin()::equals).isPresent()).toList());
        model.addAttribute("measuringCups", shelf.measuringCups());
        model.addAttribute("turners", shelf.turners());
        model.addAttribute("sheet", sheet(form.typed(), all).orElse(null));
        model.addAttribute("open", mixes.open());
        model.addAttribute("fitness", room.fitness());
        return "mix/mix";
    }

    private Optional<MixSheet> sheet(Map<String, String> typed, List<Candidate> all) {
        return resinOf(typed, all).map(resin -> {
            List<Candidate> picked = all.stream().filter(candidate -> candidate.resin().equals(resin) && typed.containsKey("pick-" + candidate.code())).toList();
            Shop shop = shops.shop();
            double minutesPerCup = shop.setMinutesPerCup().orElseGet(() -> Pace.learnedMinutesPerCup(cups.poursByBatch().values()));
            return MixSheet.of(new MixSheet.Choice(resin, picked, cupOf(typed), turnerOf(typed), room.temperatureC(moments.now()), shop.losses(), minutesPerCup, stock),
                    typed, shop.show(moments.now()));
        });
    }

    /** The resin named, else that of the coat that comes first. */
    private static Optional<ShelfResin> resinOf(Map<String, String> typed, List<Candidate> all) {
        return all.stream().map(Candidate::resin).filter(resin -> String.valueOf(resin.id()).equals(typed.get("resin"))).findFirst()
                .or(() -> all.stream().map(Candidate::resin).findFirst());
    }

    private ShelfCup cupOf(Map<String, String> typed) {
        return shelf.measuringCups().stream().filter(cup -> String.valueOf(cup.id()).equals(typed.get("measuringCup"))).findFirst().orElseGet(shelf::measuringCupAtHand);
    }

    private ShelfTurner turnerOf(Map<String, String> typed) {
        List<ShelfTurner> turners = shelf.turners();
        return turners.stream().filter(turner -> String.valueOf(turner.id()).equals(typed.get("turner"))).findFirst().orElse(turners.get(0));
    }
}

package nursery.app.cups;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.platform.Form;
import nursery.app.platform.Show;
import nursery.app.settings.Shop;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.server.ResponseStatusException;

/** Fills the cup page's model. */
@Component
class CupPages {

    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;

    CupPages(CupBook cups, Shelf shelf, ShopBook shops) {
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
    }

    CupOnBench find(String code) {
        return cups.cup(code).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no cup " + code + "."));
    }

    /** The whole page, with the form to log the next step; a form sent back is given as it was typed. */
    String page(String code, Optional<Form> sentBack, Model model) {
        CupOnBench cup = now(code, model);
        Show show = shops.show();
        Optional<MixAdvice> mix = cup.state().next().filter(next -> next.kind() == NextAction.Kind.STEP)
                .flatMap(next -> MixAdvice.forStep(cup, next.step(), shelf.measuringCupAtHand().cup(), show));
        List<SpindleChoice> spindles = SpindleChoice.of(shelf.spindles(), cups.all(), show);
        model.addAttribute("mix", mix.orElse(null));
        model.addAttribute("form", sentBack.orElseGet(() -> Form.fresh(defaults(cup, mix, spindles, show))));
        model.addAttribute("spindles", spindles);
        model.addAttribute("steps", StepLine.of(cup, show));
        model.addAttribute("history", HistoryLine.of(cup.file(), show));
        model.addAttribute("area", cup.file().blank().area());
        return "cups/cup";
    }

    /** The part of the page that changes by itself as time passes. */
    CupOnBench now(String code, Model model) {
        CupOnBench cup = find(code);
        Shop shop = shops.shop();
        Show show = shop.show(cups.now());
        Optional<NextAction> next = cup.state().next();
        model.addAttribute("show", show);
        model.addAttribute("onBench", cup);
        model.addAttribute("cup", cup.cup());
        model.addAttribute("state", cup.state());
        model.addAttribute("next", next.orElse(null));
        model.addAttribute("readiness", next.map(action -> action.readinessAt(show.now())).orElse(Readiness.CLOSED).name());
        model.addAttribute("picture", cup.picture());
        model.addAttribute("coat", cup.state().newestCoat()
                .map(coat -> CoatCard.of(coat, cup.file().blank().area().coatedCm2(), next, shop, show)).orElse(null));
        return cup;
    }

    private static Map<String, String> defaults(CupOnBench cup, Optional<MixAdvice> mix, List<SpindleChoice> spindles, Show show) {
        return Map.of("when", "0", "at", show.input(show.now()), "spindle", likelySpindle(cup, spindles),
                "amount", mix.map(advice -> show.volumeNumber(advice.share().suggestedMl())).orElse(""));
    }

    private static String likelySpindle(CupOnBench cup, List<SpindleChoice> spindles) {
        return cup.likelySpindle(spindles.stream().filter(choice -> choice.taken().isEmpty()).map(SpindleChoice::spindle).toList())
                .map(spindle -> String.valueOf(spindle.id())).orElse("");
    }
}

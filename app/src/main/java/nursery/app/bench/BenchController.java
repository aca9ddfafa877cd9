package nursery.app.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import nursery.app.cups.CupBook;
import nursery.app.picture.TimeBar;
import nursery.app.plan.PlanBook;
import nursery.app.platform.Moments;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.Shop;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.core.cure.Phase;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class BenchController {

    private static final Duration BACK = Duration.ofHours(5);
    private static final Duration AHEAD = Duration.ofHours(19);
    /** A cup whose last coat is fully cured stays in sight this long, then it is found under all cups. */
    private static final Duration SHOWN_AFTER_FULL_CURE = Duration.ofDays(3);

    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;
    private final RoomBook room;
    private final PlanBook plans;
    private final Moments moments;

    BenchController(CupBook cups, Shelf shelf, ShopBook shops, RoomBook room, PlanBook plans, Moments moments) {
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
        this.room = room;
        this.plans = plans;
        this.moments = moments;
    }

    @GetMapping("/")
    String bench(Model model) {
        board(model);
        return "bench/bench";
    }

    /** Fetched now and then by the open page. */
    @GetMapping("/board")
    String board(Model model) {
        Instant now = moments.now();
        Shop shop = shops.shop();
        Show show = shop.show(now);
        TimeBar.Frame frame = new TimeBar.Frame(now.minus(BACK), now.plus(AHEAD), shop.zoneId(), shop.quietFrom(), shop.quietUntil());
        List<BenchRow> rows = cups.all().stream().map(cup -> BenchRow.of(cup, frame, show)).toList();
        model.addAttribute("show", show);
        model.addAttribute("rows", rows);
        model.addAttribute("now", rows.stream().filter(BenchRow::isNow).sorted(Comparator.comparing(BenchRow::closesAt)
                .thenComparing(row -> row.onBench().cup().dueOn().orElse(LocalDate.MAX))).toList());
        model.addAttribute("waiting", rows.stream().filter(BenchRow::isWaiting).sorted(Comparator.comparing(BenchRow::opensAt)).toList());
        model.addAttribute("day", rows.stream().filter(row -> !row.isFinished()).sorted(Comparator.comparing(BenchRow::opensAt)).toList());
        model.addAttribute("curing", rows.stream().filter(row -> row.isFinished() && row.onBench().state().handedOverAt().isEmpty())
                .filter(row -> row.onBench().state().fullCureAt().map(at -> at.plus(SHOWN_AFTER_FULL_CURE).isAfter(now)).orElse(false)).toList());
        model.addAttribute("departures", plans.departures());
        model.addAttribute("coatsDue", rows.stream().filter(row -> row.isNow() && row.share().isPresent()).count());
        model.addAttribute("roomC", room.temperatureC(now));
        model.addAttribute("hasBlanks", !shelf.blanks().isEmpty());
        model.addAttribute("phases", Phase.values());
        return "bench/board :: board";
    }
}

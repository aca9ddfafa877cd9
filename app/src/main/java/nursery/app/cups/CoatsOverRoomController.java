package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import nursery.app.picture.RoomChart;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.ShopBook;
import nursery.core.cure.Phase;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The room's course with the coats that lived through it, a part of the room's page. */
@Controller
class CoatsOverRoomController {

    private static final int MOST_LANES = 24;

    private final CupBook cups;
    private final RoomBook room;
    private final ShopBook shops;

    CoatsOverRoomController(CupBook cups, RoomBook room, ShopBook shops) {
        this.cups = cups;
        this.room = room;
        this.shops = shops;
    }

    @GetMapping("/room/coats")
    String coats(@RequestParam(defaultValue = "day") String span, Model model) {
        Show show = shops.show();
        boolean week = span.equals("week");
        Instant from = show.now().minus(week ? Duration.ofDays(7) : Duration.ofHours(30));
        Instant until = show.now().plus(week ? Duration.ofDays(2) : Duration.ofHours(24));
        List<RoomChart.Coat> coats = cups.all().stream().flatMap(cup -> cup.state().newestCoat().stream().map(coat -> new RoomChart.Coat(cup.cup().code(), cup.cup().code() + " " + coat.step().title(), coat.times())))
                .filter(coat -> coat.times().fullCureAt().isAfter(from))
                .sorted(Comparator.comparing((RoomChart.Coat coat) -> coat.times().pouredAt()).reversed()).limit(MOST_LANES).toList();
        model.addAttribute("phases", Phase.values());
        model.addAttribute("week", week);
        model.addAttribute("chart", RoomChart.of(room.course(), room.spreadC(), from, until, show.now(), coats, show));
        return "room/coats";
    }
}

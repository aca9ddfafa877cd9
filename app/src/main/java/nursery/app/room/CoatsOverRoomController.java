package nursery.app.room;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import nursery.app.floor.Floors;
import nursery.app.picture.RoomChart;
import nursery.core.cure.Phase;
import nursery.core.floor.Floor;
import nursery.core.measure.Span;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The room's course with the coats that lived through it, a part of the room's page. */
@Controller
class CoatsOverRoomController {

    private static final int MOST_LANES = 24;

    private final Floors floors;

    CoatsOverRoomController(Floors floors) {
        this.floors = floors;
    }

    @GetMapping("/room/coats")
    String coats(@RequestParam(defaultValue = "day") String span, Model model) {
        draw(span.equals("week"), model);
        return "room/coats :: course";
    }

    /** The drawing for a page's first paint, or for the span that is asked for. */
    void draw(boolean week, Model model) {
        Floor floor = floors.now();
        Instant now = floor.now();
        Span shown = week
                ? new Span(now.minus(Duration.ofDays(7)), now.plus(Duration.ofDays(2)))
                : new Span(now.minus(Duration.ofHours(30)), now.plus(Duration.ofHours(24)));
        List<RoomChart.Coat> coats = floor.cups().stream()
                .flatMap(cup -> cup.state().newestCoat().stream()
                        .map(coat -> new RoomChart.Coat(
                                cup.code(), cup.code() + " " + coat.step().title(), coat.times())))
                .filter(coat -> coat.times().fullCureAt().isAfter(shown.from()))
                .sorted(Comparator.comparing(
                                (RoomChart.Coat coat) -> coat.times().pouredAt())
                        .reversed())
                .limit(MOST_LANES)
                .toList();
        model.addAttribute("phases", Phase.values());
        model.addAttribute("week", week);
        model.addAttribute("chart", RoomChart.of(floor.air(), shown, now, coats, floors.show()));
    }
}

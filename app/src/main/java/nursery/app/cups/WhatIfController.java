package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfResin;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CoatOnCup;
import nursery.core.resin.Label;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** A coat's windows in another room, on a warm shelf, or in another resin. Changes nothing. */
@Controller
class WhatIfController {

    private static final double SHELF_C = 30;
    private static final Duration FROM_NOW_ON = Duration.ofDays(60);

    private final CupPages pages;
    private final Shelf shelf;
    private final ShopBook shops;
    private final RoomBook room;

    WhatIfController(CupPages pages, Shelf shelf, ShopBook shops, RoomBook room) {
        this.pages = pages;
        this.shelf = shelf;
        this.shops = shops;
        this.room = room;
    }

    /** One moment of a coat as it is and as it would be. */
    record Row(String what, String now, String then, String by) {

        static Row of(String what, CoatTimes now, CoatTimes then, Function<CoatTimes, Instant> moment, Show show) {
            Instant a = moment.apply(now);
            Instant b = moment.apply(then);
            boolean same = Duration.between(a, b).abs().toMinutes() < 1;
            return new Row(what, show.at(a), show.at(b), same ? "the same" : show.span(a.isBefore(b) ? a : b, a.isBefore(b) ? b : a) + (b.isBefore(a) ? " sooner" : " later"));
        }
    }

    @GetMapping("/cups/{code}/what-if")
    String whatIf(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        CoatOnCup coat = pages.find(code).state().newestCoat().orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no coat on " + code + " yet."));
        Show show = shops.show();
        FormReader reader = new FormReader(typed);
        double roomC = reader.quantity("temperature", "The room", show.temperatureUnit(), 0, 45);
        double hours = reader.raw("shelf").isEmpty() ? 0 : reader.number("shelf", "The hours on the shelf");
        reader.faults().within("shelf", "The hours on the shelf", hours, 0, 48, "h");
        Optional<ShelfResin> other = reader.raw("resin").isEmpty() ? Optional.empty() : reader.id("resin", "The resin").flatMap(shelf::resin);
        model.addAttribute("problems", reader.faults().found());
        model.addAttribute("show", show);
        if (reader.faults().none()) {
            model.addAttribute("temperatureC", roomC);
            model.addAttribute("shelfHours", (int) hours);
            model.addAttribute("rows", rows(coat, course(roomC, hours, show.now()), other.map(ShelfResin::label).orElse(coat.label()), show));
        }
        return "cups/what-if";
    }

    private RoomCourse course(double roomC, double shelfHours, Instant now) {
        RoomCourse course = room.course().heldAt(now, now.plus(FROM_NOW_ON), roomC);
        return shelfHours > 0 ? course.heldAt(now, now.plus(Duration.ofMinutes(Math.round(shelfHours * 60))), SHELF_C) : course;
    }

    private static List<Row> rows(CoatOnCup coat, RoomCourse course, Label label, Show show) {
        CoatTimes now = coat.times();
        CoatTimes then = new CoatTimes(label, course, now.pouredAt());
        return List.of(Row.of("Off the turner", now, then, CoatTimes::offTurnerFrom, show), Row.of("Recoat straight on, from", now, then, times -> times.tackWindow().opensAt(), show),
                Row.of("until", now, then, times -> times.tackWindow().closesAtExclusive().orElseThrow(), show), Row.of("Sandable", now, then, CoatTimes::sandableFrom, show),
                Row.of("Scuff needed after", now, then, CoatTimes::scuffAfter, show), Row.of("Full cure", now, then, CoatTimes::fullCureAt, show));
    }
}

package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.cure.CoatMoment;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Floor;
import nursery.core.log.CoatOnCup;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
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
    private final Floors floors;

    WhatIfController(CupPages pages, Floors floors) {
        this.pages = pages;
        this.floors = floors;
    }

    /** One moment of a coat as it is and as it would be. */
    record Row(String what, String now, String then, String by) {
        static Row of(CoatMoment moment, CoatTimes now, CoatTimes then, Show show) {
            Instant a = now.at(moment);
            Instant b = then.at(moment);
            boolean same = Duration.between(a, b).abs().toMinutes() < 1;
            return new Row(
                    moment.words(),
                    show.at(a),
                    show.at(b),
                    same
                            ? "the same"
                            : show.span(a.isBefore(b) ? a : b, a.isBefore(b) ? b : a)
                                    + (b.isBefore(a) ? " sooner" : " later"));
        }
    }

    @GetMapping("/cups/{code}/what-if")
    String whatIf(@PathVariable String code, @RequestParam Map<String, String> typed, Model model) {
        CoatOnCup coat = pages.find(code)
                .state()
                .newestCoat()
                .orElseThrow(() ->
                        new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no coat on " + code + " yet."));
        Floor floor = floors.now();
        Show show = floors.show();
        FormReader reader = new FormReader(typed);
        double roomC = reader.quantity("temperature", "The room", show.temperatureUnit(), 0, 45);
        double hours = reader.raw("shelf").isEmpty() ? 0 : reader.number("shelf", "The hours on the shelf");
        reader.faults().within("shelf", "The hours on the shelf", hours, 0, 48, "h");
        Optional<Resin> other = reader.raw("resin").isEmpty()
                ? Optional.empty()
                : reader.id("resin", "The resin").flatMap(floor.shelf()::resin);
        model.addAttribute("problems", reader.faults().found());
        model.addAttribute("show", show);
        if (reader.faults().none()) {
            model.addAttribute("temperatureC", roomC);
            model.addAttribute("shelfHours", (int) hours);
            RoomCourse then = course(floor.air().course(), roomC, hours, floor.now());
            model.addAttribute("rows", rows(coat, then, other.map(Resin::label).orElse(coat.label()), show));
        }
        return "cups/what-if";
    }

    private static RoomCourse course(RoomCourse room, double roomC, double shelfHours, Instant now) {
        RoomCourse course = room.heldAt(now, now.plus(FROM_NOW_ON), roomC);
        return shelfHours > 0
                ? course.heldAt(now, now.plus(Duration.ofMinutes(Math.round(shelfHours * 60))), SHELF_C)
                : course;
    }

    private static List<Row> rows(CoatOnCup coat, RoomCourse course, Label label, Show show) {
        CoatTimes now = coat.times();
        CoatTimes then = new CoatTimes(label, course, now.pouredAt());
        return Stream.of(CoatMoment.values())
                .map(moment -> Row.of(moment, now, then, show))
                .toList();
    }
}

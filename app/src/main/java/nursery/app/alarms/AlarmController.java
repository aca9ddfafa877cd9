package nursery.app.alarms;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import nursery.app.floor.Floors;
import nursery.app.platform.Maker;
import nursery.app.platform.Show;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The banner every page asks for, the feed, and the day's list. */
@Controller
class AlarmController {

    /** A banner for what does not close stays so long unless it is put away. */
    private static final Duration BANNER = Duration.ofMinutes(20);

    private final AlarmBook alarms;
    private final Floors floors;

    AlarmController(AlarmBook alarms, Floors floors) {
        this.alarms = alarms;
        this.floors = floors;
    }

    /** What is due just now; fetched by every page, so that a banner survives going from one to another. */
    @GetMapping("/alarms/due")
    String due(Model model) {
        model.addAttribute("due", alarms.due(BANNER));
        return "alarms/due";
    }

    @GetMapping("/alarms")
    String alarms(Model model) {
        Show show = floors.show();
        model.addAttribute("feeds", alarms.feeds());
        model.addAttribute("day", day(show));
        return "alarms/alarms";
    }

    @GetMapping("/alarms/day")
    String print(Model model) {
        Show show = floors.show();
        model.addAttribute("show", show);
        model.addAttribute("day", day(show));
        return "alarms/day";
    }

    /** Makes a feed; its address is shown on this answer and never again. */
    @PostMapping("/alarms/feeds")
    String feed(HttpServletRequest request, Model model) {
        String secret = alarms.newFeed(Maker.of(request).name());
        model.addAttribute(
                "address",
                "%s://%s:%d/alarms/feed/%s.ics"
                        .formatted(request.getScheme(), request.getServerName(), request.getServerPort(), secret));
        return alarms(model);
    }

    @PostMapping("/alarms/feeds/{id}/revoke")
    String revoke(@PathVariable long id) {
        alarms.revoke(id);
        return "redirect:/alarms";
    }

    @GetMapping("/alarms/feed/{secret}.ics")
    ResponseEntity<String> ics(@PathVariable String secret) {
        if (!alarms.opens(secret)) {
            return ResponseEntity.status(HttpStatus.NOT_FOUND)
                    .header("Content-Type", "text/plain;charset=UTF-8")
                    .body("There is no calendar at this address: it was never made, or it was revoked.");
        }
        Show show = floors.show();
        return ResponseEntity.ok()
                .header("Content-Type", "text/calendar;charset=UTF-8")
                .header("Cache-Control", "no-store")
                .body(CalendarFile.of(
                        alarms.from(show.now().minus(Duration.ofHours(12))), alarms.edition(), show.now()));
    }

    /** Until the end of tomorrow's morning, so that an evening's list covers the night. */
    private List<AlarmBook.Told> day(Show show) {
        Instant end = show.now()
                .atZone(show.zone())
                .truncatedTo(ChronoUnit.DAYS)
                .plusDays(1)
                .plusHours(12)
                .toInstant();
        return alarms.from(show.now()).stream()
                .filter(told -> told.alarm().at().isBefore(end))
                .toList();
    }
}

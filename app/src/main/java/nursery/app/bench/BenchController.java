package nursery.app.bench;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.inspect.CaseBook;
import nursery.app.keep.Backups;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Show;
import nursery.core.cure.Phase;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Placing;
import nursery.core.measure.Span;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class BenchController {

    private static final Duration BACK = Duration.ofHours(5);
    private static final Duration AHEAD = Duration.ofHours(19);
    /** A cup whose last coat is fully cured stays in sight this long, then it is found under all cups. */
    private static final Duration SHOWN_AFTER_FULL_CURE = Duration.ofDays(3);

    private final Floors floors;
    private final CaseBook cases;
    private final Backups backups;

    BenchController(Floors floors, CaseBook cases, Backups backups) {
        this.backups = backups;
        this.floors = floors;
        this.cases = cases;
    }

    @GetMapping("/")
    String bench(Model model) {
        board(model);
        return "bench/bench";
    }

    /** Fetched now and then by the open page. */
    @GetMapping("/board")
    String board(Model model) {
        Floor floor = floors.now();
        Instant now = floor.now();
        Show show = Show.of(floor.ways(), now);
        TimeBar.Frame frame = new TimeBar.Frame(
                new Span(now.minus(BACK), now.plus(AHEAD)), floor.ways().quiet(), show.clock());
        List<BenchRow> rows = floor.cups().stream()
                .map(cup -> BenchRow.of(cup, floor, frame, show))
                .toList();
        model.addAttribute("show", show);
        model.addAttribute("backup", backups.warning().orElse(""));
        model.addAttribute("rows", rows);
        model.addAttribute(
                "now",
                rows.stream()
                        .filter(BenchRow::isNow)
                        .sorted(Comparator.comparing(BenchRow::closesAt)
                                .thenComparing(row ->
                                        row.onBench().cup().promise().dueAt().orElse(Instant.MAX)))
                        .toList());
        model.addAttribute(
                "waiting",
                rows.stream()
                        .filter(BenchRow::isWaiting)
                        .sorted(Comparator.comparing(BenchRow::opensAt))
                        .toList());
        model.addAttribute(
                "day",
                rows.stream()
                        .filter(row -> !row.isFinished())
                        .sorted(Comparator.comparing(BenchRow::opensAt))
                        .toList());
        model.addAttribute(
                "curing",
                rows.stream()
                        .filter(row ->
                                row.isFinished() && row.onBench().state().gone().isEmpty())
                        .filter(row -> row.onBench()
                                .state()
                                .fullCureAt()
                                .map(at -> at.plus(SHOWN_AFTER_FULL_CURE).isAfter(now))
                                .orElse(false))
                        .toList());
        model.addAttribute("departures", floors.standing(floor).departures());
        Placing proposal = floor.dueTogether(Optional.empty());
        List<CupNow> together = proposal.cups();
        model.addAttribute("mixWaits", waits(proposal, show));
        model.addAttribute("mixFor", together.size());
        model.addAttribute("mixLink", mixLink(together));
        // Turners differ; the room is the same for every coat that is due.
        model.addAttribute(
                "foreseen",
                together.isEmpty()
                        ? List.of()
                        : cases.ahead(floor, List.of(new CaseBook.Coat(Optional.empty()))).stream()
                                .flatMap(ahead -> ahead.stream().limit(1))
                                .toList());
        model.addAttribute("roomC", floor.air().temperatureC(now));
        model.addAttribute("roomAssumed", floor.air().lastReadAt().isEmpty());
        model.addAttribute("hasBlanks", !floor.shelf().blanks().isEmpty());
        model.addAttribute("phases", Phase.values());
        return "bench/board :: board";
    }

    /** What is due and not in that mix, and why. */
    private static List<String> waits(Placing proposal, Show show) {
        return proposal.waiting().stream()
                .collect(Collectors.groupingBy(
                        one -> one.words(show::at),
                        LinkedHashMap::new,
                        Collectors.mapping(one -> one.cup().code(), Collectors.joining(", "))))
                .entrySet()
                .stream()
                .map(group -> "%s: %s.".formatted(group.getValue(), group.getKey()))
                .toList();
    }

    /** The mixing bench with exactly these coats picked. */
    private static String mixLink(List<CupNow> together) {
        return together.stream()
                .findFirst()
                .map(first -> "/mix?resin="
                        + first.cup().resinFor(first.nextCoat().orElseThrow()).id()
                        + together.stream()
                                .map(cup -> "&pick-" + cup.code() + "=on")
                                .collect(Collectors.joining()))
                .orElse("/mix");
    }
}

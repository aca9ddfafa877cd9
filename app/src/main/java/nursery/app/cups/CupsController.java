package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.picture.ColourWord;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.core.floor.CupNow;
import nursery.core.floor.CupNow.Stage;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The shelf of cups on the go, and those that have left it. */
@Controller
class CupsController {

    private static final int A_PAGE = 60;

    private final Floors floors;

    CupsController(Floors floors) {
        this.floors = floors;
    }

    /** A cup on the shelf of those on the go. */
    record Standing(CupNow now, CupPicture picture, Stage stage) {}

    /** What the shelf is sorted by. */
    enum Sort {
        CODE("code", Comparator.comparing(CupNow::code)),
        CLOSES("what closes first", Comparator.comparing(CupsController::closesAt)),
        DUE("due", Comparator.comparing(cup -> cup.cup().promise().dueAt().orElse(Instant.MAX)));

        private final String word;
        private final Comparator<CupNow> order;

        Sort(String word, Comparator<CupNow> order) {
            this.word = word;
            this.order = order;
        }

        public String word() {
            return word;
        }

        static Sort named(String written) {
            return Arrays.stream(values())
                    .filter(sort -> sort.name().equals(written))
                    .findFirst()
                    .orElse(CODE);
        }
    }

    /** When a cup is wanted, as the shelf is looked through by it. */
    enum Due {
        ANY("any day, or none"),
        WEEK("within a week"),
        PAST("past its day"),
        NONE("no day promised");

        private final String word;

        Due(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }

        static Due named(String written) {
            return Arrays.stream(values())
                    .filter(due -> due.name().equals(written))
                    .findFirst()
                    .orElse(ANY);
        }

        boolean holds(CupNow cup, Instant now) {
            Optional<Instant> day = cup.cup().promise().dueAt();
            return switch (this) {
                case ANY -> true;
                case WEEK ->
                    day.filter(at -> !at.isBefore(now) && at.isBefore(now.plus(Duration.ofDays(7))))
                            .isPresent();
                case PAST -> day.filter(now::isAfter).isPresent();
                case NONE -> day.isEmpty();
            };
        }
    }

    /** The cups on the floor, those that are looked for; a code leads to its cup at once, wherever it lies. */
    @GetMapping("/cups")
    String all(
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String stage,
            @RequestParam(defaultValue = "") String resin,
            @RequestParam(defaultValue = "") String order,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "CODE") String sort,
            @RequestParam(defaultValue = "1") String page,
            Model model) {
        String wanted = find.strip();
        Floor floor = floors.now();
        if (wanted.matches("[A-Za-z]{1,3}-\\d{1,6}")
                && floors.cup(wanted.toUpperCase(Locale.ROOT)).isPresent()) {
            return "redirect:/cups/" + wanted.toUpperCase(Locale.ROOT);
        }
        Predicate<CupNow> kept = cup -> matches(cup.cup(), wanted)
                && (resin.isEmpty()
                        || resin.equals(String.valueOf(cup.cup().resins().base().id())))
                && (order.isEmpty() || order.equals(cup.cup().about().madeFor()))
                && Due.named(due).holds(cup, floor.now());
        List<CupNow> found = floor.cups().stream()
                .filter(kept)
                .sorted(Sort.named(sort).order)
                .toList();
        List<CupNow> shown = found.stream()
                .filter(cup -> stage.isEmpty() || cup.stage(floor.now()).name().equals(stage))
                .toList();
        int pages = Math.max(1, (shown.size() + A_PAGE - 1) / A_PAGE);
        int at = pageOf(page, pages);
        List<Standing> standing = shown.stream()
                .skip((long) (at - 1) * A_PAGE)
                .limit(A_PAGE)
                .map(cup -> new Standing(cup, Looks.of(cup), cup.stage(floor.now())))
                .toList();
        model.addAttribute("cups", standing);
        model.addAttribute("tallestMm", CupPicture.tallestMm(standing.stream().map(Standing::picture)));
        model.addAttribute("onTheGo", floor.cups().size());
        model.addAttribute("matching", shown.size());
        model.addAttribute(
                "stages",
                found.stream().collect(Collectors.groupingBy(cup -> cup.stage(floor.now()), Collectors.counting())));
        model.addAttribute("allStages", Stage.values());
        model.addAttribute("sorts", Sort.values());
        model.addAttribute("resins", floor.shelf().resins());
        model.addAttribute(
                "orders",
                floor.cups().stream()
                        .map(cup -> cup.cup().about().madeFor())
                        .filter(name -> !name.isEmpty())
                        .distinct()
                        .sorted()
                        .toList());
        model.addAttribute("inArchive", wanted.isEmpty() ? 0 : floors.archivedCups(wanted, Floors.Left.ANY));
        model.addAttribute(
                "asked",
                Map.of(
                        "find",
                        wanted,
                        "stage",
                        stage,
                        "resin",
                        resin,
                        "order",
                        order,
                        "due",
                        Due.named(due).name(),
                        "sort",
                        Sort.named(sort).name()));
        model.addAttribute("dues", Due.values());
        model.addAttribute("page", at);
        model.addAttribute("pages", pages);
        return "cups/cups";
    }

    private static boolean matches(Cup cup, String wanted) {
        String word = wanted.toLowerCase(Locale.ROOT);
        return Stream.of(
                        cup.code(),
                        cup.about().name(),
                        cup.about().madeFor(),
                        cup.about().technique(),
                        cup.about().blank(),
                        ColourWord.of(cup.about().paint()),
                        ColourWord.of(cup.about().glitter()))
                .anyMatch(text -> text.toLowerCase(Locale.ROOT).contains(word));
    }

    private static Instant closesAt(CupNow cup) {
        return cup.state()
                .next()
                .flatMap(next -> next.window().closesAtExclusive())
                .orElse(Instant.MAX);
    }

    private static int pageOf(String page, int pages) {
        return page.matches("\\d{1,6}") ? Math.max(1, Math.min(pages, Integer.parseInt(page))) : 1;
    }

    /** The cups that have left the floor, the newest first; only those a word is found in, if one is typed. */
    @GetMapping("/cups/archive")
    String archive(
            @RequestParam(defaultValue = "1") String page,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String left,
            Model model) {
        String wanted = find.strip();
        Floors.Left how = Arrays.stream(Floors.Left.values())
                .filter(one -> one.name().equals(left))
                .findFirst()
                .orElse(Floors.Left.ANY);
        int archived = floors.archivedCups(wanted, how);
        int pages = Math.max(1, (archived + Floors.ARCHIVE_PAGE - 1) / Floors.ARCHIVE_PAGE);
        int shown = pageOf(page, pages);
        model.addAttribute("cups", floors.archive(shown, wanted, how));
        model.addAttribute("left", how);
        model.addAttribute("waysOut", Floors.Left.values());
        model.addAttribute("archived", archived);
        model.addAttribute("find", wanted);
        model.addAttribute("page", shown);
        model.addAttribute("pages", pages);
        return "cups/archive";
    }
}

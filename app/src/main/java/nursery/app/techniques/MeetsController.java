package nursery.app.techniques;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.core.floor.Floor;
import nursery.core.floor.Shelf;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Bound;
import nursery.core.surface.Lay;
import nursery.core.surface.Meetings;
import nursery.core.technique.StepKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What may go on what, and when, as a page to read: the table that every window comes from. */
@Controller
class MeetsController {

    private static final int MOST_HABITS = 30;

    private final Floors floors;
    private final TechniqueBook book;
    private final PlanJudge judge;

    MeetsController(Floors floors, TechniqueBook book, PlanJudge judge) {
        this.floors = floors;
        this.book = book;
        this.judge = judge;
    }

    /** A technique of the shop's own, and what it waits longer for than the table asks. */
    record HabitsOf(String key, String technique, List<String> longer) {}

    /** One thing that is asked or told where a doing meets some layers. */
    record Said(String on, String when, String words, boolean asked) {}

    /** Doings that ask for the same. */
    record Group(String id, String doings, List<Said> said) {}

    @GetMapping("/meets")
    String meets(@RequestParam Optional<String> resin, Model model) {
        Floor floor = floors.now();
        Shelf shelf = floor.shelf();
        Optional<Resin> chosen = resin.filter(id -> id.matches("\\d{1,18}"))
                .flatMap(id -> shelf.resin(Long.parseLong(id)))
                .or(() -> usual(floor))
                .or(() -> shelf.resins().stream().findFirst());
        Label label = chosen.map(Resin::label).orElseGet(() -> StartingProfile.REGULAR.label());
        List<Group> groups = Meetings.all(label.times()).stream()
                .map(MeetsController::group)
                .filter(group -> !group.doings().isEmpty())
                .toList();
        model.addAttribute("show", floors.show());
        model.addAttribute("resins", shelf.resins());
        model.addAttribute("chosen", chosen.orElse(null));
        model.addAttribute(
                "groups",
                groups.stream().filter(group -> !group.said().isEmpty()).toList());
        model.addAttribute(
                "free", groups.stream().filter(group -> group.said().isEmpty()).toList());
        model.addAttribute("habits", habits());
        return "techniques/meets";
    }

    /** What most of the cups on the floor are coated with. */
    private static Optional<Resin> usual(Floor floor) {
        return floor.cups().stream()
                .map(cup -> cup.cup().resins().base())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()))
                .entrySet()
                .stream()
                .max(Map.Entry.<Resin, Long>comparingByValue()
                        .thenComparing(entry -> -entry.getKey().id()))
                .map(Map.Entry::getKey);
    }

    private List<HabitsOf> habits() {
        return book.own().stream()
                .map(own -> new HabitsOf(
                        own.key(),
                        own.technique().name(),
                        judge.longer(own.technique()).stream()
                                .map(longer -> longer.step().title() + " " + PlanJudge.span(longer.byMinutes()))
                                .distinct()
                                .toList()))
                .filter(habits -> !habits.longer().isEmpty())
                .limit(MOST_HABITS)
                .toList();
    }

    private static Group group(Meetings.Alike alike) {
        String doings = alike.doings().stream()
                .flatMap(doing -> doing.step().map(StepKind::title).stream())
                .collect(Collectors.joining(" · "));
        return new Group(alike.doings().get(0).written(), doings, said(alike.on()));
    }

    /** What is said of several layers in the same words stands once. */
    private static List<Said> said(Map<Lay, List<Bound>> on) {
        Map<Said, List<String>> layers = new LinkedHashMap<>();
        on.forEach((lay, bounds) -> bounds.forEach(bound -> layers.computeIfAbsent(
                        new Said(
                                "",
                                when(bound),
                                bound.cell().words(),
                                bound.cell().grave().isAsked()),
                        same -> new ArrayList<>())
                .add(lay.name().toLowerCase(Locale.ROOT).replace('_', ' '))));
        return layers.entrySet().stream()
                .map(entry -> new Said(
                        listed(entry.getValue()),
                        entry.getKey().when(),
                        entry.getKey().words(),
                        entry.getKey().asked()))
                .toList();
    }

    /** As one says it: paint, ink and vinyl. */
    private static String listed(List<String> layers) {
        List<String> each = layers.stream().distinct().toList();
        int last = each.size() - 1;
        return last == 0 ? each.get(0) : String.join(", ", each.subList(0, last)) + " and " + each.get(last);
    }

    private static String when(Bound bound) {
        String amount = PlanJudge.span(bound.since() == Bound.Since.AGE_H ? bound.amount() * 60 : bound.amount());
        return switch (bound.side()) {
            case FROM -> "from " + amount;
            case BEST_UNTIL -> "best until " + amount;
            case UNTIL -> "until " + amount;
            case NEVER -> "not as it is";
        };
    }
}

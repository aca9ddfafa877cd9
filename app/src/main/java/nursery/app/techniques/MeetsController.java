package nursery.app.techniques;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.core.floor.Shelf;
import nursery.core.measure.Numbers;
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

    private static final long MINUTES_READ_AS_HOURS = 120;

    private final Floors floors;

    MeetsController(Floors floors) {
        this.floors = floors;
    }

    /** One thing that is asked or told where a doing meets a layer. */
    record Said(String on, String when, String words, boolean asked) {}

    /** Doings that ask for the same. */
    record Group(String id, String doings, List<Said> said) {}

    @GetMapping("/meets")
    String meets(@RequestParam Optional<String> resin, Model model) {
        Shelf shelf = floors.now().shelf();
        Optional<Resin> chosen = resin.filter(id -> id.matches("\\d{1,18}"))
                .flatMap(id -> shelf.resin(Long.parseLong(id)))
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
        return "techniques/meets";
    }

    private static Group group(Meetings.Alike alike) {
        String doings = alike.doings().stream()
                .flatMap(doing -> doing.step().map(StepKind::title).stream())
                .collect(Collectors.joining(" · "));
        return new Group(
                alike.doings().get(0).written(),
                doings,
                alike.on().entrySet().stream()
                        .flatMap(entry -> entry.getValue().stream().map(bound -> said(entry.getKey(), bound)))
                        .toList());
    }

    private static Said said(Lay lay, Bound bound) {
        return new Said(
                lay.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                when(bound),
                bound.cell().words(),
                bound.cell().grave().isAsked());
    }

    private static String when(Bound bound) {
        String amount = bound.since() == Bound.Since.AGE_H ? hours(bound.amount()) : minutes(bound.amount());
        return switch (bound.side()) {
            case FROM -> "from " + amount;
            case BEST_UNTIL -> "best until " + amount;
            case UNTIL -> "until " + amount;
            case NEVER -> "not as it is";
        };
    }

    private static String hours(double amount) {
        return Numbers.show(amount, 1) + "\u00a0h";
    }

    private static String minutes(double amount) {
        return amount < MINUTES_READ_AS_HOURS ? Numbers.show(amount, 0) + "\u00a0min" : hours(amount / 60);
    }
}

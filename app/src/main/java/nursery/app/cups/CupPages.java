package nursery.app.cups;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.picture.SectionPicture;
import nursery.app.platform.Form;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.settings.Shop;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.Shelf;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Moved;
import nursery.core.cure.RoomCourse;
import nursery.core.log.Ahead;
import nursery.core.log.CoatOnCup;
import nursery.core.log.LogEntry;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import nursery.core.technique.Layers;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.server.ResponseStatusException;

/** Fills the cup page's model. */
@Component
class CupPages {

    private final CupBook cups;
    private final Shelf shelf;
    private final ShopBook shops;
    private final RoomBook room;

    CupPages(CupBook cups, Shelf shelf, ShopBook shops, RoomBook room) {
        this.cups = cups;
        this.shelf = shelf;
        this.shops = shops;
        this.room = room;
    }

    CupOnBench find(String code) {
        return cups.cup(code).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no cup " + code + "."));
    }

    /** The whole page, with the form to log the next step; a form sent back is given as it was typed. */
    String page(String code, Optional<Form> sentBack, Model model) {
        CupOnBench cup = now(code, model);
        Show show = shops.show();
        Optional<MixAdvice> mix = cup.state().next().filter(next -> next.kind() == NextAction.Kind.STEP)
                .flatMap(next -> MixAdvice.forStep(cup, next.step(), shelf.measuringCupAtHand().cup(), show));
        List<SpindleChoice> spindles = SpindleChoice.of(shelf.spindles(), cups.all(), show);
        model.addAttribute("mix", mix.orElse(null));
        model.addAttribute("fitness", room.fitness());
        model.addAttribute("resins", shelf.resins());
        model.addAttribute("roomC", room.temperatureC(show.now()));
        model.addAttribute("form", sentBack.orElseGet(() -> Form.fresh(defaults(cup, mix, spindles, show))));
        model.addAttribute("spindles", spindles);
        Shop shop = shops.shop();
        List<Ahead.Expected> ahead = Ahead.of(cup.file(), room.course(), show.now(), shop.quiet());
        model.addAttribute("steps", StepLine.of(cup, ahead, show));
        model.addAttribute("section", SectionPicture.of(layers(cup, show), show));
        model.addAttribute("doneBy", ahead.isEmpty() ? null : ahead.get(ahead.size() - 1).at());
        model.addAttribute("rough", cup.state().next().filter(next -> next.step().kind().isSanding() && next.step().kind() != StepKind.SAND_RIM).isPresent());
        model.addAttribute("inspecting", cup.state().next().filter(next -> next.step().kind() == StepKind.INSPECT).isPresent());
        model.addAttribute("history", HistoryLine.of(cup.file(), show));
        model.addAttribute("area", cup.file().blank().area());
        return "cups/cup";
    }

    /** The part of the page that changes by itself as time passes. */
    CupOnBench now(String code, Model model) {
        CupOnBench cup = find(code);
        Shop shop = shops.shop();
        Show show = shop.show(cups.now());
        Optional<NextAction> next = cup.state().next();
        model.addAttribute("show", show);
        model.addAttribute("onBench", cup);
        model.addAttribute("cup", cup.cup());
        model.addAttribute("state", cup.state());
        model.addAttribute("next", next.orElse(null));
        model.addAttribute("readiness", next.map(action -> action.readinessAt(show.now())).orElse(Readiness.CLOSED).name());
        model.addAttribute("picture", cup.picture());
        model.addAttribute("coat", cup.state().newestCoat()
                .map(coat -> CoatCard.of(coat, cup.file().blank().area().coatedCm2(), next, shop, show)).orElse(null));
        model.addAttribute("moved", cup.state().newestCoat().flatMap(coat -> Moved.of(coat.label(), coat.times().pouredAt(), room.course(), show.now())).orElse(null));
        model.addAttribute("spreadC", room.spreadC());
        model.addAttribute("ranges", cup.state().newestCoat().map(coat -> ranges(coat, show)).orElse(List.of()));
        return cup;
    }

    /** A moment of a coat that lies ahead, from the earliest to the latest. */
    record Ranged(String what, String between) {}

    /** What lies ahead of a coat, with the room as much warmer and as much colder as it may be. */
    private List<Ranged> ranges(CoatOnCup coat, Show show) {
        RoomCourse course = room.course();
        double spreadC = room.spreadC();
        Instant poured = coat.times().pouredAt();
        CoatTimes warm = new CoatTimes(coat.label(), course.shifted(show.now(), spreadC), poured);
        CoatTimes cold = new CoatTimes(coat.label(), course.shifted(show.now(), -spreadC), poured);
        Map<String, Function<CoatTimes, Instant>> moments = new LinkedHashMap<>();
        moments.put("Off the turner", CoatTimes::offTurnerFrom);
        moments.put("Recoat straight on", times -> times.tackWindow().opensAt());
        moments.put("until", times -> times.tackWindow().closesAtExclusive().orElseThrow());
        moments.put("Sandable", CoatTimes::sandableFrom);
        moments.put("Scuff needed after", CoatTimes::scuffAfter);
        moments.put("Full cure", CoatTimes::fullCureAt);
        return moments.entrySet().stream().filter(moment -> moment.getValue().apply(coat.times()).isAfter(show.now()))
                .map(moment -> new Ranged(moment.getKey(), "%s – %s".formatted(show.at(moment.getValue().apply(warm)), show.at(moment.getValue().apply(cold))))).toList();
    }

    /** What was really laid on the cup, from the steel up. */
    private static List<SectionPicture.Layer> layers(CupOnBench cup, Show show) {
        double areaCm2 = cup.file().blank().area().coatedCm2();
        Map<Integer, CoatOnCup> coats = cup.state().coats().stream().collect(Collectors.toMap(coat -> coat.step().number(), Function.identity()));
        return cup.file().happened().stream().filter(entry -> entry instanceof LogEntry.StepDone || entry instanceof LogEntry.Poured).map(entry -> {
            int number = entry instanceof LogEntry.Poured pour ? pour.step() : ((LogEntry.StepDone) entry).step();
            PlanStep step = cup.file().step(number);
            Optional<CoatOnCup> coat = Optional.ofNullable(coats.get(number));
            return new SectionPicture.Layer(step.kind(), step.title(), coat.map(found -> found.filmMm(areaCm2)),
                    coat.map(found -> show.volume(found.pour().amountMl())).orElse(step.material() == Material.ORDINARY ? "" : step.material().word()), colour(step.kind(), cup.cup()));
        }).filter(layer -> Layers.covers(layer.kind())).toList();
    }

    private static Optional<String> colour(StepKind kind, Cup cup) {
        return kind == StepKind.PAINT ? Optional.of(cup.paint()) : kind == StepKind.GLITTER ? Optional.of(cup.glitter()) : Optional.empty();
    }

    private static Map<String, String> defaults(CupOnBench cup, Optional<MixAdvice> mix, List<SpindleChoice> spindles, Show show) {
        return Map.of("when", "0", "at", show.input(show.now()), "spindle", likelySpindle(cup, spindles),
                "amount", mix.map(advice -> show.volumeNumber(advice.share().suggestedMl())).orElse(""));
    }

    private static String likelySpindle(CupOnBench cup, List<SpindleChoice> spindles) {
        return cup.likelySpindle(spindles.stream().filter(choice -> choice.taken().isEmpty()).map(SpindleChoice::spindle).toList())
                .map(spindle -> String.valueOf(spindle.id())).orElse("");
    }
}

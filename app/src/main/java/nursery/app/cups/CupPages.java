package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.floor.SpindleField;
import nursery.app.materials.MaterialBook;
import nursery.app.picture.Looks;
import nursery.app.platform.Form;
import nursery.app.platform.Seen;
import nursery.app.platform.Show;
import nursery.app.wrap.DesignViews;
import nursery.core.cure.CoatMoment;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Moved;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Air;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Standing;
import nursery.core.inspect.CupFaults;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LogEntry;
import nursery.core.log.NextAction;
import nursery.core.log.NextAction.Readiness;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Fills the cup page's model. */
@Component
class CupPages {

    private final Floors floors;
    private final DesignViews designs;
    private final HandsBook hands;
    private final MaterialBook materials;

    CupPages(Floors floors, DesignViews designs, HandsBook hands, MaterialBook materials) {
        this.floors = floors;
        this.designs = designs;
        this.hands = hands;
        this.materials = materials;
    }

    CupNow find(String code) {
        return floors.named(code);
    }

    /** The whole page, with the form to log the next step; a form sent back is given as it was typed. */
    String page(String code, Optional<Form> sentBack, Model model) {
        Floor floor = floors.now();
        CupNow cup = now(code, floor, model);
        Show show = Show.of(floor.ways(), floor.now());
        Standing standing = floors.standing(floor);
        Optional<MixAdvice> mix = MixAdvice.of(cup, floor, show);
        Optional<NextAction> next = cup.state().next();
        model.addAttribute("mix", mix.orElse(null));
        model.addAttribute("fitness", floor.air().fitness(floor.now()));
        model.addAttribute("resins", floor.shelf().resins());
        model.addAttribute("roomC", floor.air().temperatureC(floor.now()));
        model.addAttribute("form", sentBack.orElseGet(() -> Form.fresh(defaults(cup, mix, floor, show))));
        model.addAttribute("spindles", SpindleChoice.of(floor, show));
        model.addAttribute(
                "scuffFrom",
                cup.state().newestCoat().map(coat -> coat.times().scuffAfter()).orElse(floor.now()));
        model.addAttribute("steps", StepLine.of(cup, standing.plan(), show));
        model.addAttribute("readyAt", standing.readyAt(cup).orElse(null));
        Map<Integer, List<Material>> chosen = materials.chosen(cup.cup().id());
        model.addAttribute("walls", CupLayers.walls(cup, show));
        model.addAttribute(
                "with",
                next.map(action -> chosen.getOrDefault(action.step().number(), List.of()))
                        .orElse(List.of()));
        model.addAttribute(
                "weighs",
                next.stream()
                        .flatMap(action -> chosen.getOrDefault(action.step().number(), List.of()).stream())
                        .anyMatch(material -> material.kind().isWeighed()));
        model.addAttribute(
                "takes",
                next.filter(action -> action.kind() == NextAction.Kind.STEP
                                && !MaterialKind.usedBy(action.step().kind()).isEmpty()
                                && !action.step().kind().isPour())
                        .isPresent());
        model.addAttribute(
                "rough",
                next.filter(action -> action.step().kind().isSanding()
                                && action.step().kind() != StepKind.SAND_RIM)
                        .isPresent());
        model.addAttribute(
                "inspecting",
                next.filter(action -> action.step().kind() == StepKind.INSPECT).isPresent());
        model.addAttribute(
                "needs", next.map(action -> cup.cup().needs(action.step())).orElse(Set.of()));
        model.addAttribute(
                "hows",
                next.filter(action -> action.kind() != NextAction.Kind.SCUFF_FIRST)
                        .map(action -> LogForm.fieldsOf(action.step()))
                        .orElse(List.of()));
        model.addAttribute("beside", floor.vapourBeside(cup).orElse(null));
        model.addAttribute("begins", HandsBook.timeable(cup).isPresent());
        model.addAttribute("begun", hands.begun(cup).orElse(null));
        model.addAttribute("history", HistoryLine.of(cup.cup(), show));
        model.addAttribute("said", Said.of(cup.cup(), show));
        model.addAttribute(
                "tried",
                CupFaults.tried(cup)
                        .filter(tried -> !tried.cause().isEmpty())
                        .map(tried -> HistoryLine.what(tried, cup.cup(), show))
                        .orElse(""));
        model.addAttribute(
                "suspected",
                CupFaults.tried(cup).map(LogEntry.RemedyChosen::cause).orElse(""));
        model.addAttribute("underWay", floor.batchFor(cup).map(Batch::number).orElse(null));
        Map<Boolean, List<Told>> concerns = cup.state().concerns().stream()
                .map(concern -> new Told(concern, reasonFor(cup.cup(), concern)))
                .collect(Collectors.partitioningBy(told -> told.reason().isPresent()));
        model.addAttribute("concerns", concerns.get(false));
        model.addAttribute("overruled", concerns.get(true));
        model.addAttribute("area", cup.cup().blank().area());
        model.addAttribute(
                "design", designs.on(cup.cup(), show, cup.cup().about().with()).orElse(null));
        model.addAttribute("designKept", designKept(cup.cup()));
        model.addAttribute("designs", designs.choices());
        return "cups/cup";
    }

    /** Stands for the design a cup has, for the form that gives it another. */
    String designKept(Cup cup) {
        return Seen.of(designs.givenTo(cup.id()));
    }

    /** Something questionable that was done, and why it was done all the same, if that was said. */
    record Told(Concern concern, Optional<String> reason) {

        public String words(Show show) {
            return show.told(Question.words(concern, show));
        }
    }

    private static Optional<String> reasonFor(Cup cup, Concern concern) {
        return cup.log().stream()
                .map(LogEntry::mark)
                .filter(mark -> mark.id() == concern.entryId())
                .findFirst()
                .flatMap(mark -> mark.answerTo(concern));
    }

    /** The part of the page that changes by itself as time passes. */
    void now(String code, Model model) {
        now(code, floors.now(), model);
    }

    private CupNow now(String code, Floor floor, Model model) {
        CupNow cup = find(code);
        Show show = Show.of(floor.ways(), floor.now());
        Air air = floor.air();
        Optional<NextAction> next = cup.state().next();
        Optional<CoatOnCup> coat = cup.state().newestCoat();
        model.addAttribute("show", show);
        model.addAttribute("cup", cup.cup());
        model.addAttribute("state", cup.state());
        model.addAttribute("next", next.orElse(null));
        model.addAttribute(
                "readiness",
                next.map(action -> action.readinessAt(show.now()))
                        .orElse(Readiness.CLOSED)
                        .name());
        model.addAttribute("picture", Looks.of(cup));
        model.addAttribute(
                "coat",
                coat.map(newest -> CoatCard.of(newest, next, floor.ways().quiet(), show))
                        .orElse(null));
        model.addAttribute(
                "moved",
                cup.cup().leftAt().isPresent()
                        ? null
                        : coat.flatMap(newest ->
                                        Moved.of(newest.label(), newest.times().pouredAt(), air.course(), show.now()))
                                .orElse(null));
        model.addAttribute(
                "ranges", coat.map(newest -> ranges(newest, air, show)).orElse(List.of()));
        return cup;
    }

    /** A moment of a coat that lies ahead, from the earliest to the latest. */
    record Ranged(String what, String between) {}

    /** What lies ahead of a coat, with the room as much warmer and as much colder as it may be. */
    private static List<Ranged> ranges(CoatOnCup coat, Air air, Show show) {
        List<CoatMoment> ahead = Stream.of(CoatMoment.values())
                .filter(moment -> coat.times().at(moment).isAfter(show.now()))
                .toList();
        if (ahead.isEmpty()) {
            return List.of();
        }
        Instant poured = coat.times().pouredAt();
        RoomCourse course = air.course().from(poured);
        CoatTimes warm =
                new CoatTimes(coat.label(), course.shifted(show.now(), at -> air.spreadC(show.now(), at)), poured);
        CoatTimes cold =
                new CoatTimes(coat.label(), course.shifted(show.now(), at -> -air.spreadC(show.now(), at)), poured);
        return ahead.stream()
                .map(moment -> new Ranged(
                        moment.words(), "%s – %s".formatted(show.at(warm.at(moment)), show.at(cold.at(moment)))))
                .toList();
    }

    /** When the next step was done at the earliest, if it was done without being logged: begun after the one before. */
    private static Instant usualEnd(CupNow cup, Instant now) {
        Instant earliest = cup.state()
                .next()
                .map(next -> {
                    Instant opens = next.window().opensAt();
                    Instant from = opens.isBefore(cup.state().lastEndedAt())
                            ? cup.state().lastEndedAt()
                            : opens;
                    int minutes = next.step().kind().isPour() ? 0 : next.step().handsOnMinutes();
                    return from.plus(Duration.ofMinutes(minutes));
                })
                .orElse(now);
        return earliest.isBefore(now) ? earliest : now;
    }

    private static Map<String, String> defaults(CupNow cup, Optional<MixAdvice> mix, Floor floor, Show show) {
        Map<String, String> defaults = new HashMap<>(Map.of(
                "resin",
                cup.state()
                        .next()
                        .map(next ->
                                String.valueOf(cup.cup().resinFor(next.step()).id()))
                        .orElse(""),
                "when",
                "0",
                "at",
                show.input(usualEnd(cup, show.now())),
                "spindle",
                SpindleField.offered(cup, floor),
                "amount",
                mix.map(advice -> advice.share().suggestedMl())
                        .or(() -> cup.state()
                                .next()
                                .map(NextAction::step)
                                .filter(step -> step.kind().isPour())
                                .map(step -> floor.share(cup, step).suggestedMl()))
                        .map(show::volumeNumber)
                        .orElse(""),
                "by",
                cup.cup().schools().has(School.SCALE) ? "scale" : "cup"));
        cup.state()
                .next()
                .map(NextAction::step)
                .map(step -> LogForm.filled(step, show.lengthUnit()))
                .ifPresent(defaults::putAll);
        return defaults;
    }
}

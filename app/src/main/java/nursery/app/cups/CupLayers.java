package nursery.app.cups;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.picture.SectionPicture;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.surface.Place;
import nursery.core.surface.Stack;
import nursery.core.surface.Surface;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/** What lies on a cup, layer by layer, for every page that shows it in section. */
@Published
public final class CupLayers {

    private CupLayers() {}

    /**
     * The wall of a cup in section.
     *
     * @param where the part of the side it is cut at; empty where it is the same everywhere
     */
    @Published
    public record Wall(String where, SectionPicture picture) {}

    /** What was really laid on the cup, from the steel up, each called with where it lies. */
    public static List<SectionPicture.Layer> of(CupNow now, Show show) {
        return of(now, now.state().on().surface().lying(), PlanStep::titleAndPlace, show);
    }

    /** The same cut wherever something else lies, from the rim down. */
    public static List<Wall> walls(CupNow now, Show show) {
        List<Surface.Wall> walls = now.state().on().surface().walls();
        return IntStream.rangeClosed(1, walls.size())
                .mapToObj(i -> walls.get(walls.size() - i))
                .map(wall -> new Wall(
                        walls.size() == 1 ? "" : where(wall, show),
                        SectionPicture.of(of(now, wall.works(), PlanStep::title, show), show)))
                .toList();
    }

    private static String where(Surface.Wall wall, Show show) {
        if (wall.fromMm() == 0) {
            return "From the foot to %s above it".formatted(show.length(wall.toMm()));
        }
        return wall.toMm() >= Place.RIM_MM
                ? "From %s above the foot to the rim".formatted(show.length(wall.fromMm()))
                : "From %s to %s above the foot".formatted(show.length(wall.fromMm()), show.length(wall.toMm()));
    }

    private static List<SectionPicture.Layer> of(
            CupNow now, List<Integer> works, Function<PlanStep, String> called, Show show) {
        Cup cup = now.cup();
        Map<Integer, CoatOnCup> coats = now.state().coats().stream()
                .collect(Collectors.toMap(coat -> coat.step().number(), Function.identity()));
        Map<Integer, PlanStep> done =
                now.stepsDone().stream().collect(Collectors.toMap(PlanStep::number, Function.identity()));
        Map<Integer, String> within = new HashMap<>();
        Stack.of(now.stepsDone())
                .forEach(level -> level.laid().ifPresent(laid -> within.put(laid.number(), within(level))));
        return works.stream()
                .map(work ->
                        Optional.ofNullable(done.get(now.state().on().steps().get(work - 1))))
                .flatMap(Optional::stream)
                .map(step -> {
                    Optional<CoatOnCup> coat = Optional.ofNullable(coats.get(step.number()));
                    return new SectionPicture.Layer(
                            step.kind(),
                            called.apply(step),
                            coat.map(CoatOnCup::filmMm),
                            coat.map(found -> show.volume(found.pour().amountMl())
                                            + within.getOrDefault(step.number(), ""))
                                    .orElseGet(() -> step.how().laid(step.kind())),
                            colours(step, cup));
                })
                .toList();
    }

    /** What was stirred or sprinkled into a coat lies in it. */
    private static String within(Stack.Level level) {
        return level.steps().stream()
                .filter(step -> step.kind() == StepKind.GLITTER && step.how().strewn() != Fields.Strewn.ON_TOP)
                .map(step -> step.how().laid(step.kind()))
                .distinct()
                .reduce((one, other) -> one + " and " + other)
                .map(flakes -> ", with " + flakes)
                .orElse("");
    }

    /** A layer whose colour nobody named is drawn as what it is. */
    private static List<String> colours(PlanStep step, Cup cup) {
        boolean isNamed = cup.about().with().containsKey(step.number());
        return isNamed || step.kind() == StepKind.PAINT || step.kind() == StepKind.GLITTER
                ? cup.about().colours(step)
                : List.of();
    }
}

package nursery.app.cups;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.picture.SectionPicture;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.surface.Doing;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/** What lies on a cup, layer by layer, for every page that shows it in section. */
@Published
public final class CupLayers {

    private CupLayers() {}

    /**
     * What was really laid on the cup, from the steel up.
     *
     * @param with the colours of the materials its steps name, by their numbers
     */
    public static List<SectionPicture.Layer> of(CupNow now, Map<Integer, List<String>> with, Show show) {
        Cup cup = now.cup();
        double areaCm2 = cup.blank().area().coatedCm2();
        Map<Integer, CoatOnCup> coats = now.state().coats().stream()
                .collect(Collectors.toMap(coat -> coat.step().number(), Function.identity()));
        return lying(now).stream()
                .map(step -> {
                    Optional<CoatOnCup> coat = Optional.ofNullable(coats.get(step.number()));
                    return new SectionPicture.Layer(
                            step.kind(),
                            step.title(),
                            coat.map(found -> found.filmMm(areaCm2)),
                            coat.map(found -> show.volume(found.pour().amountMl()))
                                    .orElseGet(() -> step.how().laid(step.kind())),
                            colours(step, with, cup));
                })
                .filter(layer -> Doing.of(layer.kind()).lays())
                .toList();
    }

    /** The steps whose work is still on the cup, in the order it was done; a stencil goes when it is peeled. */
    private static List<PlanStep> lying(CupNow now) {
        List<PlanStep> lying = new ArrayList<>();
        for (PlanStep step : now.stepsDone()) {
            if (step.kind() == StepKind.PEEL) {
                lying.removeIf(laid -> laid.kind() == StepKind.STENCIL);
            }
            lying.add(step);
        }
        return lying;
    }

    private static List<String> colours(PlanStep step, Map<Integer, List<String>> with, Cup cup) {
        List<String> named = with.getOrDefault(step.number(), List.of());
        if (!named.isEmpty()) {
            return named;
        }
        return step.kind() == StepKind.PAINT
                ? List.of(cup.about().paint())
                : step.kind() == StepKind.GLITTER ? cup.about().glitters() : List.of();
    }
}

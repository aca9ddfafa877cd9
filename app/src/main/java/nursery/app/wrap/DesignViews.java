package nursery.app.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.Cup;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Item;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import org.locationtech.jts.geom.Envelope;
import org.springframework.stereotype.Component;

/** A cup's own design, as its page and its steps need it. */
@Published
@Component
public class DesignViews {

    private final DesignBook designs;
    private final Bench bench;

    DesignViews(DesignBook designs, Bench bench) {
        this.designs = designs;
        this.bench = bench;
    }

    /**
     * A design on a cup.
     *
     * @param svg the cup with it, from the front
     * @param laying what is laid, and at what height
     * @param fits whether nothing speaks against it on this very cup
     */
    @Published
    public record OnCup(long id, String name, String viewBox, String svg, List<String> laying, boolean fits) {}

    /** A design that can be chosen. */
    @Published
    public record Choice(long id, String name) {}

    public List<Choice> choices() {
        return designs.all().stream()
                .map(row -> new Choice(row.id(), row.name()))
                .toList();
    }

    public Optional<OnCup> on(Cup cup, Show show) {
        return designs.on(cup.id()).map(kept -> {
            Fitting fitting = fitted(kept.sketch(), cup);
            SideDrawing side = SideDrawing.of(fitting, kept.sketch().base(), 0);
            return new OnCup(
                    kept.id(),
                    kept.sketch().name(),
                    side.viewBox(),
                    side.inside(),
                    laying(fitting, show),
                    fitting.isFit());
        });
    }

    /** On the cup itself: its blank may be another edition than the shelf's, or another one. */
    private Fitting fitted(Sketch sketch, Cup cup) {
        Side own = Side.of(cup.blank());
        Side drawnOn = Side.of(bench.blank(sketch.blankId()).blank());
        return Fitting.of(
                drawnOn.blank().equals(cup.blank())
                        ? sketch.design()
                        : sketch.design().onto(drawnOn, own),
                Flat.of(own));
    }

    private static List<String> laying(Fitting fitting, Show show) {
        List<String> laying = new ArrayList<>();
        Side side = fitting.flat().side();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            Laid laid = fitting.laid().get(i).get(0);
            double around = laid.lay().angle() * side.radiusMm(laid.lay().upMm());
            String where = Math.abs(around) < 0.5
                    ? "in the middle of the front"
                    : Math.abs(Math.abs(laid.lay().angle()) - Math.PI) < 0.02
                            ? "in the middle of the back"
                            : "%s to the %s of the front"
                                    .formatted(show.length(Math.abs(around)), around > 0 ? "right" : "left");
            laying.add("%s (%s): %s × %s, lower edge %s above the base, %s%s%s"
                    .formatted(
                            item.name(),
                            item.sheet().words(),
                            show.length(laid.lay().widthMm()),
                            show.length(laid.heightMm()),
                            show.length(laid.box().getMinY()),
                            where,
                            item.motifs() > 1 ? ", %d times around".formatted(item.motifs()) : "",
                            fitting.flat().isExact() && laid.lay().bend() == Lay.Bend.STRAIGHT
                                    ? ", laid as it is"
                                    : ""));
        }
        return laying;
    }

    /** Steps ahead with the sizes the cup's design gives them; rules and the sheet of steps go by these. */
    public List<PlanStep> sized(Cup cup, List<PlanStep> ahead) {
        Optional<DesignBook.Kept> kept = designs.on(cup.id());
        if (kept.isEmpty()) {
            return ahead;
        }
        Map<Sheet, DecalSize> sizes = sizes(fitted(kept.get().sketch(), cup));
        return ahead.stream()
                .map(step -> sheet(step)
                        .flatMap(sheet -> Optional.ofNullable(sizes.get(sheet)))
                        .map(step::sized)
                        .orElse(step))
                .toList();
    }

    private static Optional<Sheet> sheet(PlanStep step) {
        if (step.kind() == StepKind.VINYL) {
            return Optional.of(step.material() == Material.METALLIC_VINYL ? Sheet.METALLIC_VINYL : Sheet.VINYL);
        }
        return step.kind() == StepKind.STENCIL
                ? Optional.of(Sheet.STENCIL)
                : step.kind() == StepKind.WATER_SLIDE ? Optional.of(Sheet.WATER_SLIDE) : Optional.empty();
    }

    /** Of each material the largest that is laid in one piece. */
    private static Map<Sheet, DecalSize> sizes(Fitting fitting) {
        Map<Sheet, DecalSize> sizes = new LinkedHashMap<>();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            Envelope box = fitting.laid().get(i).get(0).box();
            Side side = fitting.flat().side();
            double width = box.getWidth() * side.radiusMm(item.lay().upMm()) / side.widestRadiusMm() * item.motifs();
            if (width < 1 || width > 1000 || box.getHeight() < 1 || box.getHeight() > 600) {
                continue;
            }
            sizes.merge(
                    item.sheet(),
                    new DecalSize(width, box.getHeight()),
                    (one, other) -> one.widthMm() >= other.widthMm() ? one : other);
        }
        return sizes;
    }

    public void give(long cupId, long design) {
        designs.give(cupId, design);
    }
}

package nursery.app.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BinaryOperator;
import java.util.function.UnaryOperator;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.stock.Colours;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.wrap.Cuts;
import nursery.core.wrap.Design;
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

    /** Nobody lays anything closer to a line than this. */
    private static final double MIDDLE_MM = 0.5;
    /** Less than this cannot be spread. */
    private static final double LEAST_ML = 2;

    private final DesignBook designs;
    private final Bench bench;

    private final Drawn drawn;

    DesignViews(DesignBook designs, Bench bench, Drawn drawn) {
        this.drawn = drawn;
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

    /** In the colours it was drawn in. */
    public Optional<OnCup> on(Cup cup, Show show) {
        return on(cup, show, Map.of());
    }

    /**
     * In the colours of what the cup is made with, as far as that is known.
     *
     * @param with the colours of the materials its steps name, by their numbers
     */
    public Optional<OnCup> on(Cup cup, Show show, Map<Integer, List<String>> with) {
        return designs.on(cup.id())
                .map(kept -> drawn.of(key(kept, cup, show, with), () -> {
                    Fitting fitting = fitted(kept.sketch(), cup);
                    SideDrawing side = SideDrawing.of(fitting, kept.sketch(), 0, recoloured(cup, with));
                    return new OnCup(
                            kept.id(),
                            kept.sketch().name(),
                            side.viewBox(),
                            side.inside(),
                            laying(fitting, show),
                            fitting.isFit());
                }));
    }

    private static List<Object> key(DesignBook.Kept kept, Cup cup, Show show, Map<Integer, List<String>> with) {
        return List.of(
                "on a cup",
                kept.id(),
                kept.number(),
                cup.blank(),
                show.lengthUnit(),
                cup.plan().stream()
                        .map(step -> step.kind() + " " + with.getOrDefault(step.number(), List.of()))
                        .toList());
    }

    /** Each piece in the nearest colour of those its sheet is named in. */
    private static BinaryOperator<String> recoloured(Cup cup, Map<Integer, List<String>> with) {
        Map<String, List<String>> bySheet = new LinkedHashMap<>();
        for (PlanStep step : cup.plan()) {
            sheet(step).filter(sheet -> !sheet.isOpenings()).ifPresent(sheet -> bySheet.computeIfAbsent(
                            sheet.name(), fresh -> new ArrayList<>())
                    .addAll(with.getOrDefault(step.number(), List.of())));
        }
        return (sheet, colour) -> {
            List<String> named = bySheet.getOrDefault(sheet, List.of());
            return named.isEmpty() ? colour : Colours.nearest(colour, named, UnaryOperator.identity());
        };
    }

    /** What the design of a cup has a step of it lay; nothing if it has none, or that step lays nothing of it. */
    public List<Cuts.Cut> cuts(Cup cup, PlanStep step) {
        Optional<Sheet> of = sheet(step);
        return of.isEmpty()
                ? List.of()
                : Once.aPage(DesignViews.class, "cuts " + cup.id(), () -> cuts(cup)).stream()
                        .filter(cut -> cut.sheet() == of.get())
                        .toList();
    }

    private List<Cuts.Cut> cuts(Cup cup) {
        return designs.on(cup.id())
                .map(kept -> drawn.of(
                        List.of("cuts", kept.id(), kept.number(), cup.blank()),
                        () -> Cuts.of(fitted(kept.sketch(), cup))))
                .orElse(List.of());
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

    /** Where around the cup the middle of something lies, in words. */
    static String where(Laid laid, Show show) {
        double angle = Fitting.turned(laid.lay().angle());
        double around = angle * laid.flat().side().radiusMm(laid.lay().upMm());
        double behind = (Math.PI - Math.abs(angle))
                * laid.flat().side().radiusMm(laid.lay().upMm());
        if (Math.abs(around) < MIDDLE_MM) {
            return "in the middle of the front";
        }
        return behind < MIDDLE_MM
                ? "in the middle of the back"
                : "%s to the %s of the front".formatted(show.length(Math.abs(around)), around > 0 ? "right" : "left");
    }

    private static List<String> laying(Fitting fitting, Show show) {
        List<String> laying = new ArrayList<>();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            Laid laid = fitting.laid().get(i).get(0);
            String where = where(laid, show);
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

    /**
     * Steps ahead as the cup's design has them: cut as large, and of each wave its part of what the whole side would
     * take. The first wave has the highest line (P58); an amount that was decided stays.
     */
    public List<PlanStep> sized(CupNow now, List<PlanStep> ahead, Floor floor) {
        Cup cup = now.cup();
        Optional<DesignBook.Kept> kept = designs.on(cup.id());
        if (kept.isEmpty()) {
            return ahead;
        }
        Fitting fitting = fitted(kept.get().sketch(), cup);
        Map<Sheet, DecalSize> sizes = sizes(fitting);
        List<Design.Band> lines = fitting.design().lines();
        int waves = 0;
        List<PlanStep> sized = new ArrayList<>();
        for (PlanStep step : ahead) {
            PlanStep cut = sheet(step)
                    .flatMap(sheet -> Optional.ofNullable(sizes.get(sheet)))
                    .map(step::sized)
                    .orElse(step);
            if (step.kind() == StepKind.PARTIAL_COAT && waves < lines.size()) {
                waves++;
                double share = lines.get(lines.size() - waves)
                        .line()
                        .shareOf(fitting.flat().side());
                double ml = Math.max(LEAST_ML, share * floor.share(now, step).suggestedMl());
                cut = step.amountMl().isPresent() ? cut : cut.withAmount(OptionalDouble.of(Math.round(ml * 2) / 2.0));
            }
            sized.add(cut);
        }
        return sized;
    }

    private static Optional<Sheet> sheet(PlanStep step) {
        if (step.kind() == StepKind.VINYL) {
            return Optional.of(step.how().vinyl() == Fields.Vinyl.METALLIC ? Sheet.METALLIC_VINYL : Sheet.VINYL);
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

    public void take(long cupId) {
        designs.take(cupId);
    }

    /** Which design a cup was given, in which of its versions; empty for none. */
    public String givenTo(long cupId) {
        return designs.givenTo(cupId);
    }

    public Optional<Long> usualFor(String technique) {
        return designs.usualFor(technique);
    }

    /** What cups started by a technique are given from now on; empty for none. */
    public void setUsual(String technique, Optional<Long> design) {
        designs.setUsual(technique, design);
    }

    public void give(long cupId, long design) {
        designs.give(cupId, design);
    }
}

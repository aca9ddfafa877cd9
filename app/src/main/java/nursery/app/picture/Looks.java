package nursery.app.picture;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import nursery.app.picture.CupLook.Laid;
import nursery.app.picture.CupLook.Style;
import nursery.core.cup.Blank;
import nursery.core.floor.CupNow;
import nursery.core.log.Cup;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Doing;
import nursery.core.surface.Place;
import nursery.core.surface.Surface;
import nursery.core.surface.Work;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Where;

/** A cup drawn as what lies on it makes it look: layer by layer, each in its colours and where it lies. */
public final class Looks {

    /** Paint and second colour of a technique's picture; ours. */
    private static final List<List<String>> COLOURS = List.of(
            List.of("#1f3a5f", "#6fa8dc"),
            List.of("#5b2a4a", "#e0a1c4"),
            List.of("#24523f", "#a7d08c"),
            List.of("#7a2e1d", "#efb45b"),
            List.of("#2b2f36", "#b7c2cc"),
            List.of("#3c3a78", "#f0d36b"));

    /** What lies on the rim is seen as the topmost line of the side. */
    private static final double RIM = 0.04;

    /** Soot shows on light paint. */
    private static final String SOOTS_WELL = "#d8c6a3";

    /** What lets a sea show where nothing was painted below it. */
    private static final String SEA = "#2f6d8c";

    /** Enough for every cup of a large shop; the one not asked for longest is drawn again when it is. */
    private static final int MOST_KEPT = 500;

    private static final Map<Key, CupPicture> KEPT = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, CupPicture> eldest) {
            return size() > MOST_KEPT;
        }
    });

    private Looks() {}

    /** What a drawing depends on. */
    private record Key(String code, Blank blank, CupLook look) {}

    public static CupPicture of(CupNow now) {
        Cup cup = now.cup();
        Set<Integer> lying = new HashSet<>();
        now.state()
                .on()
                .surface()
                .lying()
                .forEach(work -> lying.add(now.state().on().steps().get(work - 1)));
        CupLook look = look(
                now.stepsDone(),
                step -> lying.contains(step.number()),
                cup.about()::colours,
                cup.blank(),
                now.state().clearCoats());
        return KEPT.computeIfAbsent(
                new Key(cup.code(), cup.blank(), look), key -> CupPicture.of(key.code(), key.blank(), key.look()));
    }

    /**
     * What a technique makes, on a blank.
     *
     * @param key its key, which distinguishes its patterns and chooses its colours
     */
    public static CupPicture of(String key, Technique technique, Blank blank) {
        List<PlanStep> plan = technique.plan(Schools.of(), Map.of());
        List<String> colours = COLOURS.get(Math.floorMod(key.hashCode(), COLOURS.size()));
        int coats =
                (int) plan.stream().filter(step -> step.kind().isClearCoat()).count();
        boolean smoked = plan.stream().anyMatch(step -> step.kind() == StepKind.SMOKE);
        Cup.About about = new Cup.About("", "", "", "", smoked ? SOOTS_WELL : colours.get(0), colours.get(1));
        CupLook look = look(plan, lyingOf(plan), about::colours, blank, coats);
        return KEPT.computeIfAbsent(
                new Key("way-" + key, blank, look), kept -> CupPicture.of(kept.code(), kept.blank(), kept.look()));
    }

    /** What of a plan is still on the cup when all of it is done. */
    private static Function<PlanStep, Boolean> lyingOf(List<PlanStep> plan) {
        Surface surface = Surface.of(true);
        for (PlanStep step : plan) {
            surface = surface.after(Work.of(
                    surface.works().size() + 1,
                    step,
                    StartingProfile.REGULAR.label().times()));
        }
        Set<Integer> lying = new HashSet<>(surface.lying());
        return step -> lying.contains(step.number());
    }

    private static CupLook look(
            List<PlanStep> done,
            Function<PlanStep, Boolean> isLying,
            Function<PlanStep, List<String>> colours,
            Blank blank,
            int coats) {
        List<Laid> laid = new ArrayList<>();
        List<String> beforeStencil = List.of();
        List<String> beforeSoap = List.of();
        for (PlanStep step : done) {
            Optional<Style> style = style(step);
            if (step.kind() == StepKind.STENCIL) {
                beforeStencil = ground(laid);
            } else if (step.kind() == StepKind.SOAP) {
                beforeSoap = ground(laid);
            } else if (step.kind() == StepKind.WASH && !beforeSoap.isEmpty()) {
                // Where the soap was, what lay below it shows again.
                boolean isSeen = !beforeSoap.equals(ground(laid));
                laid.add(laid(Style.MARBLE, step, isSeen ? beforeSoap : colours.apply(step), blank));
                beforeSoap = List.of();
            }
            if (style.isEmpty() || isTakenOff(step, isLying) || style.get() == Style.GLOW && isOfAWave(step, done)) {
                continue;
            }
            List<String> in =
                    switch (style.get()) {
                        case WINDOW -> beforeStencil.isEmpty() ? colours.apply(step) : beforeStencil;
                        case WAVE -> ground(laid).isEmpty() ? List.of(SEA) : ground(laid);
                        default -> colours.apply(step);
                    };
            if (Place.of(step.how().where(), Doing.of(step.kind()), blank.sideMm())
                    .isTheBaseAlone()) {
                // Nobody sees it from the side.
                continue;
            }
            if (style.get() == Style.COARSE && step.how().strewn() == Fields.Strewn.ON_TOP) {
                laid.add(laid(Style.GLITTER, step, in, blank));
            }
            laid.add(laid(style.get(), step, in, blank));
        }
        return new CupLook(laid, coats);
    }

    /** What is tinted for a wave is its white edge, and no powder that glows. */
    private static boolean isOfAWave(PlanStep step, List<PlanStep> done) {
        return step.kind() == StepKind.TINT && done.stream().anyMatch(one -> one.kind() == StepKind.PARTIAL_COAT);
    }

    /** What was peeled, rinsed, taken up by foil or scraped off; what lays nothing only changes what is there. */
    private static boolean isTakenOff(PlanStep step, Function<PlanStep, Boolean> isLying) {
        return switch (step.kind()) {
            // What sinks into a coat, or is stirred into it, lies within that.
            case GLITTER, PEEL, WIPE, POLISH, INK_BLOOM, TINT -> false;
            default -> !isLying.apply(step);
        };
    }

    /** The colours of what is seen below all that is drawn in spots. */
    private static List<String> ground(List<Laid> laid) {
        return laid.stream()
                .filter(one -> one.style() == Style.PAINT || one.style() == Style.GLITTER)
                .reduce((below, above) -> above)
                .map(one -> List.of(one.first()))
                .orElse(List.of());
    }

    private static Laid laid(Style style, PlanStep step, List<String> colours, Blank blank) {
        double sideMm = blank.sideMm();
        Place place = Place.of(step.how().where(), Doing.of(step.kind()), sideMm);
        double from = Math.min(1, place.fromMm() / sideMm);
        double to = Math.min(1, place.toMm() / sideMm);
        return new Laid(style, colours, Math.min(from, 1 - RIM), to);
    }

    private static Optional<Style> style(PlanStep step) {
        return Optional.ofNullable(
                switch (step.kind()) {
                    case PAINT -> Style.PAINT;
                    case GLITTER ->
                        step.how().isCoarse()
                                ? Style.COARSE
                                : step.how().strewn() == Fields.Strewn.STIRRED_IN ? Style.GLOW : Style.GLITTER;
                    case INK -> Style.INK;
                    case INK_BLOOM -> Style.BLOOM;
                    case WATER_SLIDE -> Style.SLIDE;
                    case STENCIL -> Style.VINYL;
                    case VINYL -> isAWrap(step) ? Style.WRAP : Style.VINYL;
                    case PEEL -> Style.WINDOW;
                    case PARTIAL_COAT -> Style.WAVE;
                    case SMOKE -> Style.SMOKE;
                    case SPONGE, MICA_SEAL -> Style.MICA;
                    case WIPE -> Style.MARBLE;
                    case FOIL -> Style.FOIL;
                    case POLISH -> Style.MATTE;
                    case TINT -> Style.GLOW;
                    default -> null;
                });
    }

    /** Vinyl all around, with nothing seen between it. */
    private static boolean isAWrap(PlanStep step) {
        Where.Part part = step.how().where().part();
        return part == Where.Part.ALL || part == Where.Part.SIDE;
    }
}

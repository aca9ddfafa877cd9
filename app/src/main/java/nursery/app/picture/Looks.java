package nursery.app.picture;

import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.picture.CupLook.Decor;
import nursery.core.cup.Blank;
import nursery.core.film.CoatRole;
import nursery.core.floor.CupNow;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;

/** A cup drawn as what has been done to it makes it look. */
public final class Looks {

    private static final Map<StepKind, Decor> DRAWN = Map.ofEntries(
            Map.entry(StepKind.INK, Decor.INK),
            Map.entry(StepKind.INK_BLOOM, Decor.BLOOM),
            Map.entry(StepKind.WATER_SLIDE, Decor.SLIDE),
            Map.entry(StepKind.STENCIL, Decor.VINYL),
            Map.entry(StepKind.PEEL, Decor.WINDOW),
            Map.entry(StepKind.PARTIAL_COAT, Decor.WAVE),
            Map.entry(StepKind.SMOKE, Decor.SMOKE),
            Map.entry(StepKind.SPONGE, Decor.MICA),
            Map.entry(StepKind.MICA_SEAL, Decor.MICA),
            Map.entry(StepKind.SOAP, Decor.MARBLE),
            Map.entry(StepKind.FOIL, Decor.FOIL),
            Map.entry(StepKind.WIPE, Decor.MARBLE),
            Map.entry(StepKind.POLISH, Decor.MATTE));

    /** Paint and second colour of a technique's picture; ours. */
    private static final List<List<String>> COLOURS = List.of(
            List.of("#1f3a5f", "#6fa8dc"),
            List.of("#5b2a4a", "#e0a1c4"),
            List.of("#24523f", "#a7d08c"),
            List.of("#7a2e1d", "#efb45b"),
            List.of("#2b2f36", "#b7c2cc"),
            List.of("#3c3a78", "#f0d36b"));

    /** Soot shows on light paint. */
    private static final String SOOTS_WELL = "#d8c6a3";

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

    public static CupPicture of(CupNow cup) {
        CupLook look = look(
                cup.stepsDone(),
                cup.cup().about().paint(),
                cup.cup().about().glitters(),
                cup.state().clearCoats());
        return KEPT.computeIfAbsent(
                new Key(cup.code(), cup.cup().blank(), look),
                key -> CupPicture.of(key.code(), key.blank(), key.look()));
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
        CupLook look = look(plan, smoked ? SOOTS_WELL : colours.get(0), List.of(colours.get(1)), coats);
        return KEPT.computeIfAbsent(
                new Key("way-" + key, blank, look), kept -> CupPicture.of(kept.code(), kept.blank(), kept.look()));
    }

    private static CupLook look(List<PlanStep> done, String paint, List<String> glitters, int coats) {
        String glitter = glitters.get(0);
        Set<StepKind> kinds = done.stream().map(PlanStep::kind).collect(Collectors.toCollection(LinkedHashSet::new));
        Set<Decor> decor = kinds.stream()
                .flatMap(kind -> Optional.ofNullable(DRAWN.get(kind)).stream())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Decor.class)));
        if (kinds.contains(StepKind.PEEL)) {
            decor.remove(Decor.VINYL);
        }
        if (kinds.contains(StepKind.VINYL)) {
            long wraps = done.stream()
                    .filter(step -> step.role().filter(CoatRole.OVERLAY::equals).isPresent())
                    .count();
            long vinyls =
                    done.stream().filter(step -> step.kind() == StepKind.VINYL).count();
            if (isWrapped(done) || wraps > 0) {
                decor.add(Decor.WRAP);
            }
            if (vinyls > Math.max(wraps, isWrapped(done) ? 1 : 0)) {
                decor.add(Decor.VINYL);
            }
        }
        if (done.stream()
                .anyMatch(step -> step.kind() == StepKind.GLITTER && step.how().isCoarse())) {
            decor.add(Decor.COARSE);
        }
        if (kinds.contains(StepKind.TINT) && !kinds.contains(StepKind.PARTIAL_COAT)) {
            decor.add(Decor.GLOW);
        }
        return new CupLook(
                kinds.contains(StepKind.PAINT) ? Optional.of(paint) : Optional.empty(),
                kinds.contains(StepKind.GLITTER) ? Optional.of(glitter) : Optional.empty(),
                glitters.subList(1, glitters.size()),
                decor,
                glitter,
                coats);
    }

    /** Vinyl on the bare cup, before paint or glitter, goes all around it. */
    private static boolean isWrapped(List<PlanStep> done) {
        return done.stream()
                .map(PlanStep::kind)
                .filter(kind -> kind == StepKind.VINYL || kind == StepKind.PAINT || kind == StepKind.GLITTER)
                .findFirst()
                .filter(StepKind.VINYL::equals)
                .isPresent();
    }
}

package nursery.app.picture;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nursery.app.picture.CupLook.Decor;
import nursery.core.cup.Blank;
import nursery.core.floor.CupNow;
import nursery.core.technique.StepKind;

/** A cup drawn as what has been done to it makes it look. */
public final class Looks {

    private static final Map<StepKind, Decor> DRAWN = Map.of(
            StepKind.INK,
            Decor.INK,
            StepKind.INK_BLOOM,
            Decor.INK,
            StepKind.VINYL,
            Decor.VINYL,
            StepKind.WATER_SLIDE,
            Decor.VINYL,
            StepKind.STENCIL,
            Decor.VINYL,
            StepKind.PARTIAL_COAT,
            Decor.WAVE,
            StepKind.SMOKE,
            Decor.SMOKE,
            StepKind.SPONGE,
            Decor.SPECKS,
            StepKind.FOIL,
            Decor.SPECKS);

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
        Set<StepKind> done = cup.cup().plan().stream()
                .filter(step -> cup.state().done().containsKey(step.number()))
                .map(step -> step.kind())
                .collect(Collectors.toSet());
        String glitter = cup.cup().about().glitter();
        Set<Decor> decor = DRAWN.entrySet().stream()
                .filter(entry -> done.contains(entry.getKey()))
                .map(Map.Entry::getValue)
                .collect(Collectors.toSet());
        CupLook look = new CupLook(
                done.contains(StepKind.PAINT) ? Optional.of(cup.cup().about().paint()) : Optional.empty(),
                done.contains(StepKind.GLITTER) ? Optional.of(glitter) : Optional.empty(),
                decor,
                glitter,
                cup.state().clearCoats());
        return KEPT.computeIfAbsent(
                new Key(cup.code(), cup.cup().blank(), look),
                key -> CupPicture.of(key.code(), key.blank(), key.look()));
    }
}

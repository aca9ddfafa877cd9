package nursery.app.picture;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is on a cup, as far as it can be seen.
 *
 * @param paint colour of the paint, if painted
 * @param glitter colour of the glitter, if glittered
 * @param more the further colours of a rainbow, from the rim down
 * @param decor what else decorates it
 * @param accent the colour of that
 * @param coats clear coats over it
 */
public record CupLook(
        Optional<String> paint,
        Optional<String> glitter,
        List<String> more,
        Set<Decor> decor,
        String accent,
        int coats) {

    public static final CupLook BARE = new CupLook(Optional.empty(), Optional.empty(), List.of(), Set.of(), "", 0);

    /** Decoration, most of it drawn in the cup's second colour; what lies lower comes first. */
    public enum Decor {
        WRAP,
        MARBLE,
        COARSE,
        INK,
        BLOOM,
        MICA,
        SMOKE,
        WINDOW,
        VINYL,
        FOIL,
        GLOW,
        SLIDE,
        WAVE,
        MATTE
    }

    public boolean has(Decor one) {
        return decor.contains(one);
    }
}

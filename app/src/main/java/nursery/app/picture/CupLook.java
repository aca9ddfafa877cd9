package nursery.app.picture;

import java.util.Optional;

/**
 * What is on a cup, as far as it can be seen.
 *
 * @param paint   colour of the paint, if painted
 * @param glitter colour of the glitter, if glittered
 * @param coats   clear coats over it
 */
public record CupLook(Optional<String> paint, Optional<String> glitter, int coats) {

    public static final CupLook BARE = new CupLook(Optional.empty(), Optional.empty(), 0);
}

package nursery.core.wrap;

import java.util.Map;

/**
 * The colours art is cut in, where they are others than it was drawn in.
 *
 * @param drawn by the colour it was drawn in, {@code #rrggbb}
 * @param named by the name of a word or a piece; this one counts before the other
 */
public record Colours(Map<String, String> drawn, Map<String, String> named) {

    public static final Colours AS_DRAWN = new Colours(Map.of(), Map.of());

    public Colours {
        drawn = Map.copyOf(drawn);
        named = Map.copyOf(named);
    }

    /** What a piece is cut in. */
    public String of(Piece piece) {
        return named.getOrDefault(piece.name(), drawn.getOrDefault(piece.colour(), piece.colour()));
    }
}

package nursery.app.picture;

import java.util.List;

/**
 * What is on a cup, as far as it can be seen.
 *
 * @param laid what lies on it, from the ground up
 * @param coats clear coats over it
 */
public record CupLook(List<Laid> laid, int coats) {

    public static final CupLook BARE = new CupLook(List.of(), 0);

    public CupLook {
        laid = List.copyOf(laid);
    }

    /** How a layer is drawn. */
    public enum Style {
        PAINT,
        GLITTER,
        COARSE,
        WRAP,
        MARBLE,
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

    /**
     * One layer.
     *
     * @param colours from the rim down where it has several, each as #rrggbb; of a pattern the ground first
     * @param from where it begins, as a part of the side from the foot
     * @param to where it ends, likewise
     */
    public record Laid(Style style, List<String> colours, double from, double to) {
        public Laid {
            colours = List.copyOf(colours);
        }

        boolean isAllOver() {
            return from <= 0 && to >= 1;
        }

        String first() {
            return colours.get(0);
        }

        String last() {
            return colours.get(colours.size() - 1);
        }
    }

    boolean has(Style style) {
        return laid.stream().anyMatch(one -> one.style() == style);
    }
}

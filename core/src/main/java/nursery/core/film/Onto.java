package nursery.core.film;

/**
 * What a coat goes on.
 *
 * @param clearCoats how many lie over the texture already
 */
public record Onto(Texture texture, int clearCoats, Below below) {

    /** What the decoration lies in. */
    public enum Below {
        THIN_FILM,
        /** It fills the gaps between the flakes: the coat over it has less to fill. */
        GENEROUS_FILM,
        COAT
    }

    public static Onto coat(Texture texture, int clearCoats) {
        return new Onto(texture, clearCoats, Below.COAT);
    }
}

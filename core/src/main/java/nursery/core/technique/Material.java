package nursery.core.technique;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import nursery.core.film.Texture;

/** What a decoration is made of, where the craft's rules care. */
public enum Material {
    ORDINARY("ordinary", Texture.SMOOTH),
    FINE_GLITTER("fine glitter", Texture.FINE),
    CHUNKY_GLITTER("chunky glitter", Texture.CHUNKY),
    MIXED_GLITTER("mixed glitter", Texture.CHUNKY),
    PERMANENT_VINYL("permanent vinyl", Texture.SMOOTH),
    METALLIC_VINYL("metallic or textured vinyl", Texture.SMOOTH),
    REMOVABLE_VINYL("removable vinyl", Texture.SMOOTH);

    private final String word;
    private final Texture texture;

    Material(String word, Texture texture) {
        this.word = word;
        this.texture = texture;
    }

    public static Optional<Material> named(String written) {
        return Arrays.stream(values())
                .filter(material -> material.written().equals(written))
                .findFirst();
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String word() {
        return word;
    }

    /** What a hand feels of it. */
    public Texture texture() {
        return texture;
    }

    /** Flakes that drag, drift and stand up until they are sealed (step 4 of the order of work). */
    public boolean isCoarse() {
        return texture == Texture.CHUNKY;
    }
}

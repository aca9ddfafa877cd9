package nursery.core.log;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How much of a fault there is. */
public enum Extent {
    LITTLE("a little"),
    SOME("some"),
    MUCH("much");

    private final String words;

    Extent(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Extent> named(String written) {
        return Arrays.stream(values())
                .filter(extent -> extent.written().equals(written))
                .findFirst();
    }
}

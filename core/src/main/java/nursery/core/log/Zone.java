package nursery.core.log;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Where on a cup something is seen. */
public enum Zone {
    ALL("all over"),
    RIM("at the rim"),
    UPPER("upper part"),
    MIDDLE("middle"),
    LOWER("lower part"),
    BASE("at the base"),
    HANDLE("handle side"),
    FRONT("front"),
    SEAM("at the seam");

    private final String words;

    Zone(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Zone> named(String written) {
        return Arrays.stream(values())
                .filter(zone -> zone.written().equals(written))
                .findFirst();
    }

    public boolean isAnEnd() {
        return this == RIM || this == BASE;
    }
}

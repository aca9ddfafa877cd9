package nursery.core.wrap;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a piece is cut from, as far as its fitting cares. */
public enum Sheet {
    VINYL("vinyl, permanent", 1.0),
    METALLIC_VINYL("vinyl, metallic", 1.2),
    STENCIL("stencil film: the shapes are openings", 1.0),
    PEEKABOO("vinyl, removable: peeled later", 1.0),
    WATER_SLIDE("water-slide", 0.5),
    PAPER("paper or fabric wrap", 0.5);

    private final String words;
    private final double thinnestMm;

    Sheet(String words, double thinnestMm) {
        this.words = words;
        this.thinnestMm = thinnestMm;
    }

    public static Optional<Sheet> named(String written) {
        return Arrays.stream(values())
                .filter(sheet -> sheet.written().equals(written))
                .findFirst();
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String words() {
        return words;
    }

    /** A line thinner than this tears when it is weeded or laid; from memory. */
    public double thinnestMm() {
        return thinnestMm;
    }

    /** What shows is where it is not. */
    public boolean isOpenings() {
        return this == STENCIL;
    }

    /** Whether all of a motif is one film, whatever colours show through it or are printed on it. */
    public boolean isOneFilm() {
        return this == STENCIL || this == WATER_SLIDE;
    }

    /** Whether two of it, or it over another, buckle where they overlap with no coat between (P63). */
    public boolean buckles() {
        return this == VINYL || this == METALLIC_VINYL || this == WATER_SLIDE;
    }
}

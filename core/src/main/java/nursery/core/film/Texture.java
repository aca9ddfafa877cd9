package nursery.core.film;

import nursery.core.measure.Numbers;

/** What the decoration feels like, and how many coats it takes until it does not. */
public enum Texture {
    SMOOTH("smooth", 0, 0, 0),
    /** Two coats usually before anything is smooth: common practice (step 5 of the order of work). */
    FINE("fine glitter", 2, 1, 0),
    /**
     * Fine glitter needs fewer coats than chunky; a third before sanding is the safe choice (common practice). The
     * extra film is from memory.
     */
    CHUNKY("chunky glitter", 3, 3, 0.10);

    private final String word;
    private final int coatsToBury;
    private final int coatsBeforeSanding;
    private final double extraFilmMm;

    Texture(String word, int coatsToBury, int coatsBeforeSanding, double extraFilmMm) {
        this.word = word;
        this.coatsToBury = coatsToBury;
        this.coatsBeforeSanding = coatsBeforeSanding;
        this.extraFilmMm = extraFilmMm;
    }

    public String word() {
        return word;
    }

    public int coatsToBury() {
        return coatsToBury;
    }

    /**
     * How many must lie over it before sanding does not reach it: one over fine glitter, sanded lightly; a third over
     * chunky is the safe choice.
     */
    public int coatsBeforeSanding() {
        return coatsBeforeSanding;
    }

    /** Whether it is still felt through so many clear coats. */
    public boolean isFeltUnder(int clearCoats) {
        return clearCoats < coatsToBury;
    }

    /** What the next coat needs beyond its role's film. */
    public double extraFilmMm(int clearCoats) {
        return isFeltUnder(clearCoats) ? extraFilmMm : 0;
    }

    /** What the next coat meets, for a sheet. */
    public String words(int clearCoats) {
        if (this == SMOOTH) {
            return "smooth below";
        }
        String under = clearCoats == 0
                ? "no coat over it yet"
                : "%d %s over it".formatted(clearCoats, clearCoats == 1 ? "coat" : "coats");
        String extra = extraFilmMm(clearCoats) > 0 ? ", %s mm more for it".formatted(Numbers.show(extraFilmMm, 2)) : "";
        return "%s, %s: %s%s".formatted(word, under, isFeltUnder(clearCoats) ? "still felt" : "smooth", extra);
    }
}

package nursery.core.film;

import nursery.core.cup.Blank;
import nursery.core.film.CoatRole.Practice;
import nursery.core.resin.BatchSheet;

/**
 * How much one coat needs on one cup: area times film, beside what makers pour.
 *
 * @param suggestedMl what the area and the film come to
 * @param areaCm2 the coated area it rests on
 * @param filmMm the film aimed at: the role's own, and more over coarse texture
 * @param role the coat
 * @param practice the amounts that worked
 * @param below what the coat meets, in words
 */
public record Share(double suggestedMl, double areaCm2, double filmMm, CoatRole role, Practice practice, String below) {

    /** People trust nothing smaller in a graduated cup (P3). */
    public static final double SMALLEST_BATCH_ML = BatchSheet.SMALLEST_ML;

    private static final double ROUNDING_ML = 0.05;

    /** How the suggestion stands to practice. */
    public enum Agreement {
        WITHIN,
        BELOW,
        ABOVE
    }

    /** @param clearCoats how many lie over the texture already */
    public static Share of(Blank blank, CoatRole role, Texture texture, int clearCoats) {
        double areaCm2 = blank.area().coatedCm2();
        double filmMm = role.filmMm() + (role.isAdhesive() ? 0 : texture.extraFilmMm(clearCoats));
        return new Share(
                Film.volumeMl(filmMm, areaCm2),
                areaCm2,
                filmMm,
                role,
                role.practiceFor(blank.nominalOz()),
                role.isAdhesive() ? "" : texture.words(clearCoats));
    }

    public Agreement agreement() {
        if (suggestedMl < practice.lowMl() - ROUNDING_ML) {
            return Agreement.BELOW;
        }
        return suggestedMl > practice.highMl() + ROUNDING_ML ? Agreement.ABOVE : Agreement.WITHIN;
    }

    /** What to mix for this share alone: never less than the smallest trusted batch. */
    public double toMixMl() {
        return Math.max(suggestedMl, SMALLEST_BATCH_ML);
    }

    public boolean raisedToSmallestBatch() {
        return suggestedMl < SMALLEST_BATCH_ML;
    }

    /** What to make of how the suggestion stands to practice, in one sentence. */
    public String agreementWords() {
        return switch (agreement()) {
            case WITHIN -> "They agree.";
            case BELOW -> "The area asks for less: start here on smooth work, nearer to practice over coarse glitter.";
            case ABOVE -> "The area asks for more: this blank is larger than the cups practice speaks of.";
        };
    }
}

package nursery.core.film;

import nursery.core.cup.Blank;
import nursery.core.film.CoatRole.Practice;
import nursery.core.measure.Numbers;
import nursery.core.resin.BatchSheet;

/**
 * How much one coat needs on one cup: area times film, kept inside what makers pour on the cups practice speaks of.
 *
 * @param suggestedMl what to pour
 * @param byAreaMl what the area and the film come to
 * @param areaCm2 the coated area it rests on
 * @param filmMm the film the suggestion makes
 * @param role the coat
 * @param practice the amounts that worked
 * @param generous whether by the school of few generous coats, else by that of more thin ones
 * @param below what the coat meets, in words
 * @param decided whether a maker decided the amount for this cup
 */
public record Share(
        double suggestedMl,
        double byAreaMl,
        double areaCm2,
        double filmMm,
        CoatRole role,
        Practice practice,
        boolean generous,
        String below,
        boolean decided) {

    /** People trust nothing smaller in a graduated cup (P3). */
    public static final double SMALLEST_BATCH_ML = BatchSheet.SMALLEST_ML;

    private static final double ROUNDING_ML = 0.05;
    /** Two amounts so near each other are the same to a hand that pours; from memory. */
    private static final double SAME = 0.05;

    /** Cups of 12 to 32 oz, which practice speaks of (P10); the areas are from memory. */
    private static final double LEAST_CM2 = 280;

    private static final double MOST_CM2 = 800;

    /** How the suggestion stands to practice. */
    public enum Agreement {
        WITHIN,
        BELOW,
        ABOVE
    }

    /** By the school of more thin coats, over all of a cup. */
    public static Share of(Blank blank, CoatRole role, Texture texture, int clearCoats) {
        return of(blank, blank, role, texture, clearCoats, false);
    }

    /**
     * What practice pours it pours over a whole cup, and a wave over the lower half: a coat over less has its part of
     * it.
     *
     * @param blank the whole cup, whose size practice goes by
     * @param part what of it the coat goes over
     * @param clearCoats how many lie over the texture already
     * @param generous few generous coats instead of more thin ones (P8)
     */
    public static Share of(Blank blank, Blank part, CoatRole role, Texture texture, int clearCoats, boolean generous) {
        double areaCm2 = part.area().coatedCm2();
        double wholeCm2 = blank.area().coatedCm2();
        double extraMm = role.isAdhesive() ? 0 : texture.extraFilmMm(clearCoats);
        double byAreaMl = Film.volumeMl(role.filmMm() + extraMm, areaCm2);
        Practice practice = (extraMm > 0 ? role.practiceAcrossSizes() : role.practiceFor(blank.nominalOz()))
                .times(areaCm2 / role.spokenOfCm2(blank));
        boolean spokenOf = practice.nominalOz().isPresent()
                ? practice.nominalOz().equals(blank.nominalOz())
                : wholeCm2 >= LEAST_CM2 && wholeCm2 <= MOST_CM2;
        double wantedMl = generous && !role.isAdhesive() ? Math.max(byAreaMl, practice.highMl()) : byAreaMl;
        double suggestedMl = spokenOf ? Math.max(practice.lowMl(), Math.min(practice.highMl(), wantedMl)) : byAreaMl;
        return new Share(
                suggestedMl,
                byAreaMl,
                areaCm2,
                Film.thicknessMm(suggestedMl, areaCm2),
                role,
                practice,
                generous,
                role.isAdhesive() ? "" : texture.words(clearCoats),
                false);
    }

    /** The same coat with an amount a maker decided for this cup. */
    public Share decidedTo(double ml) {
        return new Share(ml, byAreaMl, areaCm2, Film.thicknessMm(ml, areaCm2), role, practice, generous, below, true);
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
        if (decided) {
            return "Decided for this cup; the area asks for %s ml.".formatted(Numbers.show(byAreaMl, 1));
        }
        return switch (agreement()) {
            case WITHIN -> within();
            case BELOW -> "This blank is smaller than the cups practice speaks of: by its area.";
            case ABOVE -> "This blank is larger than the cups practice speaks of: by its area.";
        };
    }

    private String within() {
        if (Math.abs(suggestedMl - byAreaMl) < Math.max(ROUNDING_ML, SAME * suggestedMl)) {
            return role.isAdhesive() || generous ? "They agree." : "They agree, by the school of more thin coats.";
        }
        if (generous && suggestedMl > byAreaMl) {
            return "By the school of few generous coats; a film of %s mm.".formatted(Numbers.show(filmMm, 2));
        }
        return suggestedMl > byAreaMl
                ? "The area alone asks for %s ml; practice pours no less.".formatted(Numbers.show(byAreaMl, 1))
                : "The area alone asks for %s ml; practice pours no more.".formatted(Numbers.show(byAreaMl, 1));
    }
}

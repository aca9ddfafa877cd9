package nursery.core.film;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.film.CoatRole.Practice;
import nursery.core.measure.Numbers;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Label;

/**
 * How much one coat needs on one cup: area times film, and never more than stays there. The film is the coat's, by the
 * way it is made in and what it goes on ({@link CoatRole#filmMm}), so the amount grows evenly with the area and no size
 * of cup need be known.
 *
 * @param suggestedMl what to pour
 * @param byAreaMl what the area and the film come to, whatever carries it
 * @param areaCm2 the coated area it rests on
 * @param filmMm the film the suggestion makes
 * @param role the coat
 * @param practice an amount that worked
 * @param otherWayMl what the area and the film of the other way come to
 * @param below what the coat meets, in words
 * @param carried what stays where it is poured; empty where nothing is known of that
 * @param decided whether a maker decided the amount for this cup
 */
public record Share(
        double suggestedMl,
        double byAreaMl,
        double areaCm2,
        double filmMm,
        CoatRole role,
        Practice practice,
        Way way,
        double otherWayMl,
        String below,
        OptionalDouble carriedMl,
        Carrier.By by,
        boolean decided) {

    /** People trust nothing smaller in a graduated cup (P3). */
    public static final double SMALLEST_BATCH_ML = BatchSheet.SMALLEST_ML;

    private static final double ROUNDING_ML = 0.05;
    /** What a slip of a zero looks like: so many times as much or as little nobody decides on. From memory. */
    private static final double SLIP = 6;

    /**
     * What practice pours it pours over a whole cup, and a wave over the lower half: a coat over less has its part of
     * it.
     *
     * @param whole the whole cup
     * @param part what of it the coat goes over
     * @param label what it is poured of, which decides what stays
     */
    public static Share of(Blank whole, Blank part, CoatRole role, Onto onto, Way way, Label label, Carrier carrier) {
        double areaCm2 = part.area().coatedCm2();
        double byAreaMl = Film.volumeMl(role.filmMm(way, onto), areaCm2);
        OptionalDouble carriedMl = carrier.carriesMl(part, label);
        double suggestedMl = Math.min(byAreaMl, Carrier.AT_MOST * carriedMl.orElse(Double.POSITIVE_INFINITY));
        return new Share(
                suggestedMl,
                byAreaMl,
                areaCm2,
                Film.thicknessMm(suggestedMl, areaCm2),
                role,
                role.practice(way, onto.below()).times(areaCm2 / role.spokenOfCm2(whole)),
                way,
                Film.volumeMl(role.filmMm(way.other(), onto), areaCm2),
                role.isAdhesive() ? "" : onto.texture().words(onto.clearCoats()),
                carriedMl,
                carrier.by(),
                false);
    }

    /** The same coat with an amount a maker decided for this cup. */
    public Share decidedTo(double ml) {
        return new Share(
                ml,
                byAreaMl,
                areaCm2,
                Film.thicknessMm(ml, areaCm2),
                role,
                practice,
                way,
                otherWayMl,
                below,
                carriedMl,
                by,
                true);
    }

    /** What to ask about an amount that is nowhere near what the coat takes; empty if it may be meant. */
    public Optional<String> slipOf(double ml) {
        boolean isMuch = ml >= SLIP * Math.max(suggestedMl, byAreaMl);
        if (!isMuch && ml > Math.min(suggestedMl, byAreaMl) / SLIP) {
            return Optional.empty();
        }
        return Optional.of("%s ml? A %s takes about %s ml on this cup. Is there a zero too %s?"
                .formatted(Numbers.show(ml, 1), role.word(), Numbers.show(suggestedMl, 1), isMuch ? "many" : "few"));
    }

    /** Whether it would be more if more stayed there. */
    public boolean isHeldBack() {
        return !decided && suggestedMl < byAreaMl - ROUNDING_ML;
    }

    /** What to mix for this share alone: never less than the smallest trusted batch. */
    public double toMixMl() {
        return Math.max(suggestedMl, SMALLEST_BATCH_ML);
    }

    public boolean raisedToSmallestBatch() {
        return suggestedMl < SMALLEST_BATCH_ML;
    }

    /** Why so much, in one sentence; nothing where area and film say it all. */
    public String words() {
        if (decided) {
            return "Decided for this cup; the area asks for %s ml.".formatted(ml(byAreaMl));
        }
        if (isHeldBack()) {
            return "The film would take %s ml, but %s no more than %s ml here."
                    .formatted(ml(byAreaMl), by.carries(), ml(carriedMl.orElseThrow()));
        }
        if (Math.abs(otherWayMl - byAreaMl) < ROUNDING_ML) {
            return "";
        }
        return way == Way.GENEROUS
                ? "A generous coat; a thin one takes %s ml.".formatted(ml(otherWayMl))
                : "A thin coat; a generous one takes %s ml.".formatted(ml(otherWayMl));
    }

    private static String ml(double amount) {
        return Numbers.show(amount, 1);
    }
}

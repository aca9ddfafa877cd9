package nursery.core.film;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.cup.Blank;

/**
 * What a coat is for, the film Nursery aims at, and the amounts makers pour. The films are those amounts (P7, common
 * practice) over the area of the cup they are told of: a 12 oz slim of 345 cm², a 20 oz slim of 512 cm² (areas from
 * memory). They are rules of thumb.
 */
public enum CoatRole {
    ADHESIVE_THIN("thin adhesive film", 0.02, 0.02, practice(0.8, 1.2, "on a 20 oz, less on a 12 oz")),
    ADHESIVE_GENEROUS("generous adhesive film", 0.15, 0.15, practice(5, 10, "a cup")),
    /** 23 ml on the 20 oz slim, and 30 ml on the 12 oz slim for who pours generously: 60 ml on the largest. */
    FLOOD(
            "first flood coat over glitter",
            0.45,
            0.87,
            practice(20, 25, "on a 20 oz slim"),
            practice(30, 60, "from a 12 oz slim to the largest")),
    /** 20 ml on the 12 oz is the generous one. */
    BUILD("second coat", 0.40, 0.58, practice(20, 30, "across sizes, the high end with some left over")),
    /** Thin enough to lock a layer in, not to bury it. */
    SEAL("thin seal coat", 0.24, 0.29, practice(10, 15, "on a 20 oz")),
    THIN_CLEAR("one of two thin clear coats", 0.195, 0.195, practice(10, 10, "each, on a 20 oz")),
    OVERLAY("coat over a full vinyl wrap", 0.39, 0.39, practice(20, 20, "on a 20 oz")),
    /** 15 to 20 ml on the 12 oz. */
    DECALS("coat over decals", 0.435, 0.58, practice(15, 20, "on a 12 oz")),
    /** Generous on purpose: the ink needs depth to spread in. */
    BLOOM("flood for an ink bloom", 0.586, 0.586, practice(30, 30, "on a 20 oz, generous on purpose")),
    STIRRED_IN(
            "generous base coat with something stirred in",
            0.586,
            0.586,
            practice(25, 35, "about one fluid ounce covers an ordinary cup with some left over")),
    /** Over part of the cup: 20 ml lie 0.85 mm thick on the lower half of a 20 oz slim. */
    WAVE(
            "wave over part of the cup",
            0.85,
            0.85,
            practice(20, 20, "on a 20 oz, of which 5 ml is split off and tinted white")),
    LATER_WAVE("second, smaller wave", 0.53, 0.64, practice(10, 15, "on a 20 oz, for a second wave")),
    FINISHING("finishing coat", 0.30, 0.39, practice(10, 20, "across sizes, for late coats"));

    /** 10 to 20 ml from the 12 oz slim to the 20 oz, over coarse flakes too (P7). */
    private static final double FLOOD_IN_GENEROUS_FILM_MM = 0.29;

    private static final double GENEROUS_FLOOD_IN_GENEROUS_FILM_MM = 0.34;
    /** A generous film stands half as high between the flakes as they do; from memory. */
    private static final double LEFT_TO_FILL = 0.5;

    private static final Practice OVER_GENEROUS_FILM = practice(10, 20, "over a generous film");

    /** What rounding makes of a whole. */
    private static final double ALL_OF_IT = 1e-9;

    private final String word;
    private final double thinMm;
    private final double generousMm;
    private final List<Practice> practices;

    /** @param practices one for each way, or one for both */
    CoatRole(String word, double thinMm, double generousMm, Practice... practices) {
        this.word = word;
        this.thinMm = thinMm;
        this.generousMm = generousMm;
        this.practices = List.of(practices);
    }

    /** The role with this name in a technique file, such as {@code later-wave}. */
    public static Optional<CoatRole> named(String written) {
        return Arrays.stream(values())
                .filter(role -> role.written().equals(written))
                .findFirst();
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String word() {
        return word;
    }

    public boolean isAdhesive() {
        return this == ADHESIVE_THIN || this == ADHESIVE_GENEROUS;
    }

    /**
     * What of a blank practice means when it says how much: all that is coated; of a wave the lower half of the side.
     */
    double spokenOfCm2(Blank blank) {
        return this == WAVE || this == LATER_WAVE
                ? blank.within(false, 0, blank.sideMm() / 2).area().coatedCm2()
                : blank.area().coatedCm2();
    }

    /**
     * The mean film to aim at, mm: the coat's own, and what flakes that are still felt ask for beside it.
     *
     * @param onto what it goes on; an adhesive film lies below the flakes and meets none
     */
    public double filmMm(Way way, Onto onto) {
        if (isAdhesive()) {
            return thinMm;
        }
        boolean isInFilm = isInGenerousFilm(onto.below());
        double extraMm = onto.texture().extraFilmMm(onto.clearCoats());
        return filmMm(way, isInFilm) + (isInFilm ? LEFT_TO_FILL * extraMm : extraMm);
    }

    private double filmMm(Way way, boolean isInGenerousFilm) {
        if (isInGenerousFilm) {
            return way == Way.GENEROUS ? GENEROUS_FLOOD_IN_GENEROUS_FILM_MM : FLOOD_IN_GENEROUS_FILM_MM;
        }
        return way == Way.GENEROUS ? generousMm : thinMm;
    }

    private boolean isInGenerousFilm(Onto.Below below) {
        return this == FLOOD && below == Onto.Below.GENEROUS_FILM;
    }

    /** What makers pour that way. */
    public Practice practice(Way way, Onto.Below below) {
        return isInGenerousFilm(below)
                ? OVER_GENEROUS_FILM
                : practices.get(way == Way.GENEROUS ? practices.size() - 1 : 0);
    }

    private static Practice practice(double lowMl, double highMl, String on) {
        return new Practice(lowMl, highMl, on);
    }

    /**
     * Amounts that worked, as total ml of mix on the cup (P7, common practice).
     *
     * @param on which cups they worked on
     */
    public record Practice(double lowMl, double highMl, String on) {

        /** The same for a part of what it was poured over. */
        Practice times(double part) {
            return Math.abs(part - 1) < ALL_OF_IT
                    ? this
                    : new Practice(lowMl * part, highMl * part, on + ", for its part of the cup");
        }
    }
}

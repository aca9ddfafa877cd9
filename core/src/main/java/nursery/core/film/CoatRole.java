package nursery.core.film;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;

/**
 * What a coat is for, the film Nursery aims at, and the amounts makers pour. Films are chosen so that a 20 oz slim of
 * 512 cm² gets what practice gives it (P7, and the worked values beside it); they are rules of thumb.
 */
public enum CoatRole {
    ADHESIVE_THIN(
            "thin adhesive film",
            0.02,
            List.of(
                    new Practice(OptionalDouble.of(12), 0, 1, "on a 12 oz"),
                    new Practice(OptionalDouble.of(20), 0.8, 1.2, "on a 20 oz"),
                    new Practice(OptionalDouble.empty(), 0, 1.2, "a cup"))),
    ADHESIVE_GENEROUS("generous adhesive film", 0.15, List.of(new Practice(OptionalDouble.empty(), 5, 10, "a cup"))),
    FLOOD(
            "first flood coat over glitter",
            0.45,
            List.of(
                    new Practice(OptionalDouble.of(12), 30, 60, "on a 12 oz slim, most at the low end"),
                    new Practice(OptionalDouble.of(20), 20, 25, "on a 20 oz slim"),
                    new Practice(OptionalDouble.empty(), 20, 60, "across sizes"))),
    BUILD(
            "second coat",
            0.40,
            List.of(
                    new Practice(OptionalDouble.of(12), 20, 20, "on a 12 oz"),
                    new Practice(OptionalDouble.empty(), 20, 30, "across sizes, the high end with some left over"))),
    /** Thin enough to lock a layer in, not to bury it. */
    SEAL("thin seal coat", 0.24, List.of(new Practice(OptionalDouble.of(20), 10, 15, "on a 20 oz"))),
    THIN_CLEAR(
            "one of two thin clear coats",
            0.195,
            List.of(new Practice(OptionalDouble.of(20), 10, 10, "each, on a 20 oz"))),
    OVERLAY("coat over a full vinyl wrap", 0.39, List.of(new Practice(OptionalDouble.of(20), 20, 20, "on a 20 oz"))),
    DECALS("coat over decals", 0.38, List.of(new Practice(OptionalDouble.of(12), 15, 20, "on a 12 oz"))),
    /** Generous on purpose: the ink needs depth to spread in. */
    BLOOM(
            "flood for an ink bloom",
            0.586,
            List.of(new Practice(OptionalDouble.of(20), 30, 30, "on a 20 oz, generous on purpose"))),
    STIRRED_IN(
            "generous base coat with something stirred in",
            0.586,
            List.of(new Practice(
                    OptionalDouble.empty(),
                    25,
                    35,
                    "about one fluid ounce covers an ordinary cup with some left over"))),
    /** Over part of the cup: 20 ml lie 0.85 mm thick on the lower half of a 20 oz slim. */
    WAVE(
            "wave over part of the cup",
            0.85,
            List.of(new Practice(
                    OptionalDouble.of(20), 20, 20, "on a 20 oz, of which 5 ml is split off and tinted white"))),
    LATER_WAVE(
            "second, smaller wave",
            0.53,
            List.of(new Practice(OptionalDouble.of(20), 10, 15, "on a 20 oz, for a second wave"))),
    FINISHING(
            "finishing coat",
            0.30,
            List.of(new Practice(OptionalDouble.empty(), 10, 20, "across sizes, for late coats")));

    /** What rounding makes of a whole. */
    private static final double ALL_OF_IT = 1e-9;

    private final String word;
    private final double filmMm;
    private final List<Practice> practices;

    CoatRole(String word, double filmMm, List<Practice> practices) {
        this.word = word;
        this.filmMm = filmMm;
        this.practices = practices;
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

    /** The mean film to aim at, mm. */
    public double filmMm() {
        return filmMm;
    }

    /** What makers pour on a cup of this size, or across sizes if none is recorded for it, or what there is. */
    public Practice practiceFor(OptionalDouble nominalOz) {
        return practices.stream()
                .filter(practice ->
                        practice.nominalOz().isEmpty() || practice.nominalOz().equals(nominalOz))
                .findFirst()
                .orElse(practices.get(practices.size() - 1));
    }

    /** The same over coarse glitter, which asks for the wider range. */
    Practice practiceAcrossSizes() {
        return practices.get(practices.size() - 1);
    }

    /**
     * Amounts that worked, as total ml of mix on the cup (P7, common practice).
     *
     * @param on which cups they worked on
     */
    public record Practice(OptionalDouble nominalOz, double lowMl, double highMl, String on) {

        /** The same for a part of what it was poured over. */
        Practice times(double part) {
            return Math.abs(part - 1) < ALL_OF_IT
                    ? this
                    : new Practice(nominalOz, lowMl * part, highMl * part, on + ", for its part of the cup");
        }
    }
}

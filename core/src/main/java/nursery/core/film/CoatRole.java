package nursery.core.film;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What a coat is for, the film Nursery aims at, and the amounts makers pour. Films are chosen so that a 20 oz slim
 * of 512 cm² gets what practice gives it (P7, and the worked values beside it); they are rules of thumb.
 */
public enum CoatRole {
    ADHESIVE_THIN("thin adhesive film", 0.02, List.of(
            new Practice(OptionalDouble.of(12), 0, 1, "on a 12 oz"),
            new Practice(OptionalDouble.of(20), 0.8, 1.2, "on a 20 oz"),
            new Practice(OptionalDouble.empty(), 0, 1.2, "a cup"))),
    ADHESIVE_GENEROUS("generous adhesive film", 0.15, List.of(
            new Practice(OptionalDouble.empty(), 5, 10, "a cup"))),
    FLOOD("first flood coat over glitter", 0.45, List.of(
            new Practice(OptionalDouble.of(12), 30, 60, "on a 12 oz slim, most at the low end"),
            new Practice(OptionalDouble.of(20), 20, 25, "on a 20 oz slim"),
            new Practice(OptionalDouble.empty(), 20, 60, "across sizes"))),
    BUILD("second coat", 0.40, List.of(
            new Practice(OptionalDouble.of(12), 20, 20, "on a 12 oz"),
            new Practice(OptionalDouble.empty(), 20, 30, "across sizes, the high end with some left over"))),
    FINISHING("finishing coat", 0.30, List.of(
            new Practice(OptionalDouble.empty(), 10, 20, "across sizes, for late coats")));

    private final String word;
    private final double filmMm;
    private final List<Practice> practices;

    CoatRole(String word, double filmMm, List<Practice> practices) {
        this.word = word;
        this.filmMm = filmMm;
        this.practices = practices;
    }

    public String word() {
        return word;
    }

    public boolean isAdhesive() {
        return this == ADHESIVE_THIN || this == ADHESIVE_GENEROUS;
    }

    /** The mean film to aim at, mm. */
    public double filmMm() {
        return filmMm;
    }

    /** What makers pour on a cup of this size, or across sizes if none is recorded for it. */
    public Practice practiceFor(OptionalDouble nominalOz) {
        return practices.stream()
                .filter(practice -> practice.nominalOz().isEmpty() || practice.nominalOz().equals(nominalOz))
                .findFirst().orElseThrow();
    }

    /**
     * Amounts that worked, as total ml of mix on the cup (P7, common practice).
     *
     * @param on which cups they worked on
     */
    public record Practice(OptionalDouble nominalOz, double lowMl, double highMl, String on) {}
}

package nursery.core.stock;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nursery.core.measure.Faults;

/**
 * A material on the shelf.
 *
 * @param colour as {@code #rrggbb}; what its swatch and the cup are drawn in
 * @param flakeMm for glitter, how large its flakes are
 * @param film for vinyl, which sort; permanent and removable are never one colour (P65)
 * @param widthMm for sheets and rolls, how wide
 * @param lastsDays printed on the pack, if it is
 * @param leadDays from ordering it until it is here
 * @param place where it lies
 * @param mix what is mixed in it, by share; empty if it is one thing
 */
public record Material(
        long id,
        String name,
        MaterialKind kind,
        String colour,
        OptionalDouble flakeMm,
        Optional<Film> film,
        OptionalDouble widthMm,
        OptionalInt lastsDays,
        int leadDays,
        String place,
        List<Part> mix) {

    /** Sorts of vinyl. */
    public enum Film {
        PERMANENT("permanent"),
        REMOVABLE("removable"),
        METALLIC("metallic, permanent"),
        TEXTURED("textured, permanent");

        private final String word;

        Film(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** A part of a mix. */
    public record Part(String name, String colour, double share) {}

    public static final int LONGEST_NAME = 60;

    public Material {
        Faults faults = new Faults();
        faults.require(!name.isBlank(), "name", "A material needs a name, such as Fine gold.");
        faults.require(
                name.length() <= LONGEST_NAME, "name", "The name is longer than %d letters.".formatted(LONGEST_NAME));
        faults.require(colour.matches("#[0-9a-f]{6}"), "colour", "A colour is # and six digits, such as #c9a227.");
        flakeMm.ifPresent(size -> faults.within("flakeMm", "The flake size", size, 0.02, 10, "mm"));
        widthMm.ifPresent(width -> faults.within("widthMm", "The width", width, 10, 2000, "mm"));
        lastsDays.ifPresent(days -> faults.within("lastsDays", "The days it lasts", days, 1, 7300, "days"));
        faults.within("leadDays", "The days until it is here", leadDays, 0, 180, "days");
        faults.require(
                kind != MaterialKind.VINYL || film.isPresent(),
                "film",
                "Say whether the vinyl is permanent or removable: the two must never be mixed up.");
        faults.throwIfAny();
        film = kind == MaterialKind.VINYL ? film : Optional.empty();
        flakeMm = kind == MaterialKind.GLITTER ? flakeMm : OptionalDouble.empty();
        mix = List.copyOf(mix);
    }

    public boolean isRemovable() {
        return film.filter(Film.REMOVABLE::equals).isPresent();
    }

    /** Days it lasts from when it was bought, 0 if it does not age. */
    public int days() {
        return lastsDays.orElse(kind.lastsDays());
    }

    /**
     * Whether two vinyls could be mixed up: one removable, one not, and of colours an eye in a hurry takes for one. The
     * distance is CIE 1976 ΔE in L*a*b*; under {@value Colours#ALIKE} they are close, from memory.
     */
    public boolean isConfusedWith(Material other) {
        return id != other.id
                && kind == MaterialKind.VINYL
                && other.kind == MaterialKind.VINYL
                && isRemovable() != other.isRemovable()
                && Colours.distance(colour, other.colour) < Colours.ALIKE;
    }
}

package nursery.core.resin;

import java.time.Instant;
import java.util.Optional;
import nursery.core.measure.Editions;

/**
 * A resin with the name the maker knows it by.
 *
 * @param editions what was copied from its label, and put right or learned since
 * @param version counts its changes, so that two makers do not overwrite each other
 */
public record Resin(long id, String name, Editions<Copy> editions, int version) {

    /**
     * A label as it was copied down.
     *
     * @param printed as it stands on the bottle
     * @param found what this shop's touch tests say instead, once it is taken over
     * @param source where its figures come from, in words
     */
    public record Copy(Label printed, Optional<Found> found, String source) {

        /** What the cure clock goes by. */
        public Label label() {
            return found.map(here -> printed.found(here.speed(), here.activationKjPerMol()))
                    .orElse(printed);
        }
    }

    /**
     * What touch tests said.
     *
     * @param speed how much faster than the label
     * @param observations how many touches it rested on
     */
    public record Found(double speed, double activationKjPerMol, int observations) {}

    /** A resin whose label is known once and for all. */
    public static Resin of(long id, String name, Label label) {
        return new Resin(id, name, Editions.first(new Copy(label, Optional.empty(), ""), Instant.EPOCH, ""), 0);
    }

    /** What the clock goes by for whatever is poured now. */
    public Label label() {
        return copy().label();
    }

    public Copy copy() {
        return editions.current().value();
    }

    public int edition() {
        return editions.current().number();
    }

    /** What the clock goes by for what was poured by an edition, with all that was put right until a moment. */
    public Label labelOf(int edition, Instant until) {
        return editions.asKnown(edition, until).label();
    }
}

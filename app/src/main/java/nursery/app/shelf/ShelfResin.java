package nursery.app.shelf;

import java.time.Instant;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.resin.Label;

/**
 * A resin with the name the maker knows it by.
 *
 * @param label  as printed
 * @param found  what was taken over of what was learned here, if anything
 * @param source where its figures come from, in words
 */
@Published
public record ShelfResin(long id, String name, Label label, String source, int version, Optional<Found> found) {

    /**
     * What the shop took over of what its touch tests say.
     *
     * @param speed        how much faster than the label
     * @param observations how many touches it rested on
     */
    @Published
    public record Found(double speed, double activationKjPerMol, int observations, Instant acceptedAt, String acceptedBy) {}

    /** The label the cure clock goes by: as printed, or as found here. */
    public Label cureLabel() {
        return found.map(here -> label.found(here.speed(), here.activationKjPerMol())).orElse(label);
    }

    ShelfResin with(Optional<Found> here) {
        return new ShelfResin(id, name, label, source, version, here);
    }
}

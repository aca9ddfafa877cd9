package nursery.app.floor;

import java.util.List;
import java.util.Optional;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Placing;
import nursery.core.log.Spindle;

/** Where a coat turns, as a form asks it: a spindle, or none if it hangs or is turned by hand. */
@Published
public final class SpindleField {

    /** Where nothing is offered, and the maker has to say. */
    public static final String NOT_CHOSEN = "?";

    private static final String FIELD = "spindle";

    private SpindleField() {}

    /** What is offered for a cup's next coat: nothing where it ought to turn and no spindle is free. */
    public static String offered(CupNow cup, Floor floor) {
        Placing placing = floor.placing(List.of(cup));
        return placing.on(cup)
                .map(spindle -> String.valueOf(spindle.id()))
                .orElse(placing.waiting().isEmpty() ? "" : NOT_CHOSEN);
    }

    /** What was chosen; empty if it hangs or is turned by hand. */
    public static Optional<Spindle> read(FormReader reader, Floor floor) {
        String chosen = reader.raw(FIELD);
        if (chosen.isEmpty()) {
            return Optional.empty();
        }
        Optional<Spindle> spindle = floor.shelf().spindles().stream()
                .filter(found -> String.valueOf(found.id()).equals(chosen))
                .findFirst();
        reader.faults()
                .require(
                        spindle.isPresent(),
                        FIELD,
                        chosen.equals(NOT_CHOSEN)
                                ? "No spindle is free: say where it goes, on one of them or hung or by hand."
                                : "That spindle is not on the shelf any more: choose another.");
        return spindle;
    }
}

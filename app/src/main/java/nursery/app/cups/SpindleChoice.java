package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.platform.Show;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.log.Spindle;

/**
 * A spindle to choose, and what is on it.
 *
 * @param taken which cup is on it and until when, empty if it is free
 */
record SpindleChoice(Spindle spindle, Optional<String> taken) {

    static List<SpindleChoice> of(Floor floor, Show show) {
        return floor.shelf().spindles().stream()
                .map(spindle -> new SpindleChoice(spindle, floor.on(spindle).map(cup -> taken(cup, show))))
                .toList();
    }

    private static String taken(CupNow cup, Show show) {
        return cup.code()
                + cup.state()
                        .hold()
                        .filter(hold -> hold.mayComeOffAt().isAfter(show.now()))
                        .map(hold -> " until " + show.at(hold.mayComeOffAt()))
                        .orElse(" may come off");
    }
}

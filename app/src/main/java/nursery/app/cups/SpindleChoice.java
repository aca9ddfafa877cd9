package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.platform.Show;
import nursery.core.log.Spindle;

/**
 * A spindle to choose, and what is on it.
 *
 * @param taken which cup is on it and until when, empty if it is free
 */
record SpindleChoice(Spindle spindle, Optional<String> taken) {

    static List<SpindleChoice> of(List<Spindle> spindles, List<CupOnBench> cups, Show show) {
        return spindles.stream().map(spindle -> new SpindleChoice(spindle, cups.stream()
                .filter(cup -> cup.state().hold().filter(hold -> hold.spindle().equals(spindle)).isPresent())
                .map(cup -> taken(cup, show)).findFirst())).toList();
    }

    private static String taken(CupOnBench cup, Show show) {
        return cup.cup().code() + cup.state().hold().filter(hold -> hold.mayComeOffAt().isAfter(show.now()))
                .map(hold -> " until " + show.at(hold.mayComeOffAt())).orElse(" may come off");
    }
}

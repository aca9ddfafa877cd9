package nursery.core.cup;

import java.util.List;

/** The side of a cup seen from beside it, from base to rim. Every form is a stack of frusta between its stations. */
public sealed interface Outline permits Straight, Tapered, Turned {

    /** From base to rim; the first is at height 0, and there are at least two. */
    List<Station> stations();

    default double heightMm() {
        return stations().get(stations().size() - 1).heightMm();
    }

    default double baseCircumferenceMm() {
        return stations().get(0).circumferenceMm();
    }

    default double rimCircumferenceMm() {
        return stations().get(stations().size() - 1).circumferenceMm();
    }

    default double widestRadiusMm() {
        return stations().stream().mapToDouble(Station::radiusMm).max().orElseThrow();
    }
}

package nursery.core.cup;

import java.util.List;

/** Any round cup, as a list of heights and the circumferences measured there, from base to rim. */
public record Turned(List<Station> stations) implements Outline {

    public Turned {
        stations = List.copyOf(stations);
        OutlineLimits.check(stations, OutlineLimits.TURNED_FIELDS);
    }
}

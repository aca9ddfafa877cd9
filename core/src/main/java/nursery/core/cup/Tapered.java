package nursery.core.cup;

import java.util.List;

/** A cup that widens or narrows evenly from base to rim: one frustum. */
public record Tapered(double heightMm, double baseCircumferenceMm, double rimCircumferenceMm) implements Outline {

    public Tapered {
        OutlineLimits.check(stations(heightMm, baseCircumferenceMm, rimCircumferenceMm), OutlineLimits.TAPERED_FIELDS);
    }

    @Override
    public List<Station> stations() {
        return stations(heightMm, baseCircumferenceMm, rimCircumferenceMm);
    }

    private static List<Station> stations(double heightMm, double baseMm, double rimMm) {
        return List.of(new Station(0, baseMm), new Station(heightMm, rimMm));
    }
}

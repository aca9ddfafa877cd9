package nursery.core.cup;

import java.util.List;

/** A cup as wide at the rim as at the base. */
public record Straight(double heightMm, double circumferenceMm) implements Outline {

    public Straight {
        OutlineLimits.check(stations(heightMm, circumferenceMm), OutlineLimits.STRAIGHT_FIELDS);
    }

    @Override
    public List<Station> stations() {
        return stations(heightMm, circumferenceMm);
    }

    private static List<Station> stations(double heightMm, double circumferenceMm) {
        return List.of(new Station(0, circumferenceMm), new Station(heightMm, circumferenceMm));
    }
}

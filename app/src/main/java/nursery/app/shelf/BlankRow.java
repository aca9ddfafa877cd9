package nursery.app.shelf;

import java.util.List;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.cup.Turned;
import org.jspecify.annotations.Nullable;

/** A blank as the table keeps it; its stations are rows of their own. */
record BlankRow(@Nullable Long id, String name, String form, boolean baseCoated, double rimBareMm, double baseBareMm,
        double handleGapMm, @Nullable Double nominalOz, int version) {

    static BlankRow of(@Nullable Long id, String name, Blank blank, int version) {
        return new BlankRow(id, name, formOf(blank.outline()), blank.baseCoated(), blank.rimBareMm(), blank.baseBareMm(), blank.handleGapMm(),
                blank.nominalOz().isPresent() ? blank.nominalOz().getAsDouble() : null, version);
    }

    static String formOf(Outline outline) {
        if (outline instanceof Straight) {
            return "STRAIGHT";
        }
        return outline instanceof Tapered ? "TAPERED" : "TURNED";
    }

    ShelfBlank with(List<Station> stations) {
        Outline outline = outline(form, stations);
        OptionalDouble size = nominalOz == null ? OptionalDouble.empty() : OptionalDouble.of(nominalOz);
        return new ShelfBlank(id == null ? 0 : id, name, new Blank(outline, baseCoated, rimBareMm, baseBareMm, handleGapMm, size), version);
    }

    private static Outline outline(String form, List<Station> stations) {
        Station base = stations.get(0);
        Station rim = stations.get(stations.size() - 1);
        return switch (form) {
            case "STRAIGHT" -> new Straight(rim.heightMm(), rim.circumferenceMm());
            case "TAPERED" -> new Tapered(rim.heightMm(), base.circumferenceMm(), rim.circumferenceMm());
            default -> new Turned(stations);
        };
    }
}

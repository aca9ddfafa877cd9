package nursery.app.api;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.RoomPlan;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Spread;

/**
 * A room as it was read until a moment, and as it is expected from there on.
 *
 * @param readings what counts of what was sent
 * @param course the history, and the forecast behind it
 */
record KnownRoom(Instant asOf, List<RoomReading> readings, RoomCourse history, RoomCourse course, Spread spread) {

    /** @return empty if something is wrong, with its fault noted */
    static Optional<KnownRoom> of(
            JsonFields fields, String field, List<RoomReading> sent, Optional<Instant> asOf, ZoneId zone) {
        List<RoomReading> known = sent.stream()
                .filter(reading -> asOf.isEmpty() || !reading.at().isAfter(asOf.get()))
                .sorted(Comparator.comparing(RoomReading::at))
                .toList();
        fields.faults()
                .require(
                        sent.isEmpty() || !known.isEmpty(),
                        field,
                        "No reading lies before asOf: nothing is known of the room then.");
        return known.isEmpty() ? Optional.empty() : asOf.map(moment -> of(known, moment, zone));
    }

    private static KnownRoom of(List<RoomReading> known, Instant asOf, ZoneId zone) {
        RoomCourse history = new RoomCourse(RoomCourse.withoutSpikes(known));
        Forecast forecast = RoomPlan.STARTING.forecast();
        return new KnownRoom(
                asOf, known, history, forecast.continuing(history, asOf, zone), forecast.spread(history, zone));
    }
}

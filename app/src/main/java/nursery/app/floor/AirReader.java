package nursery.app.floor;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import nursery.app.floor.FloorMapper.StampRow;
import nursery.app.floor.RoomReadMapper.ReadRow;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.floor.Air;
import org.springframework.stereotype.Component;

/**
 * The room as it was read lately, and what is expected of it; read on only when there are new readings, expected anew
 * every few minutes.
 */
@Component
class AirReader {

    /** A coat older than this is cured whatever the room was. */
    private static final Duration REMEMBERED = Duration.ofDays(90);
    /** A forecast is worth this long; then it is worked out anew. */
    private static final Duration FORECAST_LASTS = Duration.ofMinutes(5);

    private static final Instant NEVER = Instant.parse("9999-01-01T00:00:00Z");

    private final RoomReadMapper mapper;
    private final Map<String, Known> histories = new ConcurrentHashMap<>();
    private final Map<String, Expected> forecasts = new ConcurrentHashMap<>();

    AirReader(RoomReadMapper mapper) {
        this.mapper = mapper;
    }

    private record Known(long stamp, Instant from, List<ReadRow> rows, RoomCourse course) {
        long newestId() {
            return rows.stream().mapToLong(ReadRow::id).max().orElse(0);
        }
    }

    private record Expected(RoomCourse history, Instant from, RoomPlan plan, ZoneId zone, Air air) {}

    static RoomPlan plan(StampRow row) {
        return row.curePlace() == null || row.forecast() == null || row.heating() == null
                ? RoomPlan.STARTING
                : new RoomPlan(
                        row.curePlace(),
                        RoomPlan.Way.valueOf(row.forecast()),
                        row.steadyC() == null ? OptionalDouble.empty() : OptionalDouble.of(row.steadyC()),
                        row.heating());
    }

    Air air(StampRow stamps, ZoneId zone, Instant now) {
        RoomPlan plan = plan(stamps);
        Known known = history(plan.curePlace(), stamps.room(), now);
        RoomCourse history = known.course();
        Instant period = Instant.ofEpochSecond(
                Math.floorDiv(now.getEpochSecond(), FORECAST_LASTS.toSeconds()) * FORECAST_LASTS.toSeconds());
        Instant from = history.lastReadingAt().isAfter(period) ? history.lastReadingAt() : period;
        Expected kept = forecasts.get(plan.curePlace());
        if (kept == null
                || kept.history() != history
                || !kept.from().equals(from)
                || !kept.plan().equals(plan)
                || !kept.zone().equals(zone)) {
            Optional<Instant> lastReadAt =
                    known.rows().isEmpty() ? Optional.empty() : Optional.of(history.lastReadingAt());
            Forecast forecast = plan.forecast();
            Air air = new Air(
                    forecast.continuing(history, from, zone),
                    forecast.spread(history, zone),
                    lastReadAt,
                    lastReadAt.filter(at -> Forecast.isSilent(history, from)));
            kept = new Expected(history, from, plan, zone, air);
            forecasts.put(plan.curePlace(), kept);
        }
        return kept.air();
    }

    /** What was read at a place; assumed steady until the first reading. */
    private Known history(String place, long stamp, Instant now) {
        Instant from = now.minus(REMEMBERED).truncatedTo(ChronoUnit.DAYS);
        Known known = histories.get(place);
        if (known == null || from.isBefore(known.from())) {
            known = known(stamp, from, mapper.between(place, from, NEVER));
            Undone.then(histories::clear);
        } else if (known.stamp() != stamp) {
            known = readOn(known, stamp, from, place);
            Undone.then(histories::clear);
        }
        histories.put(place, known);
        return known;
    }

    private Known readOn(Known known, long stamp, Instant from, String place) {
        List<ReadRow> since = mapper.since(place, known.newestId());
        List<ReadRow> fresh = since.stream()
                .filter(row -> row.id() > known.newestId() && !row.at().isBefore(known.from()))
                .toList();
        // What is known already must still be there: a shop put back from a copy has other readings.
        boolean stillThere = since.stream().anyMatch(row -> row.id() == known.newestId());
        if (!stillThere
                || !fresh.isEmpty()
                        && !fresh.get(0)
                                .at()
                                .isAfter(known.rows()
                                        .get(known.rows().size() - 1)
                                        .at())) {
            return known(stamp, from, mapper.between(place, from, NEVER));
        }
        if (fresh.isEmpty()) {
            return new Known(stamp, known.from(), known.rows(), known.course());
        }
        List<ReadRow> all = new ArrayList<>(known.rows());
        all.addAll(fresh);
        return known(stamp, known.from(), all);
    }

    private static Known known(long stamp, Instant from, List<ReadRow> rows) {
        return new Known(stamp, from, rows, course(rows));
    }

    private static RoomCourse course(List<ReadRow> rows) {
        List<RoomReading> readings =
                RoomCourse.withoutSpikes(rows.stream().map(ReadRow::reading).toList());
        return readings.isEmpty() ? RoomCourse.steady(RoomPlan.ASSUMED_C) : new RoomCourse(readings);
    }

    /** The room over a cup's own life, long ago. */
    RoomCourse then(String place, Instant from, Instant until) {
        return course(mapper.between(place, from, until));
    }
}

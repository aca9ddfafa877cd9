package nursery.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomReading;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A room's temperature as it is sent. */
record ReadingRequest(
        @Schema(type = "string", format = "date-time", example = "2026-03-01T18:00:00Z") @Nullable JsonNode at,
        @Schema(type = "number", description = "°C, -30 to 60", example = "20.0") @Nullable JsonNode temperatureC) {

    private static final int MOST = 200_000;

    static List<RoomReading> all(JsonFields fields, @Nullable List<@Nullable ReadingRequest> requested) {
        return all(fields, "readings", requested);
    }

    /** @param named where in the request they stand */
    static List<RoomReading> all(JsonFields fields, String named, @Nullable List<@Nullable ReadingRequest> requested) {
        if (requested == null || requested.isEmpty() || requested.size() > MOST) {
            fields.faults().add(named, "readings must hold 1 to %d room temperatures.".formatted(MOST));
            return List.of();
        }
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i < requested.size(); i++) {
            ReadingRequest reading = requested.get(i);
            String place = "%s[%d]".formatted(named, i);
            Optional<Instant> at = fields.moment(place + ".at", reading == null ? null : reading.at());
            double celsius = fields.number(place + ".temperatureC", reading == null ? null : reading.temperatureC());
            if (at.isPresent() && !Double.isNaN(celsius)) {
                fields.faults()
                        .attempt(place + ".temperatureC", () -> new RoomReading(at.get(), celsius))
                        .ifPresent(readings::add);
            }
        }
        return readings;
    }
}

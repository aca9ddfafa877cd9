package nursery.app.room;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nursery.app.platform.Moments;
import nursery.core.cure.RoomReading;
import nursery.core.measure.Dates;
import nursery.core.measure.Faults;
import nursery.core.measure.TemperatureUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Where a home sensor writes the room's readings, with a token of its own. */
@RestController
@Tag(name = "Room", description = "Readings of temperature and humidity")
class SensorApi {

    private static final int MOST_READINGS = 5000;
    private static final String BEARER = "Bearer ";
    /** A sensor's clock may run a little ahead of the shop's. */
    private static final Duration CLOCK_SLACK = Duration.ofMinutes(5);

    private final RoomBook room;
    private final Moments moments;

    SensorApi(RoomBook room, Moments moments) {
        this.room = room;
        this.moments = moments;
    }

    record SensorReading(
            @Schema(description = "When it was read, in UTC; now if left out", example = "2026-03-01T18:00:00Z")
                    @Nullable
                    String at,
            @Schema(description = "°C, from −30 to 60; or temperatureF") @Nullable Double temperatureC,
            @Schema(description = "°F; or temperatureC") @Nullable Double temperatureF,
            @Schema(description = "Relative humidity, above 1 and at most 100 %; may be left out") @Nullable
                    Double humidityPercent) {}

    record Taken(int added, int known) {}

    @PostMapping("/api/room/readings")
    @Operation(
            summary = "Write readings",
            description =
                    "The token says for which place. What is known already for that moment is left as it is, so a "
                            + "reading may be sent twice. Of a request with a wrong reading none counts.")
    ResponseEntity<Object> readings(
            @RequestHeader(name = "Authorization", required = false) @Nullable String authorization,
            @RequestBody List<@Nullable SensorReading> sent) {
        java.util.Optional<String> place = authorization == null || !authorization.startsWith(BEARER)
                ? java.util.Optional.empty()
                : room.placeOf(authorization.substring(BEARER.length()).strip());
        if (place.isEmpty()) {
            return ResponseEntity.status(HttpStatus.UNAUTHORIZED)
                    .header("WWW-Authenticate", "Bearer")
                    .body(ProblemDetail.forStatusAndDetail(
                            HttpStatus.UNAUTHORIZED,
                            "This needs a sensor's token, as “Authorization: Bearer …”: make one on the "
                                    + "room's page. A revoked one does not count."));
        }
        List<RoomReading> readings = read(sent);
        int added = room.add(place.get(), readings, "sensor");
        return ResponseEntity.ok(new Taken(added, readings.size() - added));
    }

    private List<RoomReading> read(List<@Nullable SensorReading> sent) {
        Faults faults = new Faults();
        faults.require(
                !sent.isEmpty() && sent.size() <= MOST_READINGS,
                "readings",
                "Send from 1 to %d readings at once.".formatted(MOST_READINGS));
        faults.throwIfAny();
        List<RoomReading> readings = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            String at = "[%d]".formatted(i);
            SensorReading reading = sent.get(i);
            faults.attempt(at, () -> one(reading)).ifPresent(readings::add);
        }
        faults.throwIfAny();
        return readings;
    }

    private RoomReading one(@Nullable SensorReading reading) {
        if (reading == null || (reading.temperatureC() == null) == (reading.temperatureF() == null)) {
            throw new IllegalArgumentException("A reading needs either temperatureC or temperatureF.");
        }
        Instant at = reading.at() == null ? moments.now() : moment(reading.at());
        if (at.isAfter(moments.now().plus(CLOCK_SLACK))) {
            throw new IllegalArgumentException("%s is still to come: set the sensor's clock.".formatted(at));
        }
        double celsius = reading.temperatureC() != null
                ? reading.temperatureC()
                : TemperatureUnit.F.toBase(java.util.Objects.requireNonNull(reading.temperatureF()));
        return new RoomReading(
                at,
                celsius,
                reading.humidityPercent() == null
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(reading.humidityPercent()));
    }

    private static Instant moment(String written) {
        try {
            return Dates.possible(Instant.parse(written));
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "“%s” is not a moment: write it in UTC, as 2026-03-01T18:00:00Z.".formatted(written), e);
        }
    }
}

package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Forecast", description = "What a room is expected to do")
class ForecastApi {

    private static final int MOST_POINTS = 5000;

    record ForecastRequest(
            @ArraySchema(minItems = 1) @Nullable List<@Nullable ReadingRequest> readings,
            @Schema(
                            type = "string",
                            format = "date-time",
                            description = "Nothing read after this is known",
                            example = "2026-03-08T18:00:00Z",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode asOf,
            @ArraySchema(
                            minItems = 1,
                            maxItems = MOST_POINTS,
                            schema = @Schema(type = "string", format = "date-time", example = "2026-03-09T18:00:00Z"))
                    @Nullable
                    List<@Nullable JsonNode> at) {}

    /** @param lowC together with highC the range that holds the truth four times in five */
    record PointAnswer(Instant at, double temperatureC, double lowC, double highC) {}

    /**
     * @param coldestC the coldest the ranges go by: a first colder night is further off
     * @param doubt what the ranges cannot hold, where the room is hardly known
     */
    record ForecastAnswer(List<PointAnswer> points, double coldestC, @Nullable String doubt) {}

    private final Floors floors;

    ForecastApi(Floors floors) {
        this.floors = floors;
    }

    @PostMapping("/api/forecast")
    @Operation(
            summary = "A room ahead, as on its last days",
            description =
                    "The mean of the last days at the same time of day in the shop's zone, with what weekends differ "
                            + "by and what it becomes colder or warmer by from day to day, from what it is now; "
                            + "the range comes from how far the same forecast missed before; a first night colder than "
                            + "coldestC is further off. Changes nothing.")
    ForecastAnswer forecast(@RequestBody ForecastRequest request) {
        JsonFields fields = new JsonFields();
        List<RoomReading> readings = ReadingRequest.all(fields, request.readings());
        Optional<Instant> asOf = fields.moment("asOf", request.asOf());
        List<Instant> wanted = moments(fields, request.at());
        Optional<KnownRoom> room =
                KnownRoom.of(fields, "readings", readings, asOf, floors.ways().zone());
        Instant latest = asOf.map(moment -> moment.plus(Forecast.HORIZON)).orElse(Instant.MAX);
        for (int i = 0; i < wanted.size(); i++) {
            fields.faults()
                    .require(
                            !wanted.get(i).isAfter(latest),
                            "at[%d]".formatted(i),
                            "That is more than %d days ahead: nobody foretells a room so far."
                                    .formatted(Forecast.HORIZON.toDays()));
        }
        fields.faults().throwIfAny();
        return answer(room.orElseThrow(), wanted);
    }

    private static ForecastAnswer answer(KnownRoom room, List<Instant> wanted) {
        RoomCourse history = room.history();
        List<PointAnswer> points = wanted.stream()
                .map(at -> {
                    double celsius = room.course().temperatureCAt(at);
                    Duration lead = Duration.between(history.lastReadingAt(), at);
                    double off =
                            at.isAfter(history.lastReadingAt()) ? room.spread().widthC(lead) : 0;
                    return new PointAnswer(at, celsius, celsius - off, celsius + off);
                })
                .toList();
        return new ForecastAnswer(
                points,
                room.readings().stream()
                        .mapToDouble(RoomReading::temperatureC)
                        .min()
                        .orElse(Double.NaN),
                Forecast.doubt(history.firstReadingAt(), history.lastReadingAt())
                        .orElse(null));
    }

    private static List<Instant> moments(JsonFields fields, @Nullable List<@Nullable JsonNode> requested) {
        if (requested == null || requested.isEmpty() || requested.size() > MOST_POINTS) {
            fields.faults().add("at", "at must hold 1 to %d moments.".formatted(MOST_POINTS));
            return List.of();
        }
        List<Instant> moments = new ArrayList<>();
        for (int i = 0; i < requested.size(); i++) {
            fields.moment("at[%d]".formatted(i), requested.get(i)).ifPresent(moments::add);
        }
        return moments;
    }
}

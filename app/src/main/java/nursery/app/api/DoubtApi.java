package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.core.cure.CureClock;
import nursery.core.cure.Forecast;
import nursery.core.cure.PossibleRooms;
import nursery.core.plan.Doubt;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Doubt", description = "How surely cups are ready in time")
class DoubtApi {

    private static final int MOST_CUPS = 500;
    private static final int MOST_COATS = 100;
    private static final double LONGEST_H = 2000;
    private static final double NINE_IN_TEN = 0.9;

    record CupRequest(
            @ArraySchema(
                            minItems = 1,
                            maxItems = MOST_COATS,
                            schema = @Schema(type = "number", example = "72"),
                            arraySchema =
                                    @Schema(
                                            description = "What each of its coats still needs, hours at label speed "
                                                    + "counted from asOf, 0 to 2000; ready when all have it"))
                    @Nullable
                    List<@Nullable JsonNode> readyHours,
            @Schema(
                            type = "string",
                            format = "date-time",
                            description = "When it is promised; left out, only at90 is answered",
                            example = "2026-03-09T18:00:00Z")
                    @Nullable
                    JsonNode dueAt) {}

    record RoomRequest(@ArraySchema(minItems = 1) @Nullable List<@Nullable ReadingRequest> readings) {}

    record DoubtRequest(
            @ArraySchema(minItems = 1, maxItems = MOST_CUPS) @Nullable List<@Nullable CupRequest> cups,
            @Nullable RoomRequest room,
            @Schema(
                            type = "string",
                            format = "date-time",
                            description = "Nothing read after this is known",
                            example = "2026-03-06T18:00:00Z",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode asOf,
            @Schema(type = "number", description = "Temperature label speed is for, °C, 5 to 45; 22 if left out")
                    @Nullable
                    JsonNode referenceC,
            @Schema(type = "number", description = "Activation energy, kJ/mol, 0 to 200; 50 if left out") @Nullable
                    JsonNode activationKjPerMol) {}

    /**
     * @param inTime the chance that it is ready when promised, 0 to 1
     * @param at90 when it is ready with nine chances in ten
     */
    record CupAnswer(@Nullable Double inTime, Instant at90) {}

    /** @param doubt what no chance can hold, because the room is hardly known or was never like this */
    record DoubtAnswer(List<CupAnswer> cups, @Nullable String doubt) {}

    private record Wanted(double hours, Optional<Instant> dueAt) {}

    private final Floors floors;

    DoubtApi(Floors floors) {
        this.floors = floors;
    }

    @PostMapping("/api/doubt")
    @Operation(
            summary = "How surely cups are ready in time",
            description =
                    "Each cup cures in 500 rooms that may come, as far from the room expected as the same forecast was "
                            + "before; the chance is the part of them in which it is ready in time. Only the room is "
                            + "doubted. Changes nothing.")
    DoubtAnswer doubt(@RequestBody DoubtRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Instant> asOf = fields.moment("asOf", request.asOf());
        double referenceC = fields.numberOr(
                "referenceC",
                request.referenceC(),
                StartingProfile.REGULAR.label().referenceC());
        fields.faults().within("referenceC", "The reference temperature", referenceC, 5, 45, "°C");
        double activation = fields.numberOr(
                "activationKjPerMol", request.activationKjPerMol(), Label.DEFAULT_ACTIVATION_KJ_PER_MOL);
        fields.faults().within("activationKjPerMol", "The activation energy", activation, 0, 200, "kJ/mol");
        List<Wanted> cups = cups(fields, request.cups());
        Optional<KnownRoom> room = KnownRoom.of(
                fields,
                "room.readings",
                ReadingRequest.all(
                        fields,
                        "room.readings",
                        request.room() == null ? null : request.room().readings()),
                asOf,
                floors.ways().zone());
        fields.faults().throwIfAny();
        return answer(room.orElseThrow(), new CureClock(referenceC, activation), cups);
    }

    private static DoubtAnswer answer(KnownRoom room, CureClock clock, List<Wanted> cups) {
        Instant last = room.history().lastReadingAt();
        PossibleRooms rooms =
                PossibleRooms.of(room.course(), room.spread(), last, room.asOf(), Doubt.WORLDS, Doubt.SEED);
        Instant first = room.history().firstReadingAt();
        return new DoubtAnswer(
                cups.stream()
                        .map(cup -> answer(rooms.whenReached(clock, cup.hours()), cup))
                        .toList(),
                Stream.of(Forecast.strange(room.course(), first, room.asOf()), Forecast.doubt(first, last))
                        .flatMap(Optional::stream)
                        .findFirst()
                        .orElse(null));
    }

    private static CupAnswer answer(List<Instant> ready, Wanted cup) {
        Double inTime = cup.dueAt()
                .map(due -> ready.stream().filter(at -> !at.isAfter(due)).count() / (double) ready.size())
                .orElse(null);
        return new CupAnswer(inTime, ready.get((int) Math.ceil(NINE_IN_TEN * ready.size()) - 1));
    }

    private static List<Wanted> cups(JsonFields fields, @Nullable List<@Nullable CupRequest> requested) {
        if (requested == null || requested.isEmpty() || requested.size() > MOST_CUPS) {
            fields.faults().add("cups", "cups must hold 1 to %d cups.".formatted(MOST_CUPS));
            return List.of();
        }
        List<Wanted> cups = new ArrayList<>();
        for (int i = 0; i < requested.size(); i++) {
            CupRequest cup = requested.get(i);
            String place = "cups[%d]".formatted(i);
            double hours = hours(fields, place + ".readyHours", cup == null ? null : cup.readyHours());
            JsonNode due = cup == null ? null : cup.dueAt();
            cups.add(new Wanted(
                    hours, due == null || due.isNull() ? Optional.empty() : fields.moment(place + ".dueAt", due)));
        }
        return cups;
    }

    private static double hours(JsonFields fields, String place, @Nullable List<@Nullable JsonNode> requested) {
        if (requested == null || requested.isEmpty() || requested.size() > MOST_COATS) {
            fields.faults().add(place, "%s must hold the hours of 1 to %d coats.".formatted(place, MOST_COATS));
            return 0;
        }
        double longest = 0;
        for (int i = 0; i < requested.size(); i++) {
            String field = "%s[%d]".formatted(place, i);
            double hours = fields.number(field, requested.get(i));
            if (!Double.isNaN(hours)) {
                fields.faults().within(field, "What a coat still needs", hours, 0, LONGEST_H, "h");
                longest = Math.max(longest, hours);
            }
        }
        return longest;
    }
}

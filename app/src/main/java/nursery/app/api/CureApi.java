package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.CureClock;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.resin.Label;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Cure", description = "The clock a coat cures by")
class CureApi {

    record CureRequest(
            @Schema(
                            type = "number",
                            description = "Temperature the label's times hold for, °C, 5 to 45",
                            example = "24",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode referenceC,
            @Schema(
                            type = "number",
                            description = "Activation energy, kJ/mol, 0 to 200; 50 if left out",
                            example = "50")
                    @Nullable
                    JsonNode activationKjPerMol,
            @ArraySchema(minItems = 1) @Nullable List<@Nullable ReadingRequest> readings,
            @Schema(
                            type = "string",
                            format = "date-time",
                            example = "2026-03-01T18:00:00Z",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode from,
            @Schema(
                            type = "string",
                            format = "date-time",
                            example = "2026-03-02T18:00:00Z",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode until) {}

    record CureAnswer(double equivalentAgeHours) {}

    @PostMapping("/api/cure")
    @Operation(
            summary = "Equivalent age over a room's history",
            description = "Hours at the reference temperature that the span is worth (maturity method, ASTM C1074, "
                    + "Arrhenius rate). Temperature is linear between readings, held flat before the first "
                    + "and after the last. Changes nothing.")
    CureAnswer cure(@RequestBody CureRequest request) {
        JsonFields fields = new JsonFields();
        double referenceC = fields.number("referenceC", request.referenceC());
        double activation = fields.numberOr(
                "activationKjPerMol", request.activationKjPerMol(), Label.DEFAULT_ACTIVATION_KJ_PER_MOL);
        if (!Double.isNaN(referenceC)) {
            fields.faults().within("referenceC", "The reference temperature", referenceC, 5, 45, "°C");
        }
        if (!Double.isNaN(activation)) {
            fields.faults().within("activationKjPerMol", "The activation energy", activation, 0, 200, "kJ/mol");
        }
        List<RoomReading> readings = ReadingRequest.all(fields, request.readings());
        Optional<Instant> from = fields.moment("from", request.from());
        Optional<Instant> until = fields.moment("until", request.until());
        fields.faults()
                .require(
                        from.isEmpty() || until.isEmpty() || !until.get().isBefore(from.get()),
                        "until",
                        "until is before from: swap them.");
        fields.faults().throwIfAny();
        return new CureAnswer(new CureClock(referenceC, activation)
                .equivalentAgeHours(new RoomCourse(readings), from.orElseThrow(), until.orElseThrow()));
    }
}

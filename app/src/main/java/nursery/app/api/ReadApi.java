package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.core.floor.Ways;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.MassUnit;
import nursery.core.measure.Reading;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.Unit;
import nursery.core.measure.VolumeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Read", description = "Measures as people write them")
class ReadApi {

    private static final int LONGEST = 200;

    record ReadRequest(
            @Schema(
                            type = "string",
                            description = "A number, fractions and marks between thousands included, and a unit; "
                                    + "without one the shop's own",
                            example = "15/16 in",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode text,
            @Schema(
                            type = "string",
                            allowableValues = {"length", "volume", "mass", "temperature"},
                            example = "length",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode kind) {}

    /** @param unit always the same for a kind: mm, ml, g or °C */
    record ReadAnswer(double value, String unit) {}

    private final Floors floors;

    ReadApi(Floors floors) {
        this.floors = floors;
    }

    @PostMapping("/api/read")
    @Operation(
            summary = "Read a measure as a form reads it",
            description = "What could mean two things is refused with both named. Changes nothing.")
    ReadAnswer read(@RequestBody ReadRequest request) {
        JsonFields fields = new JsonFields();
        String text = fields.text("text", request.text());
        Optional<Kind> kind = Kind.named(fields.text("kind", request.kind()));
        fields.faults()
                .require(
                        request.kind() == null || kind.isPresent(),
                        "kind",
                        "kind must be length, volume, mass or temperature.");
        fields.faults().require(text.length() <= LONGEST, "text", "text is longer than any measure.");
        fields.faults().throwIfAny();
        Unit expected = kind.orElseThrow().inTheShop(floors.ways());
        Optional<Double> value = fields.faults().attempt("text", () -> Reading.parse(text, expected));
        fields.faults().throwIfAny();
        return new ReadAnswer(value.orElseThrow(), kind.orElseThrow().base().symbol());
    }

    private enum Kind {
        LENGTH,
        VOLUME,
        MASS,
        TEMPERATURE;

        static Optional<Kind> named(String written) {
            return java.util.Arrays.stream(values())
                    .filter(kind ->
                            kind.name().toLowerCase(java.util.Locale.ROOT).equals(written))
                    .findFirst();
        }

        Unit base() {
            return switch (this) {
                case LENGTH -> LengthUnit.MM;
                case VOLUME -> VolumeUnit.ML;
                case MASS -> MassUnit.G;
                case TEMPERATURE -> TemperatureUnit.C;
            };
        }

        Unit inTheShop(Ways ways) {
            return switch (this) {
                case LENGTH -> ways.lengthUnit();
                case VOLUME -> ways.volumeUnit();
                case MASS -> MassUnit.G;
                case TEMPERATURE -> ways.temperatureUnit();
            };
        }
    }
}

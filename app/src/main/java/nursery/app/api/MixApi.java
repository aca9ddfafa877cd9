package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.resin.Densities;
import nursery.core.resin.Fills;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.RatioCheck;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Mix", description = "Resin and hardener by ratio")
class MixApi {

    /** Everything is read as it comes, so that a wrong type is named beside the other faults. */
    record MixRequest(
            @Schema(
                            type = "string",
                            description = "Resin to hardener by volume, as the label prints it",
                            example = "2:1",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode ratio,
            @Schema(
                            type = "number",
                            description = "Least amount wanted, ml, above 0 and at most 5000",
                            example = "31",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode totalMl,
            @Schema(
                            type = "number",
                            description = "Distance between the measuring cup's marks, ml, 0.01 to 100; without it "
                                    + "nothing is rounded",
                            example = "1")
                    @Nullable
                    JsonNode markMl,
            @Schema(type = "number", description = "Density of the resin, g/ml, 0.5 to 3", example = "1.15") @Nullable
                    JsonNode densityA,
            @Schema(type = "number", description = "Density of the hardener, g/ml, 0.5 to 3", example = "0.96")
                    @Nullable
                    JsonNode densityB) {}

    /** Grams are there when both densities were given, words where it is measured at a ratio near the one asked for. */
    record MixAnswer(
            double partAMl,
            double partBMl,
            double totalMl,
            @Nullable Double partAGrams,
            @Nullable Double partBGrams,
            @Nullable String words) {}

    @PostMapping("/api/mix")
    @Operation(
            summary = "Split an amount into A and B",
            description =
                    "Rounds the total up to the smallest amount at which A and B both lie on a mark. Where that is "
                            + "over a quarter more than wanted, the nearest ratio within 5 % of hardener that saves "
                            + "as much is measured instead, and words say so. Changes nothing.")
    MixAnswer mix(@RequestBody MixRequest request) {
        JsonFields fields = new JsonFields();
        String written = fields.text("ratio", request.ratio());
        Optional<MixRatio> ratio =
                written.isBlank() ? Optional.empty() : fields.faults().attempt("ratio", () -> MixRatio.parse(written));
        double totalMl = fields.number("totalMl", request.totalMl());
        OptionalDouble markMl = fields.optionalNumber("markMl", request.markMl());
        Optional<Densities> densities = densities(fields, request);
        // Stand-ins for what could not be read, so that the rest is checked too.
        MixRatio anyRatio = ratio.orElse(new MixRatio(1, 1));
        double anyMl = Double.isNaN(totalMl) ? 1 : totalMl;
        Optional<Mix> mix = fields.faults()
                .attempt(
                        "totalMl",
                        () -> markMl.isPresent()
                                ? Mix.onMarks(anyRatio, anyMl, markMl.getAsDouble())
                                : Mix.exactly(anyRatio, anyMl));
        fields.faults().throwIfAny();
        MixRatio measured = markMl.isPresent()
                ? Fills.measured(anyRatio, totalMl, markMl.getAsDouble(), RatioCheck.USUAL_TOLERANCE)
                : anyRatio;
        return measured.equals(anyRatio)
                ? answer(mix.orElseThrow(), densities, Optional.empty())
                : answer(
                        Mix.onMarks(measured, totalMl, markMl.orElseThrow()),
                        densities,
                        Fills.nearly(anyRatio, measured, 100 * RatioCheck.USUAL_TOLERANCE));
    }

    private static Optional<Densities> densities(JsonFields fields, MixRequest request) {
        OptionalDouble a = fields.optionalNumber("densityA", request.densityA());
        OptionalDouble b = fields.optionalNumber("densityB", request.densityB());
        if (a.isPresent() && b.isPresent()) {
            return fields.faults().attempt("densityA", () -> new Densities(a.getAsDouble(), b.getAsDouble()));
        }
        fields.faults()
                .require(
                        a.isPresent() == b.isPresent(),
                        a.isPresent() ? "densityB" : "densityA",
                        "One density alone cannot give the masses: send both or neither.");
        return Optional.empty();
    }

    private static MixAnswer answer(Mix mix, Optional<Densities> densities, Optional<String> words) {
        return new MixAnswer(
                mix.partAMl(),
                mix.partBMl(),
                mix.totalMl(),
                densities.map(mix::partAGrams).orElse(null),
                densities.map(mix::partBGrams).orElse(null),
                words.orElse(null));
    }
}

package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.CoatedArea;
import nursery.core.cup.Station;
import nursery.core.cup.Turned;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Blank", description = "The area of a bare cup")
class BlankApi {

    record StationRequest(
            @Schema(type = "number", description = "Height above the base, mm; the first is 0", example = "0") @Nullable
                    JsonNode heightMm,
            @Schema(type = "number", description = "Circumference there, mm, 50 to 1000", example = "220") @Nullable
                    JsonNode circumferenceMm) {}

    record BlankRequest(
            @ArraySchema(minItems = 2, maxItems = 60) @Nullable List<@Nullable StationRequest> outline,
            @Schema(type = "boolean", description = "Whether the underside is coated; false if left out") @Nullable
                    JsonNode baseCoated,
            @Schema(type = "number", description = "Bare band at the rim, mm along the surface; 0 if left out")
                    @Nullable
                    JsonNode rimBareMm,
            @Schema(
                            type = "number",
                            description = "Bare band at the foot of the side, mm along the surface; 0 if left out")
                    @Nullable
                    JsonNode baseBareMm,
            @Schema(type = "number", description = "Width around the cup that a handle takes, mm; 0 if left out")
                    @Nullable
                    JsonNode handleGapMm) {}

    /** @param doubt what is hard to believe of the measures, such as a diameter sent for a circumference */
    record BlankAnswer(double sideCm2, double baseCm2, double coatedCm2, double slantMm, @Nullable String doubt) {

        static BlankAnswer of(Blank blank) {
            CoatedArea area = blank.area();
            return new BlankAnswer(
                    area.sideCm2(),
                    area.baseCm2(),
                    area.coatedCm2(),
                    area.slantMm(),
                    blank.doubt().orElse(null));
        }
    }

    @PostMapping("/api/blank")
    @Operation(
            summary = "Measure a blank",
            description =
                    "A stack of frusta between the heights given, base to rim. sideCm2 is the whole side, baseCm2 "
                            + "the disc of the base whether coated or not, coatedCm2 what a coat covers, slantMm "
                            + "the length of the side along the surface. doubt is there where the measures are hard "
                            + "to believe. Changes nothing.")
    BlankAnswer blank(@RequestBody BlankRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Blank> blank = blank(fields, "", request);
        fields.faults().throwIfAny();
        return BlankAnswer.of(blank.orElseThrow());
    }

    /** A blank as it is sent, alone or as a part of something. */
    static Optional<Blank> blank(JsonFields fields, String part, @Nullable BlankRequest request) {
        if (request == null) {
            fields.faults().add(part.replace(".", ""), "The blank is missing.");
            return Optional.empty();
        }
        int before = fields.faults().found().size();
        List<Station> stations = stations(fields, part + "outline", request.outline());
        boolean baseCoated = fields.flagOr(part + "baseCoated", request.baseCoated(), false);
        double rimBareMm = fields.numberOr(part + "rimBareMm", request.rimBareMm(), 0);
        double baseBareMm = fields.numberOr(part + "baseBareMm", request.baseBareMm(), 0);
        double handleGapMm = fields.numberOr(part + "handleGapMm", request.handleGapMm(), 0);
        Optional<Turned> outline = fields.faults().found().size() == before || !stations.isEmpty()
                ? fields.faults().attempt(part + "outline", () -> new Turned(stations))
                : Optional.empty();
        return outline.flatMap(side -> fields.faults()
                .attempt(
                        part + "outline",
                        () -> new Blank(side, baseCoated, rimBareMm, baseBareMm, handleGapMm, OptionalDouble.empty())));
    }

    private static List<Station> stations(
            JsonFields fields, String place, @Nullable List<@Nullable StationRequest> outline) {
        if (outline == null) {
            fields.faults().add(place, place + " is missing: a list of heights and circumferences, base to rim.");
            return List.of();
        }
        List<Station> stations = new ArrayList<>();
        int before = fields.faults().found().size();
        for (int i = 0; i < outline.size(); i++) {
            StationRequest station = outline.get(i);
            stations.add(new Station(
                    fields.number("%s[%d].heightMm".formatted(place, i), station == null ? null : station.heightMm()),
                    fields.number(
                            "%s[%d].circumferenceMm".formatted(place, i),
                            station == null ? null : station.circumferenceMm())));
        }
        return fields.faults().found().size() == before ? stations : List.of();
    }
}

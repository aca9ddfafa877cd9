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
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.core.cure.Calibration;
import nursery.core.cure.Calibration.Observation;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Touch;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MixRatio;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Learn", description = "A resin's speed from touches")
class LearnApi {

    private static final Instant POURED = Instant.EPOCH;
    private static final int MOST_TOUCHES = 1000;
    private static final double LONGEST_H = 60 * 24;
    private static final double SECONDS_PER_HOUR = 3600;
    /** How long a coat is workable is not asked for: a share of what follows, as in the starting profile. */
    private static final double WORKABLE_SHARE = 1 / 6.0;

    record LabelRequest(
            @Schema(type = "number", example = "4") @Nullable JsonNode turningH,
            @Schema(type = "number", example = "4") @Nullable JsonNode recoatFromH,
            @Schema(type = "number", example = "12") @Nullable JsonNode recoatUntilH,
            @Schema(type = "number", example = "8") @Nullable JsonNode sandableFromH,
            @Schema(type = "number", example = "12") @Nullable JsonNode sandableSureH,
            @Schema(type = "number", example = "24") @Nullable JsonNode scuffAfterH,
            @Schema(type = "number", example = "24") @Nullable JsonNode curedH,
            @Schema(type = "number", example = "72") @Nullable JsonNode fullCureH,
            @Schema(type = "number", description = "°C, 5 to 45", example = "22") @Nullable JsonNode referenceC,
            @Schema(type = "number", description = "kJ/mol, 0 to 200; 50 if left out", example = "50") @Nullable
                    JsonNode activationKjPerMol) {}

    record TouchRequest(
            @Schema(type = "number", description = "Hours after the pour", example = "3.2") @Nullable JsonNode afterH,
            @Schema(
                            type = "string",
                            allowableValues = {
                                "wet",
                                "strings",
                                "tacky",
                                "firm-with-print",
                                "firm",
                                "sands-to-dust",
                                "gums-the-paper",
                                "sticky-next-day"
                            },
                            example = "tacky")
                    @Nullable
                    JsonNode touch) {}

    record CoatRequest(
            @Schema(type = "number", description = "Room over the coat's life, °C, -30 to 60", example = "21") @Nullable
                    JsonNode temperatureC,
            @ArraySchema(minItems = 0) @Nullable List<@Nullable TouchRequest> touches) {}

    record LearnRequest(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED) @Nullable LabelRequest label,
            @ArraySchema(minItems = 0) @Nullable List<@Nullable CoatRequest> coats) {}

    /** @param differs whether the 95 % interval of the speed leaves the label's own out */
    record LearnAnswer(
            double speed, double speedLow, double speedHigh, double activationKjPerMol, int slips, boolean differs) {}

    @PostMapping("/api/learn")
    @Operation(
            summary = "How fast a resin really is",
            description = "Interval-censored touches; those on one coat share what that coat has of its own. "
                    + "speedLow and speedHigh are a 95 % interval. Changes nothing.")
    LearnAnswer learn(@RequestBody LearnRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Label> label = label(fields, request.label());
        List<Observation> touches = touches(fields, request.coats());
        fields.faults().throwIfAny();
        Calibration found = Calibration.of(label.orElseThrow(), touches);
        return new LearnAnswer(
                found.speed(),
                found.speedLow(),
                found.speedHigh(),
                found.activationKjPerMol(),
                found.slips(),
                found.differsFromTheLabel());
    }

    private static Optional<Label> label(JsonFields fields, @Nullable LabelRequest sent) {
        if (sent == null) {
            fields.faults().add("label", "label is missing: the times a resin's label states.");
            return Optional.empty();
        }
        double turningH = fields.number("label.turningH", sent.turningH());
        double recoatFromH = fields.number("label.recoatFromH", sent.recoatFromH());
        double recoatUntilH = fields.number("label.recoatUntilH", sent.recoatUntilH());
        double sandableFromH = fields.number("label.sandableFromH", sent.sandableFromH());
        double sandableSureH = fields.number("label.sandableSureH", sent.sandableSureH());
        double scuffAfterH = fields.number("label.scuffAfterH", sent.scuffAfterH());
        double curedH = fields.number("label.curedH", sent.curedH());
        double fullCureH = fields.number("label.fullCureH", sent.fullCureH());
        double referenceC = fields.number("label.referenceC", sent.referenceC());
        double activation = fields.numberOr(
                "label.activationKjPerMol", sent.activationKjPerMol(), Label.DEFAULT_ACTIVATION_KJ_PER_MOL);
        boolean read = Stream.of(
                        turningH,
                        recoatFromH,
                        recoatUntilH,
                        sandableFromH,
                        sandableSureH,
                        scuffAfterH,
                        curedH,
                        fullCureH,
                        referenceC,
                        activation)
                .noneMatch(value -> value.isNaN());
        return read
                ? fields.within(
                        "label",
                        () -> new Label(
                                new MixRatio(1, 1),
                                new LabelTimes(
                                        Math.max(1.0 / 60, WORKABLE_SHARE * Math.min(turningH, recoatFromH)),
                                        turningH,
                                        recoatFromH,
                                        recoatUntilH,
                                        sandableFromH,
                                        sandableSureH,
                                        scuffAfterH,
                                        curedH,
                                        fullCureH),
                                referenceC,
                                activation,
                                Optional.empty(),
                                OptionalDouble.empty()))
                : Optional.empty();
    }

    private static List<Observation> touches(JsonFields fields, @Nullable List<@Nullable CoatRequest> coats) {
        List<Observation> all = new ArrayList<>();
        if (coats == null) {
            fields.faults().add("coats", "coats is missing: a list, empty if nothing was touched.");
            return all;
        }
        for (int coat = 0; coat < coats.size(); coat++) {
            String place = "coats[%d]".formatted(coat);
            CoatRequest sent = coats.get(coat);
            double celsius = fields.number(place + ".temperatureC", sent == null ? null : sent.temperatureC());
            List<@Nullable TouchRequest> touches = sent == null || sent.touches() == null ? List.of() : sent.touches();
            boolean possible = Double.isNaN(celsius)
                    || fields.faults()
                            .within(
                                    place + ".temperatureC",
                                    "The room",
                                    celsius,
                                    RoomReading.COLDEST_C,
                                    RoomReading.WARMEST_C,
                                    "°C");
            RoomCourse room = RoomCourse.steady(Double.isNaN(celsius) || !possible ? 0 : celsius);
            for (int i = 0; i < touches.size() && all.size() <= MOST_TOUCHES; i++) {
                touch(fields, "%s.touches[%d]".formatted(place, i), touches.get(i), room, coat)
                        .ifPresent(all::add);
            }
        }
        fields.faults()
                .require(
                        all.size() <= MOST_TOUCHES,
                        "coats",
                        "That is more than %d touches: send the newest.".formatted(MOST_TOUCHES));
        return all;
    }

    private static Optional<Observation> touch(
            JsonFields fields, String place, @Nullable TouchRequest sent, RoomCourse room, long coat) {
        double afterH = fields.number(place + ".afterH", sent == null ? null : sent.afterH());
        String written = fields.text(place + ".touch", sent == null ? null : sent.touch());
        Optional<Touch> touch = Touch.named(written);
        fields.faults()
                .require(
                        written.isEmpty() || touch.isPresent(),
                        place + ".touch",
                        "That is no touch: one of wet, strings, tacky, firm-with-print, firm, sands-to-dust, "
                                + "gums-the-paper, sticky-next-day.");
        boolean sane = !Double.isNaN(afterH)
                && fields.faults().within(place + ".afterH", "The time after the pour", afterH, 0, LONGEST_H, "h");
        return sane && touch.isPresent()
                ? Optional.of(Observation.of(
                        room,
                        coat,
                        POURED,
                        POURED.plus(Duration.ofSeconds(Math.round(afterH * SECONDS_PER_HOUR))),
                        touch.get()))
                : Optional.empty();
    }
}

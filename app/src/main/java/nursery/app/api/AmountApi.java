package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.core.cup.Blank;
import nursery.core.film.Carrier;
import nursery.core.film.CoatRole;
import nursery.core.film.Onto;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.film.Way;
import nursery.core.resin.StartingProfile;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Mixing bench")
class AmountApi {

    record TurnedRequest(
            @Schema(
                            type = "string",
                            allowableValues = {"spindle", "hand", "hung"})
                    @Nullable
                    JsonNode by,
            @Schema(type = "number", description = "Turns a minute of the spindle, 0.2 to 60; 6 if left out") @Nullable
                    JsonNode rpm) {}

    record AmountRequest(
            BlankApi.@Nullable BlankRequest blank,
            @Schema(type = "string", example = "flood", requiredMode = Schema.RequiredMode.REQUIRED) @Nullable
                    JsonNode coat,
            @Schema(
                            type = "string",
                            allowableValues = {"none", "fine", "coarse", "mixed"},
                            description = "What is felt below; none if left out")
                    @Nullable
                    JsonNode glitter,
            @Schema(
                            type = "string",
                            allowableValues = {"thin", "generous"},
                            description = "More thin coats, or few generous ones; thin if left out")
                    @Nullable
                    JsonNode way,
            @Schema(
                            type = "string",
                            allowableValues = {"film-thin", "film-generous", "coat"},
                            description = "What the decoration lies in; coat if left out")
                    @Nullable
                    JsonNode below,
            @Nullable TurnedRequest turned,
            @Schema(type = "number", description = "Room temperature, °C, 0 to 45; 22 if left out") @Nullable
                    JsonNode temperatureC) {}

    /** What to pour, what stays where it is poured, and why so much. */
    record AmountAnswer(double ml, double carriesMl, double filmMm, String words) {}

    @PostMapping("/api/amount")
    @Operation(
            summary = "How much one coat takes",
            description =
                    "Coated area times the coat's film, ml: at most 95 % of what stays there with a regular resin "
                            + "(turned: Moffatt's limit, see /api/turner; hung: what runs no farther than 20 mm). "
                            + "The film is the coat's by the way it is made in, with 0.1 mm for coarse flakes that are "
                            + "still felt; a flood over a generous film takes less. Changes nothing.")
    AmountAnswer amount(@RequestBody AmountRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Blank> blank = BlankApi.blank(fields, "blank.", request.blank());
        Optional<CoatRole> coat = coat(fields, request.coat());
        Texture texture = texture(choice(fields, "glitter", request.glitter(), "none", "fine", "coarse", "mixed"));
        Way way = Way.generous("generous".equals(choice(fields, "way", request.way(), "thin", "generous")));
        Onto.Below below = below(choice(fields, "below", request.below(), "coat", "film-thin", "film-generous"));
        double roomC = fields.numberOr("temperatureC", request.temperatureC(), 22);
        fields.faults().within("temperatureC", "The room", roomC, 0, 45, "°C");
        Carrier carrier = carrier(fields, request.turned(), roomC);
        fields.faults().throwIfAny();
        Share share = Share.of(
                blank.orElseThrow(),
                blank.orElseThrow(),
                coat.orElseThrow(),
                new Onto(texture, 0, below),
                way,
                StartingProfile.REGULAR.label(),
                carrier);
        return new AmountAnswer(share.suggestedMl(), share.carriedMl().orElseThrow(), share.filmMm(), share.words());
    }

    private static Optional<CoatRole> coat(JsonFields fields, @Nullable JsonNode node) {
        String written = fields.text("coat", node);
        Optional<CoatRole> named = CoatRole.named(written);
        if (!written.isEmpty() && named.isEmpty()) {
            fields.faults()
                    .add(
                            "coat",
                            "coat is one of %s."
                                    .formatted(Arrays.stream(CoatRole.values())
                                            .map(CoatRole::written)
                                            .collect(Collectors.joining(", "))));
        }
        return named;
    }

    /** One of these words, the first if it is left out. */
    private static String choice(JsonFields fields, String place, @Nullable JsonNode node, String... words) {
        if (node == null || node.isNull()) {
            return words[0];
        }
        String written = fields.text(place, node).toLowerCase(Locale.ROOT);
        fields.faults()
                .require(
                        List.of(words).contains(written),
                        place,
                        "%s is one of %s.".formatted(place, String.join(", ", words)));
        return written;
    }

    /** Of mixed flakes the coarse ones are felt. */
    private static Texture texture(String glitter) {
        return switch (glitter) {
            case "fine" -> Texture.FINE;
            case "coarse", "mixed" -> Texture.CHUNKY;
            default -> Texture.SMOOTH;
        };
    }

    private static Onto.Below below(String below) {
        return switch (below) {
            case "film-thin" -> Onto.Below.THIN_FILM;
            case "film-generous" -> Onto.Below.GENEROUS_FILM;
            default -> Onto.Below.COAT;
        };
    }

    private static Carrier carrier(JsonFields fields, @Nullable TurnedRequest turned, double roomC) {
        if (turned == null) {
            return Carrier.spindle(Carrier.USUAL_RPM, roomC);
        }
        String by = choice(fields, "turned.by", turned.by(), "spindle", "hand", "hung");
        if (by.equals("spindle")) {
            double rpm = fields.numberOr("turned.rpm", turned.rpm(), Carrier.USUAL_RPM);
            fields.faults().within("turned.rpm", "The speed", rpm, 0.2, 60, "rpm");
            return Carrier.spindle(rpm, roomC);
        }
        return by.equals("hand") ? Carrier.hand(roomC) : Carrier.hung(roomC);
    }
}

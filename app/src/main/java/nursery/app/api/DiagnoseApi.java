package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.inspect.CaseBook;
import nursery.core.inspect.Diagnosis;
import nursery.core.inspect.Fact;
import nursery.core.inspect.Facts;
import nursery.core.inspect.Model;
import nursery.core.inspect.Sign;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.technique.HandsOn;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Diagnose", description = "What is wrong with a coat, why, and what now")
class DiagnoseApi {

    private static final int MOST_ANSWERS = 40;

    record SeenRequest(
            @Schema(
                            type = "string",
                            description = "Such as soft, fish-eyes, micro-bubbles, haze, sag, silver, lifting",
                            example = "soft",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode fault,
            @Schema(
                            type = "string",
                            allowableValues = {
                                "all", "rim", "upper", "middle", "lower", "base", "handle", "front", "seam"
                            },
                            description = "all if left out",
                            example = "all")
                    @Nullable
                    JsonNode zone,
            @Schema(
                            type = "string",
                            allowableValues = {"little", "some", "much"},
                            description = "some if left out",
                            example = "much")
                    @Nullable
                    JsonNode extent) {}

    record DiagnoseRequest(
            @ArraySchema(minItems = 1) @Nullable List<@Nullable SeenRequest> seen,
            @Schema(
                            type = "object",
                            description = "What is known of the coat, by name: a number, or true and false. What is "
                                    + "not known is left out",
                            example =
                                    "{\"ratioError\":0.12,\"ambientC\":21,\"dewMarginC\":8,\"humidity\":45,\"ageH\":30,"
                                            + "\"filmMm\":0.4,\"carriesMm\":0.9,\"scuffed\":true}")
                    @Nullable
                    Map<String, @Nullable JsonNode> facts,
            @Schema(
                            type = "object",
                            description = "Answers to questions asked before, by the question's key",
                            example = "{\"in-streaks\":false}")
                    @Nullable
                    Map<String, @Nullable JsonNode> answers) {}

    /** @param decibans above 0 for the cause, below 0 against it */
    record ReasonAnswer(String words, double decibans) {}

    /** @param share how likely it acts, 0 to 1; several may act at once */
    record CauseAnswer(String cause, String words, double share, List<ReasonAnswer> reasons) {}

    /** @param bits what its answer is expected to tell */
    record AskAnswer(String key, String question, double bits) {}

    /** @param notWhile the cause that forbids it, if one does */
    record RemedyAnswer(String remedy, String words, String how, int handsOnMinutes, @Nullable String notWhile) {}

    /**
     * @param unknown how likely it is none of the causes known
     * @param tells whether one cause stands out
     * @param ask the question worth the most, if one is worth asking
     */
    record DiagnoseAnswer(
            List<CauseAnswer> causes,
            double unknown,
            boolean tells,
            @Nullable AskAnswer ask,
            List<RemedyAnswer> remedies) {}

    private final CaseBook cases;

    DiagnoseApi(CaseBook cases) {
        this.cases = cases;
    }

    @PostMapping("/api/diagnose")
    @Operation(
            summary = "Say what is seen and what is known; hear why, what to ask, and what can be done",
            description = "The model practice has, moved by this shop's settled cases. Changes nothing.")
    DiagnoseAnswer diagnose(@RequestBody DiagnoseRequest request) {
        JsonFields fields = new JsonFields();
        Model model = cases.model();
        List<Sighting> seen = seen(fields, request.seen());
        Facts facts = facts(fields, request.facts());
        Map<String, Boolean> answers = answers(fields, model, request.answers());
        fields.faults().throwIfAny();
        return answer(Diagnosis.of(model, seen, answers, facts));
    }

    private static DiagnoseAnswer answer(Diagnosis diagnosis) {
        return new DiagnoseAnswer(
                diagnosis.held().stream()
                        .map(held -> new CauseAnswer(
                                held.cause().key(),
                                held.cause().words(),
                                held.share(),
                                held.reasons().stream()
                                        .map(reason -> new ReasonAnswer(reason.words(), reason.decibans()))
                                        .toList()))
                        .toList(),
                diagnosis.unknown(),
                diagnosis.tells(),
                diagnosis
                        .ask()
                        .map(ask -> new AskAnswer(ask.sign().key(), ask.sign().question(), ask.bits()))
                        .orElse(null),
                diagnosis.offers().stream()
                        .map(offer -> new RemedyAnswer(
                                offer.remedy().written(),
                                offer.remedy().words(),
                                offer.remedy().how(),
                                offer.remedy().handsOnMinutes(HandsOn.STARTING),
                                offer.against().map(cause -> cause.key()).orElse(null)))
                        .toList());
    }

    private static List<Sighting> seen(JsonFields fields, @Nullable List<@Nullable SeenRequest> requested) {
        if (requested == null || requested.isEmpty() || requested.size() > Sighting.MOST) {
            fields.faults().add("seen", "seen must hold 1 to %d faults.".formatted(Sighting.MOST));
            return List.of();
        }
        List<Sighting> seen = new ArrayList<>();
        for (int i = 0; i < requested.size(); i++) {
            String at = "seen[%d]".formatted(i);
            SeenRequest one = requested.get(i);
            if (one == null) {
                fields.faults().add(at, at + " is missing.");
                continue;
            }
            String written = fields.text(at + ".fault", one.fault());
            Optional<Blemish> fault = Blemish.named(written);
            fields.faults()
                    .require(
                            written.isBlank() || fault.isPresent(),
                            at + ".fault",
                            "“%s” is no fault: one of %s."
                                    .formatted(
                                            written.length() > 40 ? written.substring(0, 40) + "…" : written,
                                            Arrays.stream(Blemish.values())
                                                    .map(Blemish::written)
                                                    .collect(Collectors.joining(", "))));
            Optional<Zone> zone = named(fields, at + ".zone", one.zone(), "all", Zone::named);
            Optional<Extent> extent = named(fields, at + ".extent", one.extent(), "some", Extent::named);
            if (fault.isPresent() && zone.isPresent() && extent.isPresent()) {
                seen.add(new Sighting(fault.get(), zone.get(), extent.get()));
            }
        }
        return seen;
    }

    private static <T> Optional<T> named(
            JsonFields fields,
            String field,
            @Nullable JsonNode node,
            String otherwise,
            java.util.function.Function<String, Optional<T>> names) {
        if (node == null || node.isNull()) {
            return names.apply(otherwise);
        }
        Optional<T> found = names.apply(fields.text(field, node));
        fields.faults().require(found.isPresent(), field, field + " is none of those there are.");
        return found;
    }

    private static Facts facts(JsonFields fields, @Nullable Map<String, @Nullable JsonNode> requested) {
        Map<Fact, Double> known = new EnumMap<>(Fact.class);
        if (requested != null) {
            requested.forEach((name, node) -> {
                String at = "facts." + (name.length() > 40 ? name.substring(0, 40) + "…" : name);
                Optional<Fact> fact = Fact.named(name);
                fields.faults().require(fact.isPresent(), at, at + " is no fact that is weighed.");
                fact.ifPresent(found -> {
                    if (node != null && node.isBoolean()) {
                        known.put(found, node.asBoolean() ? 1.0 : 0.0);
                    } else {
                        fields.optionalNumber(at, node).ifPresent(value -> known.put(found, value));
                    }
                });
            });
        }
        return new Facts(known);
    }

    private static Map<String, Boolean> answers(
            JsonFields fields, Model model, @Nullable Map<String, @Nullable JsonNode> requested) {
        Map<String, Boolean> answers = new LinkedHashMap<>();
        if (requested != null) {
            fields.faults()
                    .require(requested.size() <= MOST_ANSWERS, "answers", "More answers than there are questions.");
            requested.forEach((key, node) -> {
                String at = "answers." + (key.length() > 40 ? key.substring(0, 40) + "…" : key);
                fields.faults()
                        .require(
                                model.sign(key).filter(Sign::isAsked).isPresent(),
                                at,
                                at + " is no question that is asked.");
                if (node != null && !node.isNull()) {
                    answers.put(key, fields.flagOr(at, node, false));
                }
            });
        }
        return answers;
    }
}

package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.techniques.TechniqueBook;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Judgement;
import nursery.core.surface.Judgement.Finding;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Judge", description = "A technique against the rules of the craft")
class JudgeApi {

    record JudgeRequest(
            @Schema(
                            type = "object",
                            description = "A technique file, as docs/techniques.md describes it",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode technique,
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED) BlankApi.@Nullable BlankRequest blank,
            @Schema(type = "boolean", description = "With a fast resin throughout; false if left out") @Nullable
                    JsonNode fast) {}

    /**
     * @param rule the rule's own name, which does not change
     * @param step its place in the plan, from 1
     */
    record FindingAnswer(String rule, int step, String words) {
        static FindingAnswer of(Finding finding) {
            return new FindingAnswer(finding.rule(), finding.place() + 1, finding.message());
        }
    }

    /** @param advice what is worth knowing and no fault */
    record JudgeAnswer(List<FindingAnswer> findings, List<FindingAnswer> advice) {}

    @PostMapping("/api/judge")
    @Operation(
            summary = "All that goes against practice in a technique",
            description = "By the first school of each question and the usual number of repeats, each step as soon as "
                    + "its wait allows, at the starting profile's own temperature. Changes nothing.")
    JudgeAnswer judge(@RequestBody JudgeRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Technique> technique = fields.within("technique", () -> {
            String file =
                    request.technique() == null ? "null" : request.technique().toString();
            return TechniqueBook.read(file);
        });
        Optional<Blank> blank = BlankApi.blank(fields, "blank.", request.blank());
        boolean fast = fields.flagOr("fast", request.fast(), false);
        fields.faults().throwIfAny();
        Label label = (fast ? StartingProfile.FAST : StartingProfile.REGULAR).label();
        List<Finding> findings =
                Judgement.of(technique.orElseThrow().plan(Schools.of(), Map.of()), label, label, blank.orElseThrow());
        return new JudgeAnswer(
                findings.stream()
                        .filter(finding -> !finding.isAdvice())
                        .map(FindingAnswer::of)
                        .toList(),
                findings.stream()
                        .filter(Finding::isAdvice)
                        .map(FindingAnswer::of)
                        .toList());
    }
}

package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.film.Film;
import nursery.core.film.Levelling;
import nursery.core.film.TurnerCheck;
import nursery.core.film.TurningLimit;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Label;
import nursery.core.resin.Losses;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Pace;
import nursery.core.resin.Portion;
import nursery.core.resin.RatioCheck;
import nursery.core.resin.StartingProfile;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Mixing bench", description = "One mix for several coats, and what a turner carries")
class BatchApi {

    private static final int MOST_SHARES = 200;

    record ShareRequest(
            @Schema(type = "string", description = "A name for the cup", example = "A-01") @Nullable JsonNode cup,
            @Schema(type = "number", description = "On this cup, ml, above 0 and at most 500", example = "22.5")
                    @Nullable
                    JsonNode ml) {}

    record BatchRequest(
            @Schema(type = "string", example = "1:1", requiredMode = Schema.RequiredMode.REQUIRED) @Nullable
                    JsonNode ratio,
            @ArraySchema(minItems = 1, maxItems = MOST_SHARES) @Nullable List<@Nullable ShareRequest> shares,
            @Schema(type = "number", description = "What the measuring cup holds, ml; 60 if left out") @Nullable
                    JsonNode cupMl,
            @Schema(type = "number", description = "Distance between its marks, ml; 2.5 if left out") @Nullable
                    JsonNode markMl,
            @Schema(type = "number", description = "Working time at 22 °C of 100 g in the pot, minutes; 40 if left out")
                    @Nullable
                    JsonNode potLifeMin,
            @Schema(type = "number", description = "Room temperature, °C; 22 if left out") @Nullable JsonNode roomC,
            @Schema(type = "number", description = "Minutes a cup takes; 6 if left out") @Nullable
                    JsonNode minutesPerCup,
            @Schema(type = "number", description = "Lost on each mixing cup and its stick, ml; 1.5 if left out")
                    @Nullable
                    JsonNode lossPerFillMl,
            @Schema(type = "number", description = "Lost on the glove for each cup coated, ml; 0.3 if left out")
                    @Nullable
                    JsonNode lossPerCupMl) {}

    record TurnAnswer(String cup, double ml, double atMinute, boolean inTime) {}

    /**
     * Shares, losses and leftover make up the mix; {@code mixAgainBefore} is the place in the order at which it is off.
     */
    record BatchAnswer(
            double partAMl,
            double partBMl,
            double totalMl,
            double sharesMl,
            double lossesMl,
            double leftoverMl,
            List<Mix> fills,
            List<TurnAnswer> turns,
            double potMinutes,
            @Nullable Integer mixAgainBefore,
            boolean shouldBeTwo) {}

    @PostMapping("/api/batch")
    @Operation(
            summary = "One mix for several coats",
            description = "Adds what is lost, raises to the smallest trusted batch of 5 ml, rounds up to the marks, "
                    + "splits into cupfuls, and says which cups it reaches before it goes off. Changes "
                    + "nothing.")
    BatchAnswer batch(@RequestBody BatchRequest request) {
        JsonFields fields = new JsonFields();
        String written = fields.text("ratio", request.ratio());
        Optional<MixRatio> ratio =
                written.isEmpty() ? Optional.empty() : fields.faults().attempt("ratio", () -> MixRatio.parse(written));
        List<Portion> portions = portions(fields, request.shares());
        double cupMl = fields.numberOr("cupMl", request.cupMl(), 60);
        double markMl = fields.numberOr("markMl", request.markMl(), 2.5);
        double potLifeMin = fields.numberOr("potLifeMin", request.potLifeMin(), 40);
        double roomC = fields.numberOr("roomC", request.roomC(), 22);
        double minutesPerCup = fields.numberOr("minutesPerCup", request.minutesPerCup(), Pace.USUAL_PER_CUP_MIN);
        Losses losses = new Losses(
                fields.numberOr("lossPerFillMl", request.lossPerFillMl(), Losses.USUAL.perFillMl()),
                fields.numberOr("lossPerCupMl", request.lossPerCupMl(), Losses.USUAL.perCupMl()));
        fields.faults().within("roomC", "The room", roomC, 0, 45, "°C");
        fields.faults().throwIfAny();
        Label label = usual(ratio.orElseThrow(), OptionalDouble.of(potLifeMin), OptionalDouble.empty());
        return answer(BatchSheet.of(
                label,
                portions,
                losses,
                new MeasuringCup(cupMl, markMl, 34, 42),
                new Pace(Pace.USUAL_MIXING_MIN, minutesPerCup),
                roomC));
    }

    record RatioRequest(
            @Schema(type = "string", example = "1:1", requiredMode = Schema.RequiredMode.REQUIRED) @Nullable
                    JsonNode ratio,
            @Schema(
                            type = "number",
                            description = "Resin measured, ml",
                            example = "10",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode partAMl,
            @Schema(
                            type = "number",
                            description = "Hardener measured, ml",
                            example = "8.8",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode partBMl,
            @Schema(type = "number", description = "How far the ratio may be off, %; 5 if left out, from memory")
                    @Nullable
                    JsonNode tolerancePercent) {}

    /**
     * {@code errorPercent} above 0 is too much hardener; {@code addAMl} or {@code addBMl} brings it back while it is
     * not stirred.
     */
    record RatioAnswer(double errorPercent, RatioCheck.Verdict verdict, double addAMl, double addBMl) {}

    @PostMapping("/api/ratio")
    @Operation(
            summary = "Judge a measured pair",
            description = "FINE up to half the tolerance, USABLE_WITH_A_NOTE up to all of it, else DO_NOT_USE. Changes "
                    + "nothing.")
    RatioAnswer ratio(@RequestBody RatioRequest request) {
        JsonFields fields = new JsonFields();
        String written = fields.text("ratio", request.ratio());
        Optional<MixRatio> ratio =
                written.isEmpty() ? Optional.empty() : fields.faults().attempt("ratio", () -> MixRatio.parse(written));
        double a = fields.number("partAMl", request.partAMl());
        double b = fields.number("partBMl", request.partBMl());
        double tolerance =
                fields.numberOr("tolerancePercent", request.tolerancePercent(), RatioCheck.USUAL_TOLERANCE * 100);
        fields.faults().throwIfAny();
        RatioCheck check =
                RatioCheck.of(usual(ratio.orElseThrow(), OptionalDouble.empty(), OptionalDouble.of(tolerance)), a, b);
        return new RatioAnswer(check.error() * 100, check.verdict(), check.addAMl(), check.addBMl());
    }

    record TurnerRequest(
            @Schema(
                            type = "number",
                            description = "Viscosity of the mix at the room's temperature, Pa·s, 0.01 to 100",
                            example = "1",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode viscosityPaS,
            @Schema(
                            type = "number",
                            description = "Turns a minute, 0.2 to 60",
                            example = "6",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode rpm,
            @Schema(
                            type = "number",
                            description = "Radius of the cup at its narrowest coated place, mm, 5 to 200",
                            example = "36.5",
                            requiredMode = Schema.RequiredMode.REQUIRED)
                    @Nullable
                    JsonNode radiusMm,
            @Schema(type = "number", description = "Coated area, cm²; with it amounts are given too", example = "512")
                    @Nullable
                    JsonNode areaCm2,
            @Schema(type = "number", description = "Density of the mix, g/ml; 1.1 if left out") @Nullable
                    JsonNode densityGPerMl) {}

    /**
     * The thickest mean film the turner carries; its amount on the area; and how long a finger's ripple on it takes to
     * fall to 37 %.
     */
    record TurnerAnswer(double carriesMm, @Nullable Double carriesMl, double levelsWithinSeconds) {}

    @PostMapping("/api/turner")
    @Operation(
            summary = "What a turner carries",
            description =
                    "Moffatt's limit for a film on a turning cylinder, and Orchard's levelling time for a ripple of "
                            + "20 mm on that film. Changes nothing.")
    TurnerAnswer turner(@RequestBody TurnerRequest request) {
        JsonFields fields = new JsonFields();
        double viscosity = checked(fields, "viscosityPaS", request.viscosityPaS(), "The viscosity", 0.01, 100, "Pa·s");
        double rpm = checked(fields, "rpm", request.rpm(), "The speed", 0.2, 60, "rpm");
        double radiusMm = checked(fields, "radiusMm", request.radiusMm(), "The radius", 5, 200, "mm");
        double density = fields.numberOr("densityGPerMl", request.densityGPerMl(), 1.1);
        OptionalDouble areaCm2 = fields.optionalNumber("areaCm2", request.areaCm2());
        areaCm2.ifPresent(area -> fields.faults().within("areaCm2", "The area", area, 1, 10_000, "cm²"));
        fields.faults().within("densityGPerMl", "The density", density, 0.5, 3, "g/ml");
        fields.faults().throwIfAny();
        double carriesMm = TurningLimit.filmMm(viscosity, rpm, radiusMm, density);
        return new TurnerAnswer(
                carriesMm,
                areaCm2.isPresent() ? Film.volumeMl(carriesMm, areaCm2.getAsDouble()) : null,
                Levelling.timeConstantSeconds(viscosity, TurnerCheck.RIPPLE_MM, carriesMm));
    }

    private static Label usual(MixRatio ratio, OptionalDouble potLifeMin, OptionalDouble tolerancePercent) {
        Label usual = StartingProfile.REGULAR.label();
        return new Label(
                ratio,
                usual.times(),
                usual.referenceC(),
                usual.activationKjPerMol(),
                usual.densities(),
                usual.viscosity(),
                potLifeMin,
                tolerancePercent);
    }

    private static double checked(
            JsonFields fields,
            String field,
            @Nullable JsonNode node,
            String what,
            double low,
            double high,
            String unit) {
        double value = fields.number(field, node);
        if (!Double.isNaN(value)) {
            fields.faults().within(field, what, value, low, high, unit);
        }
        return value;
    }

    private static List<Portion> portions(JsonFields fields, @Nullable List<@Nullable ShareRequest> shares) {
        if (shares == null || shares.isEmpty() || shares.size() > MOST_SHARES) {
            fields.faults().add("shares", "shares must hold 1 to %d coats.".formatted(MOST_SHARES));
            return List.of();
        }
        List<Portion> portions = new ArrayList<>();
        for (int i = 0; i < shares.size(); i++) {
            ShareRequest share = shares.get(i);
            String cup = fields.text("shares[%d].cup".formatted(i), share == null ? null : share.cup());
            double ml = fields.number("shares[%d].ml".formatted(i), share == null ? null : share.ml());
            portions.add(new Portion(cup, ml, Optional.empty()));
        }
        return portions;
    }

    private static BatchAnswer answer(BatchSheet sheet) {
        List<TurnAnswer> turns = sheet.turns().stream()
                .map(turn -> new TurnAnswer(turn.portion().cup(), turn.portion().ml(), turn.atMinute(), turn.inTime()))
                .toList();
        return new BatchAnswer(
                sheet.mix().partAMl(),
                sheet.mix().partBMl(),
                sheet.mix().totalMl(),
                sheet.sharesMl(),
                sheet.lossesMl(),
                sheet.leftoverMl(),
                sheet.fills(),
                turns,
                sheet.potMinutes(),
                sheet.mixAgainBefore().isPresent() ? sheet.mixAgainBefore().getAsInt() : null,
                sheet.shouldBeTwo());
    }
}

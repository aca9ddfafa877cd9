package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.math.BigDecimal;
import java.util.Optional;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;
import nursery.core.worth.Asking;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** A price from a cost. */
@RestController
class PriceApi {

    /** Numbers or strings, such as {@code "11.40"}: exactly as they are written. */
    record PriceRequest(
            @Nullable JsonNode cost,
            @Nullable JsonNode marginPercent,
            @Nullable JsonNode markupPercent,
            @Nullable JsonNode feePercent,
            @Nullable JsonNode feeFixed,
            @Nullable JsonNode roundTo,
            @Nullable JsonNode digits) {}

    record PriceAnswer(String target, String price) {}

    @PostMapping("/api/price")
    @Operation(
            summary = "Make a price of a cost",
            description = "target = cost/(1 − margin) or cost·(1 + mark-up); price = (target + fixed fee)/(1 − fee); "
                    + "rounded half up at the end only, to digits decimals (2 if none are given), then up to a "
                    + "multiple of roundTo. Changes nothing.")
    PriceAnswer price(@RequestBody PriceRequest request) {
        Faults faults = new Faults();
        Optional<BigDecimal> cost = read("cost", request.cost(), faults);
        faults.require(cost.isPresent() || !faults.none(), "cost", "cost is missing: what it cost, such as \"11.40\".");
        Optional<BigDecimal> margin = read("marginPercent", request.marginPercent(), faults);
        Optional<BigDecimal> markup = read("markupPercent", request.markupPercent(), faults);
        BigDecimal fee = read("feePercent", request.feePercent(), faults).orElse(BigDecimal.ZERO);
        BigDecimal fixed = read("feeFixed", request.feeFixed(), faults).orElse(BigDecimal.ZERO);
        BigDecimal round = read("roundTo", request.roundTo(), faults).orElse(BigDecimal.ZERO);
        BigDecimal digits = read("digits", request.digits(), faults).orElse(BigDecimal.valueOf(2));
        faults.within("digits", "digits", digits.doubleValue(), 0, 4, "");
        faults.require(
                digits.stripTrailingZeros().scale() <= 0,
                "digits",
                "digits is a whole number: %s are not.".formatted(digits.toPlainString()));
        faults.throwIfAny();
        Asking.Asked asked = new Asking(margin, markup, fee, fixed, round, digits.intValue()).of(cost.orElseThrow());
        return new PriceAnswer(asked.target().toPlainString(), asked.price().toPlainString());
    }

    private static Optional<BigDecimal> read(String field, @Nullable JsonNode given, Faults faults) {
        if (given == null || given.isNull()) {
            return Optional.empty();
        }
        if (!given.isString() && !given.isNumber()) {
            faults.add(field, "%s must be a number, or a string that is one.".formatted(field));
            return Optional.empty();
        }
        return faults.attempt(field, () -> Numbers.decimal(given.isString() ? given.asString() : given.toString()));
    }
}

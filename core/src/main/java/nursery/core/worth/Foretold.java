package nursery.core.worth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.core.measure.Numbers;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Item;

/**
 * What a cup was expected to cost when work on it began, held against what it costs: each difference with its reasons,
 * which add up to it to the smallest coin.
 */
public record Foretold(List<Foretold.Difference> differences) {

    /** Below this a quantity is the same: rounding of what was kept. */
    private static final double SAME = 0.005;
    /** A thing that goes out in several draws is rounded in each: so many of the smallest coin are no other price. */
    private static final int MOST_BY_ROUNDING = 3;

    public Foretold {
        differences = List.copyOf(differences);
    }

    /** Why, and how much of the difference that makes. */
    public record Reason(String words, BigDecimal amount) {}

    /**
     * One thing of a cup's cost.
     *
     * @param then what was foretold of it; nothing if it was not
     * @param now what it comes to in the end
     * @param reasons why they differ; none if they do not
     */
    public record Difference(
            From from, String of, Optional<BigDecimal> then, Optional<BigDecimal> now, List<Reason> reasons) {

        public BigDecimal amount() {
            return now.orElse(BigDecimal.ZERO).subtract(then.orElse(BigDecimal.ZERO));
        }
    }

    /** @param digits behind the point of the smallest coin */
    public static Foretold against(List<Item> then, List<Item> now, int digits) {
        Map<String, Item> before = byName(then);
        Map<String, Item> after = byName(now);
        Map<String, Item> all = new LinkedHashMap<>(before);
        after.forEach(all::putIfAbsent);
        List<Difference> differences = new ArrayList<>();
        all.forEach((name, item) -> differences.add(
                of(item, Optional.ofNullable(before.get(name)), Optional.ofNullable(after.get(name)), digits)));
        differences.sort((one, other) -> one.from().compareTo(other.from()));
        return new Foretold(differences);
    }

    /** What all of it was expected to come to. */
    public BigDecimal then() {
        return sum(Difference::then);
    }

    /** What all of it comes to. */
    public BigDecimal now() {
        return sum(Difference::now);
    }

    public BigDecimal more() {
        return now().subtract(then());
    }

    private BigDecimal sum(Function<Difference, Optional<BigDecimal>> of) {
        return differences.stream().flatMap(one -> of.apply(one).stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static Map<String, Item> byName(List<Item> items) {
        return items.stream()
                .collect(Collectors.toMap(
                        item -> item.from() + item.of(), Function.identity(), (a, b) -> a, LinkedHashMap::new));
    }

    private static Difference of(Item item, Optional<Item> then, Optional<Item> now, int digits) {
        Optional<BigDecimal> before = then.flatMap(Item::amount);
        Optional<BigDecimal> after = now.flatMap(Item::amount);
        BigDecimal whole = after.orElse(BigDecimal.ZERO).subtract(before.orElse(BigDecimal.ZERO));
        List<Reason> reasons = new ArrayList<>();
        if (then.isEmpty()) {
            reasons.add(new Reason(
                    item.from() == From.SPOILED ? "cups were given up since" : "was not named when work began", whole));
        } else if (now.isEmpty()) {
            reasons.add(new Reason("not used after all", whole));
        } else if (before.isEmpty() != after.isEmpty()) {
            reasons.add(new Reason(before.isEmpty() ? "no price was kept then" : "its price is not kept", whole));
        } else if (before.isPresent()) {
            split(then.get(), now.get(), whole, digits, reasons);
        }
        return new Difference(item.from(), item.of(), before, after, reasons);
    }

    /** So much more or less of it at the old price; the rest is the price. */
    private static void split(Item then, Item now, BigDecimal whole, int digits, List<Reason> reasons) {
        double more = now.quantity() - then.quantity();
        BigDecimal byAmount = Math.abs(more) < SAME || then.quantity() <= 0
                ? BigDecimal.ZERO
                : then.amount()
                        .orElse(BigDecimal.ZERO)
                        .multiply(BigDecimal.valueOf(more / then.quantity()))
                        .setScale(digits, RoundingMode.HALF_UP);
        BigDecimal byPrice = whole.subtract(byAmount);
        if (Math.abs(more) >= SAME && byAmount.signum() != 0) {
            reasons.add(new Reason(amountWords(now, more), byAmount));
        }
        if (byPrice.signum() != 0
                && byAmount.signum() == 0
                && byPrice.abs().compareTo(BigDecimal.valueOf(MOST_BY_ROUNDING, digits)) <= 0) {
            reasons.add(new Reason("by rounding", byPrice));
        } else if (byPrice.signum() != 0) {
            String dearer = byPrice.signum() > 0 ? "dearer" : "cheaper";
            reasons.add(new Reason(
                    switch (now.from()) {
                        case WORK -> "an hour counts " + (byPrice.signum() > 0 ? "more" : "less");
                        case SPOILED -> byPrice.signum() > 0 ? "more cups were given up" : "more cups share it";
                        case BLANK, RESIN, MATERIAL -> dearer + " than what lay on the shelf then";
                    },
                    byPrice));
        }
    }

    private static String amountWords(Item item, double more) {
        String much = Numbers.show(Math.abs(more), item.from() == From.WORK ? 0 : 1);
        return "%s %s %s".formatted(much, item.unit(), more > 0 ? "more" : "less");
    }
}

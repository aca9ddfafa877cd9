package nursery.core.worth;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a cup costs, line by line; its total is the sum of its lines.
 *
 * @param lines what it is made of, in the order it is told
 */
public record CupCost(List<Line> lines) {

    /** Where a cost comes from. */
    public enum From {
        BLANK("Blank"),
        RESIN("Resin"),
        MATERIAL("Materials"),
        WORK("Work"),
        SPOILED("Spoiled cups, shared");

        private final String word;

        From(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * So much of something.
     *
     * @param of what it is, whatever lot it came out of
     * @param quantity how much of it, in its unit
     */
    public record Amount(String of, double quantity, String unit) {}

    /**
     * @param what it is, with its lot
     * @param much how much of it, in words
     * @param soFar what it cost until now; empty if its price is not kept
     * @param foretold what it will have cost in the end
     */
    public record Line(
            From from,
            Amount amount,
            String what,
            String much,
            Optional<BigDecimal> soFar,
            Optional<BigDecimal> foretold) {}

    /**
     * Lines of one thing together.
     *
     * @param amount what it comes to in the end; empty if not all of it has a price
     */
    public record Item(From from, String of, Optional<BigDecimal> amount, double quantity, String unit) {}

    public CupCost {
        lines = List.copyOf(lines);
    }

    public BigDecimal soFar() {
        return lines.stream().flatMap(line -> line.soFar().stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    public BigDecimal foretold() {
        return lines.stream().flatMap(line -> line.foretold().stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** How much of a part it takes in the end, in that part's unit. */
    public double quantity(From from) {
        return lines.stream()
                .filter(line -> line.from() == from)
                .mapToDouble(line -> line.amount().quantity())
                .sum();
    }

    /** What it is made of, each thing once, whatever lots it comes out of. */
    public List<Item> items() {
        Map<String, Item> items = new LinkedHashMap<>();
        for (Line line : lines) {
            items.merge(
                    line.from() + line.amount().of(),
                    new Item(
                            line.from(),
                            line.amount().of(),
                            line.foretold(),
                            line.amount().quantity(),
                            line.amount().unit()),
                    CupCost::together);
        }
        return List.copyOf(items.values());
    }

    private static Item together(Item one, Item other) {
        return new Item(
                one.from(),
                one.of(),
                one.amount().flatMap(sum -> other.amount().map(sum::add)),
                one.quantity() + other.quantity(),
                one.unit());
    }

    /** What one part of it comes to in the end. */
    public BigDecimal foretold(From from) {
        return lines.stream()
                .filter(line -> line.from() == from)
                .flatMap(line -> line.foretold().stream())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** What has no price, so that the total is less than it was. */
    public List<Line> unpriced() {
        return lines.stream()
                .filter(line -> line.soFar().isEmpty() && line.foretold().isEmpty())
                .toList();
    }
}

package nursery.core.worth;

import java.math.BigDecimal;
import java.util.List;
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
     * @param what it is
     * @param much how much of it, in words
     * @param soFar what it cost until now; empty if its price is not kept
     * @param foretold what it will have cost in the end
     */
    public record Line(
            From from, String what, String much, Optional<BigDecimal> soFar, Optional<BigDecimal> foretold) {}

    public CupCost {
        lines = List.copyOf(lines);
    }

    public BigDecimal soFar() {
        return lines.stream().flatMap(line -> line.soFar().stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    public BigDecimal foretold() {
        return lines.stream().flatMap(line -> line.foretold().stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
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

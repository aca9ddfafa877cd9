package nursery.core.inspect;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.Numbers;

/** What is known of a coat; what is not known is missing, and counts for and against nothing. */
public record Facts(Map<Fact, Double> known) {

    public static final Facts NONE = new Facts(Map.of());

    private static final Pattern SLOT = Pattern.compile("\\{(\\w+)(%?)}");
    /** P17: what a regular resin takes where nothing is said of its label. */
    private static final double CURED_H = 24;

    public Facts {
        Map<Fact, Double> all = new EnumMap<>(Fact.class);
        known.forEach((fact, value) -> {
            if (Double.isFinite(value)) {
                all.put(fact, value);
            }
        });
        follow(all);
        known = Collections.unmodifiableMap(all);
    }

    /** What follows from others and was not said itself. */
    private static void follow(Map<Fact, Double> all) {
        double error = all.getOrDefault(Fact.RATIO_ERROR, Double.NaN);
        put(all, Fact.RATIO_OFF, Math.abs(error));
        put(all, Fact.OF_CARRIED, all.getOrDefault(Fact.FILM_MM, Double.NaN) / all.getOrDefault(Fact.CARRIES_MM, 0.0));
        put(all, Fact.OF_CURED, all.getOrDefault(Fact.AGE_H, Double.NaN) / CURED_H);
    }

    private static void put(Map<Fact, Double> all, Fact fact, double value) {
        if (Double.isFinite(value)) {
            all.putIfAbsent(fact, value);
        }
    }

    public OptionalDouble value(Fact fact) {
        return known.containsKey(fact) ? OptionalDouble.of(known.get(fact)) : OptionalDouble.empty();
    }

    /** A sentence with the figures it names in braces; a per cent sign behind a name makes a share a percentage. */
    String told(String words) {
        Matcher slots = SLOT.matcher(words);
        StringBuilder told = new StringBuilder();
        while (slots.find()) {
            String figure = Fact.named(slots.group(1))
                    .filter(known::containsKey)
                    .map(fact -> slots.group(2).isEmpty()
                            ? Numbers.show(
                                    known.getOrDefault(fact, 0.0), fact.key().endsWith("Mm") ? 2 : 1)
                            : Numbers.show(100 * known.getOrDefault(fact, 0.0), 0) + " %")
                    .orElse("?");
            slots.appendReplacement(told, Matcher.quoteReplacement(figure));
        }
        return slots.appendTail(told).toString();
    }
}

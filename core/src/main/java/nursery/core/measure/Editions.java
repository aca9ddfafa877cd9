package nursery.core.measure;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;

/**
 * All editions of one thing, oldest first. What was made by an edition keeps it; but an edition that was wrong is read
 * as it was put right, as far as that was known when it mattered.
 */
public record Editions<T>(List<Edition<T>> all) {

    public Editions {
        all = List.copyOf(all);
        if (all.isEmpty()) {
            throw new IllegalArgumentException("There is no first edition.");
        }
    }

    /** The only edition so far. */
    public static <T> Editions<T> first(T value, Instant madeAt, String madeBy) {
        return new Editions<>(List.of(new Edition<>(1, 1, value, madeAt, madeBy, Edition.Why.FIRST)));
    }

    /** What holds for whatever is made now. */
    public Edition<T> current() {
        return all.get(all.size() - 1);
    }

    /** The edition with this number. */
    public Edition<T> find(int number) {
        return all.stream()
                .filter(edition -> edition.number() == number)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no edition " + number + "."));
    }

    /** What an edition says, with everything that was put right in it until a moment. */
    public T asKnown(int number, Instant until) {
        Edition<T> made = find(number);
        return all.stream()
                .filter(edition ->
                        edition.product() == made.product() && !edition.madeAt().isAfter(until))
                .filter(edition -> edition.number() >= number)
                .reduce((a, b) -> b)
                .orElse(made)
                .value();
    }

    /** The edition that would follow. */
    public Edition<T> next(T value, Instant madeAt, String madeBy, Edition.Why why) {
        Edition<T> last = current();
        int product = last.product() + (why == Edition.Why.CHANGED ? 1 : 0);
        return new Edition<>(last.number() + 1, product, value, madeAt, madeBy, why);
    }

    /** These and one more. */
    public Editions<T> with(Edition<T> edition) {
        return new Editions<>(Stream.concat(all.stream(), Stream.of(edition)).toList());
    }
}

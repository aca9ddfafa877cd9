package nursery.core.floor;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import nursery.core.measure.LengthUnit;

/**
 * How a blank was measured, so that it comes back as the tape read.
 *
 * @param unit the tape's
 * @param otherwise the fields that were typed in the other unit
 */
public record Taped(LengthUnit unit, Set<String> otherwise) {

    public Taped {
        otherwise = Set.copyOf(otherwise);
    }

    /** Reads what {@link #written} wrote. */
    public static Taped parse(String written) {
        String[] words = written.split(" ");
        return new Taped(
                LengthUnit.valueOf(words[0]),
                new LinkedHashSet<>(Arrays.asList(words).subList(1, words.length)));
    }

    public String written() {
        StringBuilder written = new StringBuilder(unit.name());
        otherwise.stream().sorted().forEach(field -> written.append(' ').append(field));
        return written.toString();
    }

    /** A length as it goes back into a field. */
    public String write(String field, double mm) {
        return other(field)
                .map(other -> other.writeNumber(mm) + " " + other.symbol())
                .orElseGet(() -> unit.writeNumber(mm));
    }

    private Optional<LengthUnit> other(String field) {
        return otherwise.contains(field)
                ? Optional.of(unit == LengthUnit.MM ? LengthUnit.IN : LengthUnit.MM)
                : Optional.empty();
    }
}

package nursery.core.inspect;

import java.util.Set;

/**
 * A case that is settled: what was behind what was seen.
 *
 * @param cause by its key
 * @param faults what was seen, by their keys
 */
public record Confirmed(String cause, Set<String> faults) {
    public Confirmed {
        faults = Set.copyOf(faults);
    }
}

package nursery.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/** Collects what is wrong with an input, so that a person is told everything at once. */
public final class Faults {

    private final List<Fault> found = new ArrayList<>();

    public void add(String field, String message) {
        found.add(new Fault(field, message));
    }

    /** Adds a fault unless {@code ok}. */
    public void require(boolean ok, String field, String message) {
        if (!ok) {
            add(field, message);
        }
    }

    /** Adds a fault unless {@code low <= value <= high}; NaN is never within a range. Returns whether it was. */
    public boolean within(String field, String what, double value, double low, double high, String unit) {
        boolean inside = value >= low && value <= high;
        if (!inside) {
            add(field, Ranges.outside(what, value, low, high, unit));
        }
        return inside;
    }

    /**
     * Runs a reading that may fail; what it complains of becomes faults, a complaint of its own under {@code field}.
     */
    public <T> Optional<T> attempt(String field, Supplier<T> reading) {
        try {
            return Optional.of(reading.get());
        } catch (InvalidInput e) {
            found.addAll(e.faults());
        } catch (IllegalArgumentException e) {
            add(field, String.valueOf(e.getMessage()));
        }
        return Optional.empty();
    }

    public boolean none() {
        return found.isEmpty();
    }

    public List<Fault> found() {
        return List.copyOf(found);
    }

    /** @throws InvalidInput when anything was found */
    public void throwIfAny() {
        if (!found.isEmpty()) {
            throw new InvalidInput(found);
        }
    }
}

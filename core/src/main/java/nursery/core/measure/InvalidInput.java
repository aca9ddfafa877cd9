package nursery.core.measure;

import java.util.List;
import java.util.stream.Collectors;

/** An input that cannot be used. Carries everything that is wrong with it, not just the first thing. */
public final class InvalidInput extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;
    private final transient List<Fault> faults;

    public InvalidInput(List<Fault> faults) {
        super(faults.stream().map(Fault::message).collect(Collectors.joining(" ")));
        this.faults = List.copyOf(faults);
    }

    public List<Fault> faults() {
        return faults;
    }
}

package nursery.app.cups;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.Refusal;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;

/** Nothing was logged: because it cannot be, or because the maker should look twice first. */
@Published
public final class NotLogged extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Refusal> refusals;
    private final transient List<String> concerns;

    private NotLogged(List<Refusal> refusals, List<String> concerns) {
        super(refusals.isEmpty() ? String.join(" ", concerns) : refusals.get(0).message());
        this.refusals = refusals;
        this.concerns = concerns;
    }

    public static NotLogged refused(Refusal refusal) {
        return new NotLogged(List.of(refusal), List.of());
    }

    static NotLogged questioned(List<String> concerns) {
        return new NotLogged(List.of(), List.copyOf(concerns));
    }

    static NotLogged because(List<Refusal> refusals, List<String> concerns) {
        return new NotLogged(List.copyOf(refusals), List.copyOf(concerns));
    }

    /** Why it cannot be logged; empty if it can, once confirmed. */
    public List<Refusal> refusals() {
        return refusals;
    }

    /** What is questionable about it; it is logged when sent again as confirmed. */
    public List<String> concerns() {
        return concerns;
    }

    /** The answer as faults under the names of the inputs; it says by whom and when, in the shop's time. */
    public InvalidInput asFaults(Show show) {
        List<Fault> faults = new ArrayList<>();
        for (Refusal refusal : refusals) {
            String by = refusal.other()
                    .map(mark -> " %s wrote it at %s, for %s. Nothing was saved twice."
                            .formatted(mark.recordedBy(), show.at(mark.recordedAt()), show.at(mark.happenedAt())))
                    .orElse("");
            String from = refusal.earliest()
                    .map(earliest -> " Choose %s or later.".formatted(show.at(earliest)))
                    .orElse("");
            faults.add(new Fault(refusal.field(), refusal.message() + by + from));
        }
        concerns.forEach(concern -> faults.add(new Fault("concern", concern)));
        return new InvalidInput(faults);
    }
}

package nursery.core.plan;

import java.time.Instant;
import java.util.Optional;
import nursery.core.log.CupFile;
import nursery.core.measure.Faults;

/**
 * A cup to be planned.
 *
 * @param base    the name of the resin its base coats are mixed from: coats share a mix only within one resin
 * @param last    the same for its finishing coat
 * @param dueAt   when it must have reached full cure, if it is promised
 * @param matters how much an hour late counts beside other cups, 1 for an ordinary one
 */
public record PlanCup(String code, CupFile file, String base, String last, Optional<Instant> dueAt, int matters) {

    public static final int MOST_MATTERS = 9;

    public PlanCup {
        Faults faults = new Faults();
        faults.within("matters", "How much it matters", matters, 1, MOST_MATTERS, "");
        faults.throwIfAny();
    }

    public PlanCup with(CupFile other) {
        return new PlanCup(code, other, base, last, dueAt, matters);
    }
}

package nursery.core.floor;

import java.util.List;
import nursery.core.log.Spindle;
import nursery.core.measure.Faults;

/**
 * A turner with its speed and its spindles.
 *
 * @param speedAssumed whether nobody has counted its turns yet
 */
public record Turner(long id, String name, double rpm, boolean speedAssumed, List<Spindle> spindles) {

    public static void checkRpm(Faults faults, double rpm) {
        faults.within("rpm", "The turner's speed", rpm, 0.2, 60, "rpm");
    }
}

package nursery.app.shelf;

import java.util.List;
import nursery.app.platform.Published;
import nursery.core.log.Spindle;
import nursery.core.measure.Faults;

/** A turner with its speed and its spindles. */
@Published
public record ShelfTurner(long id, String name, double rpm, List<Spindle> spindles) {

    public static void checkRpm(Faults faults, double rpm) {
        faults.within("rpm", "The turner's speed", rpm, 0.2, 60, "rpm");
    }
}

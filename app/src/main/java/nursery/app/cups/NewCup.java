package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;

/**
 * What a maker decides when a cup is started.
 *
 * @param technique the name of the technique it follows
 * @param plan      the cup's own copy of its steps, by the schools chosen
 * @param matters   how much an hour late counts beside other cups, 1 for an ordinary one
 */
@Published
public record NewCup(String name, String madeFor, long blankId, long baseResinId, long lastResinId, Optional<LocalDate> dueOn,
        String paint, String glitter, Schools schools, String technique, List<PlanStep> plan, Instant startedAt, int matters) {

    /** An ordinary cup. */
    public NewCup(String name, String madeFor, long blankId, long baseResinId, long lastResinId, Optional<LocalDate> dueOn, String paint, String glitter, Schools schools, String technique, List<PlanStep> plan, Instant startedAt) {
        this(name, madeFor, blankId, baseResinId, lastResinId, dueOn, paint, glitter, schools, technique, plan, startedAt, 1);
    }
}

package nursery.app.cups;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.technique.Schools;

/** What a maker decides when a cup is started. */
@Published
public record NewCup(String name, String madeFor, long blankId, long baseResinId, long lastResinId, Optional<LocalDate> dueOn,
        String paint, String glitter, Schools schools, Instant startedAt) {}

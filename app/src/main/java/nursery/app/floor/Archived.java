package nursery.app.floor;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.log.LogEntry;

/**
 * A cup that has left the floor, as it is listed.
 *
 * @param how handed over or abandoned; empty for one that was fully cured for long
 */
@Published
public record Archived(
        String code,
        String name,
        String madeFor,
        Optional<LocalDate> dueOn,
        Instant leftAt,
        Optional<LogEntry.Kind> how) {}

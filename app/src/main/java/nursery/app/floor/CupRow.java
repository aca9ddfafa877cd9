package nursery.app.floor;

import java.time.Instant;
import java.time.LocalDate;
import nursery.app.platform.Published;
import org.jspecify.annotations.Nullable;

/**
 * A cup as its table keeps it.
 *
 * @param version counts every change to it, to its steps and to its log
 * @param nextStep the number its next new step gets
 */
@Published
public record CupRow(
        long id,
        String code,
        String name,
        String madeFor,
        long blankId,
        int blankEdition,
        long baseResinId,
        long lastResinId,
        @Nullable LocalDate dueOn,
        String paintColour,
        String glitterColour,
        String glitterMore,
        String schools,
        String technique,
        Instant startedAt,
        int matters,
        Instant leavesAt,
        int version,
        int nextStep) {}

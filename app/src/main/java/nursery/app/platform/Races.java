package nursery.app.platform;

import java.util.Optional;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.DuplicateKeyException;

/** What the loser of a race is told, where two wrote at once and the database let only one. */
final class Races {

    private Races() {}

    /** In one sentence; empty if the trouble is another. */
    static Optional<String> sentence(DataAccessException trouble) {
        if (trouble instanceof DuplicateKeyException) {
            return Optional.of("Someone took that name a moment ago, and this was not saved: choose another.");
        }
        if (trouble instanceof DataIntegrityViolationException) {
            return Optional.of("Someone changed or removed what this builds on a moment ago, and nothing was saved: "
                    + "look again, then decide.");
        }
        return trouble instanceof ConcurrencyFailureException
                ? Optional.of("Too much was written at once, and this was not saved: send it again.")
                : Optional.empty();
    }
}

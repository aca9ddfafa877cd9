package nursery.app.platform;

import java.net.SocketTimeoutException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import java.util.Set;

/** When the database does not answer, or its disk is full: not a defect of the request, and soon over. */
final class Outage {

    /**
     * ER_DISK_FULL, ER_RECORD_FILE_FULL, ER_ERROR_ON_WRITE, ER_TEMP_FILE_WRITE_FAILURE: MariaDB's words for a full
     * disk.
     */
    private static final Set<Integer> FULL = Set.of(1021, 1114, 1026, 3, 1878);

    private static final String CONNECTION = "08";
    private static final int DEEPEST = 20;

    private Outage() {}

    /** In one sentence; empty if the trouble is another. */
    static Optional<String> sentence(Throwable trouble) {
        Throwable cause = trouble;
        for (int deep = 0; cause != null && deep < DEEPEST; deep++) {
            if (cause instanceof SQLException sql) {
                if (FULL.contains(sql.getErrorCode())
                        || String.valueOf(sql.getMessage()).contains("No space left")) {
                    return Optional.of("The disk is full, so nothing can be written, and nothing was half-saved. "
                            + "Free some space; Nursery goes on by itself.");
                }
                if (isGone(sql)) {
                    return Optional.of(gone());
                }
            }
            if (cause instanceof SocketTimeoutException) {
                return Optional.of(gone());
            }
            cause = cause.getCause();
        }
        return Optional.empty();
    }

    private static boolean isGone(SQLException trouble) {
        return trouble instanceof SQLTransientConnectionException
                || trouble instanceof SQLNonTransientConnectionException
                || String.valueOf(trouble.getSQLState()).startsWith(CONNECTION);
    }

    private static String gone() {
        return "The database does not answer, and nothing was half-saved. Nursery looks for it by itself and goes on "
                + "as soon as it is back.";
    }
}

package nursery.app.platform;

import java.net.SocketTimeoutException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import java.util.Set;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;

/** When the database does not answer, or its disk is full: not a defect of the request, and soon over. */
final class Outage {

    /**
     * ER_DISK_FULL, ER_RECORD_FILE_FULL, ER_ERROR_ON_WRITE, ER_TEMP_FILE_WRITE_FAILURE: MariaDB's words for a full
     * disk.
     */
    private static final Set<Integer> FULL = Set.of(1021, 1114, 1026, 3, 1878);

    /** What is told where the database would work too long on one question. */
    static final String TOO_MUCH = "That is too much to add up just now, and nothing was changed. Ask for less, or "
            + "again when the shop is quiet.";

    private static final String CONNECTION = "08";
    private static final int DEEPEST = 20;

    private Outage() {}

    /** ER_STATEMENT_TIMEOUT: the server itself stopped what would take too long. */
    private static final int TOO_LONG = 1969;

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
                if (sql.getErrorCode() == TOO_LONG) {
                    return Optional.of(TOO_MUCH);
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
        // A transaction that can neither be begun nor ended has lost its database, whatever words that comes in.
        return trouble instanceof TransactionSystemException || trouble instanceof CannotCreateTransactionException
                ? Optional.of(gone())
                : Optional.empty();
    }

    private static boolean isGone(SQLException trouble) {
        return trouble instanceof SQLTransientConnectionException
                || trouble instanceof SQLNonTransientConnectionException
                || String.valueOf(trouble.getSQLState()).startsWith(CONNECTION)
                || String.valueOf(trouble.getMessage()).contains("Connection is closed");
    }

    private static String gone() {
        return "The database does not answer, and nothing was half-saved. Nursery looks for it by itself and goes on "
                + "as soon as it is back.";
    }
}

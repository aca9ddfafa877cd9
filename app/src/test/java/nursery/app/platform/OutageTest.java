package nursery.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.SocketTimeoutException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;

/** SQLSTATE class 08 is a connection exception (ISO/IEC 9075); MariaDB's 1114 and 1021 are a full table and disk. */
class OutageTest {

    @Test
    void aDatabaseThatDoesNotAnswerIsToldApartFromADefect() {
        assertThat(Outage.sentence(new CannotCreateTransactionException(
                        "no", new SQLTransientConnectionException("HikariPool-1 - Connection is not available"))))
                .hasValueSatisfying(said -> assertThat(said).contains("does not answer"));
        assertThat(Outage.sentence(
                        new DataAccessResourceFailureException("gone", new SQLException("Socket error", "08000"))))
                .isPresent();
        assertThat(Outage.sentence(new IllegalStateException(new SocketTimeoutException("Read timed out"))))
                .isPresent();
        assertThat(Outage.sentence(new IllegalStateException("a defect"))).isEmpty();
        assertThat(Outage.sentence(new UncategorizedSQLException("", "", new SQLException("Syntax", "42000", 1064))))
                .isEmpty();
    }

    @Test
    void aFullDiskIsCalledSo() {
        assertThat(Outage.sentence(new UncategorizedSQLException(
                        "", "", new SQLException("The table 'log_entry' is full", "HY000", 1114))))
                .hasValueSatisfying(said -> assertThat(said).contains("The disk is full"));
    }

    /** As it is met when the database is killed under a request: the rollback itself fails. */
    @Test
    void aTransactionThatCannotEvenBeUndoneHasLostItsDatabase() {
        assertThat(Outage.sentence(new TransactionSystemException(
                        "JDBC rollback failed", new SQLException("Connection is closed"))))
                .hasValueSatisfying(said -> assertThat(said).contains("does not answer"));
        assertThat(Outage.sentence(new TransactionSystemException("JDBC commit failed")))
                .isPresent();
    }

    /** ER_STATEMENT_TIMEOUT of MariaDB's list of error codes. */
    @Test
    void whatTheDatabaseItselfStopsIsTooMuchAndNoOutage() {
        assertThat(Outage.sentence(new UncategorizedSQLException(
                        "", "", new SQLException("Query execution was interrupted", "70100", 1969))))
                .contains(Outage.TOO_MUCH);
    }
}

package app.navlo.server;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.List;
import org.postgresql.util.PSQLException;
import org.postgresql.util.PSQLState;
import org.springframework.dao.DataAccessResourceFailureException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Why a start failed, found however deep it lies: each in one kind only, or in none. */
public class FailuresTest {
    private static PSQLException postgres(String words, PSQLState state) {
        return new PSQLException(words, state);
    }

    private static RuntimeException within(Throwable cause) {
        return new IllegalStateException("a bean", new DataAccessResourceFailureException("no data", cause));
    }

    @DataProvider
    public static Object[][] failures() {
        return new Object[][] {
            {new SQLException("Database may be already in use: \"navlo.mv.db\""), "in use"},
            {new SQLException("Database \"navlo\" not found, and IFEXISTS=true"), "no data"},
            {new SQLException("IO Exception: No space left on device"), "full"},
            {new SQLException("Validate failed: Detected applied migration not resolved locally: 999"), "newer"},
            {postgres("Connection to db:5432 refused.", PSQLState.CONNECTION_UNABLE_TO_CONNECT), "out of reach"},
            {postgres("FATAL: password authentication failed", PSQLState.INVALID_PASSWORD), "out of reach"},
            {postgres("FATAL: database \"nope\" does not exist", PSQLState.UNKNOWN_STATE), ""},
            {postgres("ERROR: division by zero", PSQLState.DIVISION_BY_ZERO), ""},
            {new SQLException("connection refused", "08001"), ""},
            {new IllegalStateException("something else"), ""},
        };
    }

    @Test(dataProvider = "failures")
    public void eachIsOfOneKind(Throwable failure, String kind) {
        for (Throwable told : List.of(failure, within(failure))) {
            String kinds = (Failures.inUse(told) ? "in use" : "")
                    + (Failures.noData(told) ? "no data" : "")
                    + (Failures.full(told) ? "full" : "")
                    + (Failures.newer(told) ? "newer" : "")
                    + (Failures.outOfReach(told) ? "out of reach" : "");
            assertEquals(kinds, kind, told.toString());
        }
    }
}

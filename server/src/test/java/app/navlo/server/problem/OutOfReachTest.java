package app.navlo.server.problem;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class OutOfReachTest {
    private static final SQLException GONE = new SQLException("The connection is broken");

    /** Faults, and how what is said of them begins. */
    @DataProvider
    public static Object[][] faults() {
        return new Object[][] {
            {new DataAccessResourceFailureException("couldn't be read", GONE), "Nothing was changed."},
            {new CannotCreateTransactionException("couldn't be begun", GONE), "Nothing was changed."},
            {
                new TransactionSystemException("couldn't be committed", GONE),
                "It can't be told whether this was still saved."
            },
        };
    }

    @Test(dataProvider = "faults")
    public void onlyWhatIsKnownIsSaid(RuntimeException fault, String begin) {
        assertTrue(OutOfReach.in(fault));
        assertTrue(OutOfReach.in(new IllegalStateException("around it", fault)));
        Refusal refusal = OutOfReach.refusal(new IllegalStateException("around it", fault));
        assertEquals(refusal.status(), HttpStatus.SERVICE_UNAVAILABLE);
        String words = refusal.faults().get(0).message();
        assertTrue(words.startsWith(begin), words);
        assertTrue(words.endsWith("its disk is full, or its database doesn't answer."), words);
    }

    @Test
    public void otherFaultsAreOfSomethingElse() {
        assertFalse(OutOfReach.in(null));
        assertFalse(OutOfReach.in(new DuplicateKeyException("there already", GONE)));
        assertFalse(OutOfReach.in(new IllegalStateException("not this", GONE)));
    }
}

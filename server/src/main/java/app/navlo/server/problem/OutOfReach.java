package app.navlo.server.problem;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;

/** The data can't be reached now. They are opened again by themselves once that can be done. */
public final class OutOfReach {
    /** Somebody met it. */
    public record Met() {}

    private OutOfReach() {}

    /** Whether a fault comes of that. */
    public static boolean in(@Nullable Throwable fault) {
        return Stream.<@Nullable Throwable>iterate(fault, cause -> cause != null, Throwable::getCause)
                .anyMatch(cause -> cause instanceof DataAccessResourceFailureException
                        || cause instanceof CannotCreateTransactionException
                        || cause instanceof TransactionSystemException);
    }

    static Refusal refusal() {
        return Refusal.of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "The data can't be reached just now",
                "",
                "Nothing was changed. Try again in a moment; if it stays, tell whoever runs this Navlo: its disk is full, or its"
                        + " database doesn't answer.");
    }
}

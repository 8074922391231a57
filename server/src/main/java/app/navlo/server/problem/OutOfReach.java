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
        return has(fault, DataAccessResourceFailureException.class)
                || has(fault, CannotCreateTransactionException.class)
                || has(fault, TransactionSystemException.class);
    }

    private static boolean has(@Nullable Throwable fault, Class<? extends Throwable> kind) {
        return Stream.<@Nullable Throwable>iterate(fault, cause -> cause != null, Throwable::getCause)
                .anyMatch(kind::isInstance);
    }

    /** Where they went while something was being committed, nobody can tell whether it still was. */
    static Refusal refusal(Throwable fault) {
        String so = has(fault, TransactionSystemException.class)
                ? "It can't be told whether this was still saved. Look in a moment, and do it again if it wasn't"
                : "Nothing was changed. Try again in a moment";
        return Refusal.of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "The data can't be reached just now",
                "",
                so + "; if it stays, tell whoever runs this Navlo: its disk is full, or its database doesn't answer.");
    }
}

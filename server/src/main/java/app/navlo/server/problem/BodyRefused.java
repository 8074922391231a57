package app.navlo.server.problem;

import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** A body that is larger than it may be, or takes longer. */
public final class BodyRefused extends IOException {
    private static final long serialVersionUID = 1L;
    private final transient Refusal refusal;

    private BodyRefused(Refusal refusal) {
        super(refusal.title());
        this.refusal = refusal;
    }

    /** @param most bytes that are taken */
    public static BodyRefused tooLarge(long most) {
        return new BodyRefused(Refusal.of(
                HttpStatus.CONTENT_TOO_LARGE,
                "That is too much at once",
                "",
                "At most " + (most >> 10) + " kB are taken. Send it in parts."));
    }

    public static BodyRefused tooSlow() {
        return new BodyRefused(Refusal.of(
                HttpStatus.REQUEST_TIMEOUT, "That took too long", "", "Look at the connection, then try again."));
    }

    public Refusal refusal() {
        return refusal;
    }

    /** What a reader of the body ran into, however it wraps it; null for something else. */
    static @Nullable BodyRefused in(@Nullable Throwable wrong) {
        Throwable cause = wrong;
        while (cause != null && !(cause instanceof BodyRefused)) {
            cause = cause.getCause();
        }
        return (BodyRefused) cause;
    }
}

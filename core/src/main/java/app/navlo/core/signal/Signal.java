package app.navlo.core.signal;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.reason.Reason;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something that asks for the student's attention.
 *
 * @param since when it arose; what is put aside later hides it
 * @param until when it can be dealt with; null for no such end
 * @param stake in course percent, ratings 0–4 spread over it, by the one forecast; null where nothing can be said
 * @param about other work that it names; empty for none
 */
public record Signal(
        SignalKind kind,
        WorkId work,
        CourseId course,
        Instant since,
        @Nullable Instant until,
        @Nullable Rational stake,
        List<WorkId> about,
        Reason reason) {
    /** What ends soonest first, then the most pressing kind, then what most hangs on. */
    public static final Comparator<Signal> MOST_PRESSING = Comparator.comparing(
                    (Signal signal) -> signal.kind().group() != SignalKind.Group.ABOUT_TO_BE_LOST)
            .thenComparing(signal -> signal.until() == null ? Instant.MAX : signal.until())
            .thenComparing(Signal::kind)
            .thenComparing(signal -> signal.stake() == null ? Rational.ZERO : signal.stake(), Comparator.reverseOrder())
            .thenComparing(Signal::work);

    public Signal {
        about = List.copyOf(about);
    }
}

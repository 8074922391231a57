package app.navlo.server.household;

import app.navlo.server.store.Changes;
import app.navlo.server.store.People;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.Sight;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Keeps students' rows as they were read: a row of the same data, for the same reader who has seen the same, says the same until
 * the clock changes it.
 */
@Component
class StudentRows {
    private static final int MOST = 10_000;

    /** Things of which nobody says when they change, as that what is new grows old, are read again after this. */
    private static final Duration LONGEST = Duration.ofHours(1);

    private final Cache<Place, Kept> kept = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterAccess(Duration.ofDays(2))
            .build();
    private final AtomicLong readAnew = new AtomicLong();

    /** Of the same student one row is kept for a reader at a device. */
    private record Place(
            long student,
            Spanning span,
            long reader,
            @Nullable String device) {}

    private record Kept(Key key, StudentRow row) {
        boolean holds(Key asked, Instant now) {
            return key.equals(asked)
                    && row.holdsAt(now)
                    && now.isBefore(row.readAt().plus(LONGEST));
        }
    }

    /**
     * @param student as they are called, which no change says
     * @param sees of the student, for the reader
     * @param device with which somebody reads their own; null for none that says, and of others
     * @param zone in which the reader's days are
     */
    record Key(
            People.Student student,
            Changes.Mark mark,
            Spanning span,
            long reader,
            Sight sees,
            @Nullable String device,
            ZoneId zone,
            SeenMarks.Seen seen) {}

    StudentRow of(Key key, Instant now, Supplier<StudentRow> read) {
        Place place = new Place(key.student().id(), key.span(), key.reader(), key.device());
        Kept known = kept.getIfPresent(place);
        if (known != null && known.holds(key, now)) {
            return known.row();
        }
        StudentRow fresh = read.get();
        readAnew.incrementAndGet();
        kept.put(place, new Kept(key, fresh));
        return fresh;
    }

    /** How many rows were read because none that was kept held. */
    long readAnew() {
        return readAnew.get();
    }
}

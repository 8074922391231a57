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
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Keeps students' rows as they were read: a row of the same data, for the same reader who has seen the same, says the same until
 * the clock changes it.
 */
@Component
class StudentRows {
    private static final int MOST = 5_000;

    /** Things of which nobody says when they change, as that what is new grows old, are read again after this. */
    private static final Duration LONGEST = Duration.ofMinutes(10);

    private final Cache<Key, StudentRow> kept = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterAccess(Duration.ofMinutes(20))
            .build();

    /**
     * @param student as they are called, which no change says
     * @param sees of the student, for the reader
     * @param device with which somebody reads; null for none that says
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
        StudentRow known = kept.getIfPresent(key);
        if (known != null && known.holdsAt(now) && now.isBefore(known.readAt().plus(LONGEST))) {
            return known;
        }
        StudentRow fresh = read.get();
        kept.put(key, fresh);
        return fresh;
    }
}

package app.navlo.server.board;

import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.People;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/**
 * The boards of this minute, as they are sent. Whoever asks again before the next one, another page, another device, is answered
 * with the board that there is, as long as nothing was changed and the clock alone changes nothing in it.
 */
@Service
@ReadBoard
class BoardsOfTheMinute {
    private static final int KEPT = 1_000;
    private static final Duration KEPT_FOR = Duration.ofMinutes(1);

    private final Boards boards;
    private final BoardMapper views;
    private final Changes changes;
    private final Sights sights;
    private final Drafts drafts;
    private final StudentHours hours;
    private final JsonMapper json;
    private final Cache<Question, Kept> kept =
            Caffeine.newBuilder().maximumSize(KEPT).expireAfterWrite(KEPT_FOR).build();

    BoardsOfTheMinute(
            Boards boards,
            BoardMapper views,
            Changes changes,
            Sights sights,
            Drafts drafts,
            StudentHours hours,
            JsonMapper json) {
        this.boards = boards;
        this.views = views;
        this.changes = changes;
        this.sights = sights;
        this.drafts = drafts;
        this.hours = hours;
        this.json = json;
    }

    /**
     * All that a board hangs on besides the second.
     *
     * @param words whether who asks is told what was said
     * @param own whether the student asks
     * @param lyingReady how many files lie in which draft: no change names them
     * @param busy what calendars say: no change names it
     */
    private record Question(
            Changes.Mark mark,
            People.Student student,
            boolean words,
            boolean own,
            ZoneId zone,
            Map<Long, Integer> lyingReady,
            Map<Long, List<BusyTime>> busy,
            Instant minute) {}

    /** @param until the clock alone changes something in it then, or just after; null for never */
    private record Kept(Instant made, @Nullable Instant until, Written<BoardView> board) {
        boolean holds(Instant now) {
            return !now.isBefore(made) && (until == null || now.isBefore(until));
        }
    }

    /** Who asks the same at the same time waits for the one board. */
    public Written<BoardView> of(People.Student student, Person reader, Instant now) {
        Instant minute = now.truncatedTo(ChronoUnit.MINUTES);
        Question question = new Question(
                changes.mark(student.id()),
                student,
                sights.of(student.id()).words(),
                reader.id() == student.id(),
                ZoneId.of(reader.zone()),
                drafts.fileCounts(student.id()),
                hours.told(student.id(), minute),
                minute);
        Kept there = Objects.requireNonNull(kept.get(question, any -> anew(student, reader, now)));
        if (!there.holds(now)) {
            there = anew(student, reader, now);
            kept.put(question, there);
        }
        return there.board();
    }

    /** As it was at the end of a day that is past. */
    public Written<BoardView> asItWas(People.Student student, Person reader, LocalDate day, Instant now) {
        return Written.of(
                views.asItWas(boards.asItWas(student.id(), ZoneId.of(reader.zone()), day, now), student), json);
    }

    private Kept anew(People.Student student, Person reader, Instant now) {
        BoardView view = views.of(boards.read(student.id(), ZoneId.of(reader.zone()), now), student, reader);
        return new Kept(now, view.nextChange(), Written.of(view, json));
    }
}

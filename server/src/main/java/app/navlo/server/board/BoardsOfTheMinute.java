package app.navlo.server.board;

import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.People;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The boards of this minute, as they are sent, as long as nothing is changed. @see AnswersOfTheMinute */
@Service
@ReadBoard
class BoardsOfTheMinute {
    private static final int KEPT = 1_000;

    private final Boards boards;
    private final BoardMapper views;
    private final Changes changes;
    private final Sights sights;
    private final Drafts drafts;
    private final StudentHours hours;
    private final JsonMapper json;
    private final AnswersOfTheMinute<Question, Written<BoardView>> kept = new AnswersOfTheMinute<>(KEPT);

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
        return kept.of(question, now, () -> anew(student, reader, now)).what();
    }

    /** As it was at the end of a day that is past. */
    public Written<BoardView> asItWas(People.Student student, Person reader, LocalDate day, Instant now) {
        return Written.of(
                views.asItWas(boards.asItWas(student.id(), ZoneId.of(reader.zone()), day, now), student), json);
    }

    private AnswersOfTheMinute.Answer<Written<BoardView>> anew(People.Student student, Person reader, Instant now) {
        Board board = boards.read(student.id(), ZoneId.of(reader.zone()), now);
        return new AnswersOfTheMinute.Answer<>(
                now, board.nextChange(), Written.of(views.of(board, student, reader), json));
    }
}

package app.navlo.server.hours;

import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.Efforts.Corrected;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Course;
import app.navlo.server.store.CourseAims;
import app.navlo.server.store.CourseAims.CourseKind;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells what the time really spent makes of the efforts, and takes down where that isn't wanted. */
@Service
class EffortService {
    private final Boards boards;
    private final CourseAims ownCourses;
    private final OneChange one;
    private final ServerClock clock;

    EffortService(Boards boards, CourseAims ownCourses, OneChange one, ServerClock clock) {
        this.boards = boards;
        this.ownCourses = ownCourses;
        this.one = one;
        this.clock = clock;
    }

    @ReadBoard
    public List<EffortCorrectionView> read(long student, Person reader) {
        return board(student, reader).efforts().corrections().stream()
                .map(EffortService::view)
                .toList();
    }

    private static EffortCorrectionView view(Corrected corrected) {
        return new EffortCorrectionView(
                corrected.which().course(),
                corrected.which().kind(),
                corrected.correction().works(),
                corrected.correction().saidMinutes(),
                corrected.correction().spentMinutes(),
                Figures.text(corrected.correction().factor()),
                corrected.refused());
    }

    @Transactional
    public Changed refuse(Writer writer, Person person, RefusalForm form) {
        Board board = board(writer.student(), person);
        CourseKind which = new CourseKind(form.course(), form.kind());
        boolean known = board.efforts().corrections().stream()
                .anyMatch(corrected -> corrected.which().equals(which));
        Course course = board.courses().get(which.course());
        if (!known || course == null) {
            throw Refusal.invalid("kind", "The time spent says nothing else of this kind of work. Reload the page.");
        }
        String summary = (form.refused() ? "Efforts left as they are said: " : "Efforts by the time really spent: ")
                + which.kind().name().toLowerCase(Locale.ROOT) + " in "
                + course.details().name();
        return one.write(writer, "effort " + form, ChangeKind.OWN, summary, change -> {
            ownCourses.refuse(writer.student(), change, which, form.refused());
            return which.course();
        });
    }

    private Board board(long student, Person reader) {
        return boards.read(student, ZoneId.of(reader.zone()), clock.instant());
    }
}

package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.grade.CompletionScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.server.board.BoardView.BelowView;
import app.navlo.server.board.BoardView.CompletionView;
import app.navlo.server.board.BoardView.LetterView;
import app.navlo.server.board.BoardView.ReadingView;
import app.navlo.server.board.BoardView.StandingView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Course;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Writes where a course stands as it is sent. */
public final class StandingMapper {
    private StandingMapper() {}

    public static StandingView of(Board board, Course course) {
        CourseBook book = Objects.requireNonNull(board.books().get(course.id()));
        return new StandingView(
                course.rules().grade().kind(),
                readings(book.readings()),
                Objects.requireNonNullElse(course.rules().printed(), Reading.SO_FAR),
                book.rules().table().rows().stream()
                        .map(row -> new LetterView(row.label(), Figures.text(row.from())))
                        .toList(),
                completion(board, course, book),
                book.turnaround().gradingDay());
    }

    public static List<ReadingView> readings(Readings readings) {
        return Arrays.stream(Reading.values())
                .map(reading -> {
                    Readings.Answer answer = readings.of(reading);
                    return new ReadingView(
                            reading,
                            Figures.textOrNull(answer.grade().figure()),
                            answer.letter(),
                            answer.grade().counted(),
                            answer.grade().belowLine().stream()
                                    .map(StandardId::text)
                                    .toList());
                })
                .toList();
    }

    private static @Nullable CompletionView completion(Board board, Course course, CourseBook book) {
        return book.completion().map(path -> completion(board, course, path)).orElse(null);
    }

    private static CompletionView completion(Board board, Course course, CompletionScheme.Path path) {
        List<Board.Entry> required = board.entries().stream()
                .filter(entry -> entry.course().id() == course.id()
                        && entry.work().definition().required())
                .toList();
        return new CompletionView(
                path.complete(),
                required.size(),
                required.size() - path.undone().size(),
                path.below().stream()
                        .map(below -> new BelowView(
                                below.work().number(),
                                title(required, below.work()),
                                Figures.textOrNull(below.percent()),
                                Figures.text(below.from())))
                        .toList());
    }

    private static String title(List<Board.Entry> works, WorkId id) {
        return works.stream()
                .filter(entry -> entry.work().id() == id.number())
                .map(entry -> entry.work().definition().title())
                .findFirst()
                .orElse("work that is gone");
    }
}

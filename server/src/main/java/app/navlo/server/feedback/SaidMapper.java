package app.navlo.server.feedback;

import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.feedback.Questions;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.feedback.SaidView.AnswerView;
import app.navlo.server.feedback.SaidView.AnswersView;
import app.navlo.server.feedback.SaidView.EnclosedView;
import app.navlo.server.feedback.SaidView.MarkView;
import app.navlo.server.feedback.SaidView.ReleasedView;
import app.navlo.server.feedback.SaidView.RowMarkView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.RubricSheet;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StoredFile;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Writes what was said as it is sent.
 *
 * @param rubricMarks by fact, in the order of the rubric
 * @param answers by the fact that releases them
 * @param files by the word that they go with
 * @param ticked marks that the student has dealt with
 */
public record SaidMapper(
        Map<Long, Feedback.FileMark> marks,
        Map<Long, List<Feedback.RubricMark>> rubricMarks,
        Map<Long, List<Feedback.Answer>> answers,
        Map<Long, List<StoredFile>> files,
        Set<Long> ticked) {

    /** @param work null for all works of the student */
    public static SaidMapper read(Feedback feedback, long student, @Nullable Long work, Set<Long> undone) {
        return new SaidMapper(
                feedback.marks(student, work),
                feedback.rubricMarks(student, work),
                feedback.answers(student, work),
                feedback.files(student, work),
                feedback.ticked(student, work, undone));
    }

    /** The points alone, for who isn't told what was said. */
    public SaidMapper withoutWords() {
        Map<Long, List<Feedback.RubricMark>> points = new HashMap<>();
        rubricMarks.forEach((fact, marked) -> points.put(
                fact,
                marked.stream()
                        .map(mark -> new Feedback.RubricMark(mark.place(), mark.points(), null))
                        .toList()));
        return new SaidMapper(Map.of(), points, Map.of(), Map.of(), Set.of());
    }

    /** Unread first, then newest first. */
    public List<SaidView> of(Board.Entry entry) {
        Map<Long, RecordedFact> recorded =
                entry.recorded().stream().collect(Collectors.toMap(RecordedFact::id, Function.identity()));
        return FeedbackStream.of(entry.facts(), entry.now()).stream()
                .map(said -> said(entry, said, Objects.requireNonNull(recorded.get(said.fact()))))
                .toList();
    }

    private SaidView said(Board.Entry entry, FeedbackStream.Entry said, RecordedFact recorded) {
        Feedback.FileMark mark = marks.get(said.fact());
        return new SaidView(
                said.fact(),
                entry.work().id(),
                said.at(),
                said.by(),
                said.name(),
                said.place(),
                said.text(),
                said.unread(),
                recorded.answersFact(),
                mark == null ? null : mark(mark, ticked.contains(said.fact())),
                rows(entry.work().definition().rules().rubric(), said.fact()),
                recorded.fact() instanceof Fact.AnswersReleased released
                        ? new ReleasedView(released.attempt(), answers(entry, said.fact()))
                        : null,
                files.getOrDefault(said.fact(), List.of()).stream()
                        .map(file -> new EnclosedView(file.name(), file.size()))
                        .toList());
    }

    private static MarkView mark(Feedback.FileMark mark, boolean done) {
        Feedback.Area area = mark.area();
        return new MarkView(
                mark.handIn(),
                mark.position(),
                mark.fileName(),
                mark.page(),
                area.x(),
                area.y(),
                area.width(),
                area.height(),
                done);
    }

    private List<RowMarkView> rows(@Nullable RubricSheet sheet, long fact) {
        if (sheet == null) {
            return List.of();
        }
        return rubricMarks.getOrDefault(fact, List.of()).stream()
                .filter(mark -> mark.place() < sheet.rows().size())
                .map(mark -> row(sheet.row(mark.place()), mark))
                .toList();
    }

    private static RowMarkView row(Rubric.Row row, Feedback.RubricMark mark) {
        Optional<Rubric.Level> level = row.level(mark.points());
        return new RowMarkView(
                row.title(),
                Figures.text(mark.points()),
                Figures.text(row.most()),
                Figures.text(row.lost(mark.points())),
                level.map(Rubric.Level::title).orElse(null),
                level.map(Rubric.Level::description).orElse(null),
                mark.words());
    }

    /** What each row of the rubric got in the end: a later marking beats an earlier one, row by row. */
    public Map<Integer, Feedback.RubricMark> lastRubricMarks(Board.Entry entry) {
        return entry.recorded().stream()
                .filter(recorded -> recorded.fact() instanceof Fact.RubricMarked)
                .filter(recorded -> !recorded.fact().stamp().at().isAfter(entry.now()))
                .flatMap(recorded -> rubricMarks.getOrDefault(recorded.id(), List.of()).stream())
                .collect(Collectors.toMap(Feedback.RubricMark::place, Function.identity(), (earlier, later) -> later));
    }

    /** The answers that a release lets be seen; whether it has come isn't asked here. */
    public AnswersView answers(Board.Entry entry, long release) {
        List<Feedback.Answer> given = answers.getOrDefault(release, List.of());
        List<Rational> worth = given.stream().map(Feedback.Answer::possible).toList();
        Rational possible = entry.work().definition().marking().possible();
        OptionalInt inAll = Questions.inAll(worth, possible);
        return new AnswersView(
                given.stream().map(SaidMapper::answer).toList(),
                inAll.isPresent() ? inAll.getAsInt() : null,
                Figures.text(Rational.sum(worth)),
                Figures.text(possible));
    }

    private static AnswerView answer(Feedback.Answer answer) {
        return new AnswerView(
                answer.question(),
                answer.given(),
                answer.wanted(),
                Figures.text(answer.points()),
                Figures.text(answer.possible()),
                answer.words());
    }
}

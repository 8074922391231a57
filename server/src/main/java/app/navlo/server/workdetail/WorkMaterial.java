package app.navlo.server.workdetail;

import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.policy.AttemptRule;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.feedback.SaidMapper;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.RubricSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.Material;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.workdetail.MaterialView.AttemptView;
import app.navlo.server.workdetail.MaterialView.Author;
import app.navlo.server.workdetail.MaterialView.PostView;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads what a school gives with a piece of work, and has of it. */
@Component
class WorkMaterial {
    private final Material material;

    WorkMaterial(Material material) {
        this.material = material;
    }

    /** @param words whether who asks is told what was said, and sees files */
    MaterialView read(Board.Entry entry, SaidMapper said, boolean words, Set<Long> undone) {
        long work = entry.work().id();
        WorkSheet rules = entry.work().definition().rules();
        return new MaterialView(
                entry.course().details().teacher(),
                material.attachments(work, undone).stream()
                        .filter(any -> words)
                        .map(one -> new MaterialView.AttachmentView(
                                one.id(),
                                one.file().name(),
                                one.file().mediaType(),
                                one.file().size()))
                        .toList(),
                rules.timeLimitMinutes(),
                rules.filesWanted(),
                material.classFigures(work, undone)
                        .map(figures -> new MaterialView.ClassFiguresView(
                                Figures.textOrNull(figures.mean()),
                                Figures.textOrNull(figures.highest()),
                                Figures.textOrNull(figures.lowest())))
                        .orElse(null),
                rubric(entry, said),
                attempts(entry, said, words),
                entry.work().definition().marking().kept(),
                words ? thread(entry, undone) : List.of(),
                material.otherRecords(work, undone).stream()
                        .map(other -> RecordMapper.of(entry, other))
                        .toList());
    }

    private static MaterialView.@Nullable RubricView rubric(Board.Entry entry, SaidMapper said) {
        RubricSheet sheet = entry.work().definition().rules().rubric();
        if (sheet == null) {
            return null;
        }
        Map<Integer, Feedback.RubricMark> marks = said.lastRubricMarks(entry);
        List<MaterialView.RowView> rows = new ArrayList<>();
        Rational most = Rational.ZERO;
        for (int place = 0; place < sheet.rows().size(); place++) {
            Rubric.Row row = sheet.row(place);
            most = most.plus(row.most());
            rows.add(row(row, marks.get(place)));
        }
        Rational got = marks.values().stream().map(Feedback.RubricMark::points).reduce(Rational.ZERO, Rational::plus);
        return new MaterialView.RubricView(
                List.copyOf(rows), marks.isEmpty() ? null : Figures.text(got), Figures.text(most));
    }

    private static MaterialView.RowView row(Rubric.Row row, Feedback.@Nullable RubricMark mark) {
        Rational got = mark == null ? null : mark.points();
        return new MaterialView.RowView(
                row.title(),
                Figures.text(row.most()),
                Figures.textOrNull(got),
                got == null ? null : Figures.text(row.lost(got)),
                mark == null ? null : mark.words(),
                row.levels().stream()
                        .map(level -> new MaterialView.LevelView(
                                level.title(),
                                level.description(),
                                Figures.text(level.points()),
                                got != null && level.points().equals(got)))
                        .toList());
    }

    /** Of work that is done in attempts: those begun, and those on record. */
    private static List<AttemptView> attempts(Board.Entry entry, SaidMapper said, boolean words) {
        Map<Integer, Instant> begun = new HashMap<>();
        Map<Integer, RecordedFact> releases = new HashMap<>();
        for (RecordedFact recorded : entry.recorded()) {
            if (recorded.fact() instanceof Fact.AttemptBegun one
                    && !one.stamp().at().isAfter(entry.now())) {
                begun.put(one.attempt(), one.stamp().at());
            } else if (recorded.fact() instanceof Fact.AnswersReleased one) {
                releases.put(one.attempt(), recorded);
            }
        }
        AttemptRule.Outcome outcome = entry.finding().outcome();
        List<AttemptView> views = new ArrayList<>();
        for (AttemptRule.Judged judged : outcome.attempts()) {
            int number = judged.attempt().number();
            views.add(attempt(entry, judged, begun.remove(number), releases.get(number), words ? said : null));
        }
        begun.forEach((number, at) -> views.add(running(entry, number, at)));
        views.sort(Comparator.comparingInt(AttemptView::number));
        return views;
    }

    private static AttemptView attempt(
            Board.Entry entry,
            AttemptRule.Judged judged,
            @Nullable Instant begun,
            @Nullable RecordedFact release,
            @Nullable SaidMapper said) {
        boolean shown = judged.attempt().posted();
        Instant answersAt = release == null ? null : release.fact().stamp().at();
        boolean released = answersAt != null && !answersAt.isAfter(entry.now());
        return new AttemptView(
                judged.attempt().number(),
                begun,
                null,
                judged.attempt().handedIn(),
                shown ? Figures.textOrNull(judged.attempt().earned()) : null,
                judged.counts(),
                Objects.equals(
                        entry.finding().outcome().keptAttempt(),
                        judged.attempt().number()),
                answersAt,
                released && said != null
                        ? said.answers(entry, Objects.requireNonNull(release).id())
                        : null);
    }

    private static AttemptView running(Board.Entry entry, int number, Instant begun) {
        Integer limit = entry.work().definition().rules().timeLimitMinutes();
        Instant ends = limit == null ? null : begun.plus(Duration.ofMinutes(limit));
        return new AttemptView(number, begun, ends, null, null, false, false, null, null);
    }

    private List<PostView> thread(Board.Entry entry, Set<Long> undone) {
        if (entry.work().definition().handling().parts() == null) {
            return List.of();
        }
        Instant seen = FeedbackStream.seen(entry.facts(), entry.now());
        List<PostView> thread = new ArrayList<>();
        for (Material.ClassPost post : material.posts(entry.work().id(), undone)) {
            if (!post.at().isAfter(entry.now())) {
                Author author = post.byTeacher() ? Author.TEACHER : Author.CLASSMATE;
                boolean unread = post.at().isAfter(seen);
                thread.add(new PostView(post.id(), post.at(), author, post.author(), post.body(), null, unread));
            }
        }
        for (RecordedFact recorded : entry.recorded()) {
            boolean own = recorded.fact() instanceof Fact.Posted
                    && !recorded.fact().stamp().at().isAfter(entry.now());
            if (own) {
                String body = Objects.requireNonNullElse(recorded.body(), "");
                String name = recorded.fact().stamp().name();
                Instant at = recorded.fact().stamp().at();
                thread.add(new PostView(null, at, Author.STUDENT, name, body, recorded.answersPost(), false));
            }
        }
        thread.sort(Comparator.comparing(PostView::at));
        return thread;
    }
}

package app.navlo.server.board;

import app.navlo.core.course.Lack;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.FeedbackCount;
import app.navlo.core.grade.Reading;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Costs;
import app.navlo.core.work.PartsDone;
import app.navlo.core.work.Redo;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.BoardView.CostView;
import app.navlo.server.board.BoardView.FeedbackView;
import app.navlo.server.board.BoardView.PartsView;
import app.navlo.server.board.BoardView.RedoView;
import app.navlo.server.board.BoardView.ScoreView;
import app.navlo.server.board.BoardView.WorkDatesView;
import app.navlo.server.board.BoardView.WorkEffortView;
import app.navlo.server.board.BoardView.WorkHandlingView;
import app.navlo.server.board.BoardView.WorkStandView;
import app.navlo.server.board.BoardView.WorkView;
import app.navlo.server.board.BoardView.WorkWorthView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.WorkSheet.AppointmentSheet;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Writes a derived piece of work as it is sent. */
public final class WorkMapper {
    private WorkMapper() {}

    /** @param own whether who reads is the student: nobody else is told of notes of one's own */
    public static WorkView of(Board.Entry entry, boolean own, int files, int filesGiven) {
        Work work = entry.work();
        Work.Definition definition = work.definition();
        WorkState state = entry.state();
        return new WorkView(
                work.id(),
                work.version(),
                definition.courseId(),
                work.origin(),
                definition.title(),
                definition.kind(),
                definition.kind().byAttempts(),
                definition.unit(),
                definition.category(),
                definition.required(),
                own ? entry.notes().size() : 0,
                stand(entry, state),
                dates(entry, definition, state),
                worth(entry),
                new WorkEffortView(
                        entry.effortMinutes(),
                        entry.own().effortMinutes() != null,
                        entry.effort().corrected() ? entry.effort().said() : null,
                        entry.effort().spent()),
                new WorkHandlingView(
                        feedback(entry.feedback()),
                        parts(state.parts()),
                        redo(state.redo()),
                        state.attemptsUsed(),
                        state.attemptsAllowed(),
                        definition.handling().takes().done(),
                        definition.rules().address() != null,
                        files,
                        filesGiven));
    }

    private static WorkStandView stand(Board.Entry entry, WorkState state) {
        return new WorkStandView(
                state.stage(),
                state.timing(),
                state.missing(),
                state.move(),
                state.shown().flag(),
                state.shown().differ(),
                state.toComplete(),
                state.mayHandIn(),
                state.handedInAt(),
                lock(entry),
                List.copyOf(Lack.of(entry.finding())),
                !entry.finding().shutForGood().isEmpty());
    }

    private static WorkDatesView dates(Board.Entry entry, Work.Definition definition, WorkState state) {
        List<Costs.CostDate> costs = entry.costs();
        return new WorkDatesView(
                definition.opensAt(),
                state.due(),
                state.dueToCome(),
                dueDay(definition.due(), state.due()),
                endsAt(definition),
                costs.isEmpty() ? null : cost(costs.get(0)),
                askUntil(entry.finding()));
    }

    private static WorkWorthView worth(Board.Entry entry) {
        return new WorkWorthView(
                score(entry),
                Figures.textOrNull(entry.finding().impact()),
                Figures.textOrNull(entry.finding().lift()),
                entry.droppedIn().contains(Reading.SO_FAR),
                belowPass(entry));
    }

    private static @Nullable Instant endsAt(Work.Definition definition) {
        AppointmentSheet appointment = definition.rules().appointment();
        return appointment == null ? null : appointment.endsAt();
    }

    private static @Nullable LocalDate dueDay(@Nullable Deadline assigned, @Nullable Instant inForce) {
        return assigned instanceof Deadline.EndOfDay end && end.instant().equals(inForce) ? end.day() : null;
    }

    public static CostView cost(Costs.CostDate cost) {
        return new CostView(cost.at(), cost.limit(), Figures.text(cost.lost()), cost.unknown());
    }

    private static ScoreView score(Board.Entry entry) {
        ScoreShown shown = entry.state().score();
        Rational kept = entry.finding().outcome().kept();
        boolean isFinal = shown.mark() == ScoreShown.Mark.FINAL && kept != null;
        Rational points = isFinal ? kept : shown.points();
        Rational raw = isFinal ? entry.finding().outcome().keptRaw() : null;
        return new ScoreView(
                shown.mark(),
                Figures.textOrNull(points),
                Objects.equals(raw, points) ? null : Figures.textOrNull(raw),
                Figures.text(entry.work().definition().marking().possible()));
    }

    private static boolean belowPass(Board.Entry entry) {
        WorkItem.Marking marking = entry.work().definition().marking();
        return marking.passPercent() != null
                && RedoRule.below(
                        marking.passPercent(), entry.finding().outcome().keptRaw(), marking.possible());
    }

    private static @Nullable Instant askUntil(WorkAssessment finding) {
        boolean toHandIn =
                finding.state().move() == Turn.YOURS || finding.state().move() == Turn.OUT_OF_REACH;
        if (!toHandIn || finding.state().handInStands()) {
            return null;
        }
        return finding.extension().may()
                ? finding.extension().until()
                : finding.tokens().may() ? finding.tokens().until() : null;
    }

    private static @Nullable String lock(Board.Entry entry) {
        List<String> locks = entry.locks();
        return locks.isEmpty()
                ? null
                : locks.get(0) + (locks.size() > 1 ? ", and " + (locks.size() - 1) + " more" : "");
    }

    private static FeedbackView feedback(FeedbackCount count) {
        return new FeedbackView(count.count(), count.unread(), count.latestBy(), count.waits());
    }

    private static @Nullable PartsView parts(@Nullable PartsDone parts) {
        return parts == null ? null : new PartsView(parts.done(), parts.of(), parts.postsLeft(), parts.repliesLeft());
    }

    private static @Nullable RedoView redo(@Nullable Redo redo) {
        return redo == null ? null : new RedoView(redo.kind(), redo.due(), redo.timing());
    }
}

package app.navlo.server.board;

import app.navlo.core.id.CourseId;
import app.navlo.core.next.EffortSpread;
import app.navlo.core.pace.EffortCorrection;
import app.navlo.core.plan.Guess;
import app.navlo.core.work.Fact;
import app.navlo.server.store.CourseAims.CourseKind;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** How long each piece of work takes: what is said, what the time really spent makes of it, and what is left. Immutable. */
public final class Efforts {
    private final Map<CourseKind, EffortCorrection> corrections = new HashMap<>();
    private final Set<CourseKind> refused;
    private final Map<Long, WorkEffort> byWork = new HashMap<>();
    private final double spread;

    /**
     * @param said by the school; null for nothing
     * @param minutes that are reckoned with in all: the student's own figure, else what is said, corrected; null for nothing
     * @param corrected whether it was corrected by the time really spent on the like
     * @param left of those, with what is spent taken off; null for nothing
     */
    public record WorkEffort(
            @Nullable Integer said,
            @Nullable Integer minutes,
            boolean corrected,
            int spent,
            @Nullable Integer left) {}

    /** What the facts of a student say, and whether it is refused. */
    public record Corrected(CourseKind which, EffortCorrection correction, boolean refused) {}

    Efforts(
            Collection<Work> works,
            Map<Long, List<RecordedFact>> facts,
            Map<Long, StudentEstimates.Figures> figures,
            Map<Long, Integer> spent,
            Set<CourseKind> refused) {
        this.refused = refused;
        record DoneAt(Instant at, EffortCorrection.Done done) {}
        List<DoneAt> done = new ArrayList<>();
        for (Work work : works) {
            Instant at = doneAt(facts.getOrDefault(work.id(), List.of()));
            Integer said = work.definition().effortMinutes();
            if (at != null && said != null && spent.containsKey(work.id())) {
                CourseKind which = which(work);
                done.add(new DoneAt(
                        at,
                        new EffortCorrection.Done(
                                CourseId.of(which.course()), which.kind(), said, spent.get(work.id()))));
            }
        }
        done.sort(Comparator.comparing(DoneAt::at));
        spread = EffortSpread.of(done.stream().map(DoneAt::done).toList());
        for (EffortCorrection one :
                EffortCorrection.of(done.stream().map(DoneAt::done).toList())) {
            corrections.put(new CourseKind(one.course().number(), one.kind()), one);
        }
        for (Work work : works) {
            boolean isDone = doneAt(facts.getOrDefault(work.id(), List.of())) != null;
            StudentEstimates.Figures own = figures.getOrDefault(work.id(), StudentEstimates.Figures.NONE);
            byWork.put(work.id(), effort(work, own, spent.getOrDefault(work.id(), 0), isDone));
        }
    }

    private static CourseKind which(Work work) {
        return new CourseKind(work.definition().courseId(), work.definition().kind());
    }

    /** When it was last handed in, if it wasn't withdrawn since; null for not. */
    private static @Nullable Instant doneAt(List<RecordedFact> facts) {
        Instant at = null;
        for (RecordedFact recorded : facts) {
            if (recorded.fact() instanceof Fact.HandedIn) {
                at = recorded.fact().stamp().at();
            } else if (recorded.fact() instanceof Fact.Withdrawn || recorded.fact() instanceof Fact.SentBack) {
                at = null;
            }
        }
        return at;
    }

    private WorkEffort effort(Work work, StudentEstimates.Figures own, int spent, boolean done) {
        Integer said = work.definition().effortMinutes();
        CourseKind which = which(work);
        EffortCorrection correction = corrections.get(which);
        boolean corrected =
                own.effortMinutes() == null && said != null && correction != null && !refused.contains(which);
        Integer minutes = corrected
                ? Integer.valueOf(Objects.requireNonNull(correction).minutes(Objects.requireNonNull(said)))
                : own.effortOr(said);
        Integer left = minutes == null || done ? minutes : Integer.valueOf(EffortCorrection.left(minutes, spent));
        return new WorkEffort(said, minutes, corrected, spent, left);
    }

    WorkEffort of(long work) {
        return byWork.getOrDefault(work, new WorkEffort(null, null, false, 0, null));
    }

    /** How long work takes of which somebody said so, as a guess from what was really spent before. */
    public Optional<Guess> guess(long work) {
        WorkEffort effort = of(work);
        return Optional.ofNullable(effort.minutes())
                .filter(minutes -> minutes > 0)
                .map(minutes -> new Guess(minutes, spread, effort.spent()));
    }

    /** In the order of courses and kinds. */
    public List<Corrected> corrections() {
        return corrections.entrySet().stream()
                .map(one -> new Corrected(one.getKey(), one.getValue(), refused.contains(one.getKey())))
                .sorted(Comparator.comparing((Corrected one) -> one.which().course())
                        .thenComparing(one -> one.which().kind()))
                .toList();
    }
}

package app.navlo.core.course;

import app.navlo.core.gate.CourseGates;
import app.navlo.core.gate.Shut;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * Which gates can't open any more by the student's own doing: what they wait for is out of reach itself, or is below the
 * percent that is needed with no redo, attempt or leeway left.
 */
final class ShutForGood {
    private final Map<WorkId, EvaluatedWork> works;
    private final CourseGates gates;
    private final LeewayAnswers leeway;
    private final Instant now;
    private final Map<WorkId, Set<WorkId>> found = new HashMap<>();

    /** @param works with no gate shut */
    ShutForGood(Map<WorkId, EvaluatedWork> works, CourseGates gates, LeewayAnswers leeway, Instant now) {
        this.works = works;
        this.gates = gates;
        this.leeway = leeway;
        this.now = now;
    }

    /** The work at the root of it, which a teacher would have to open again; empty if it isn't shut for good. */
    Set<WorkId> by(WorkId work) {
        Set<WorkId> known = found.get(work);
        if (known != null) {
            return known;
        }
        Set<WorkId> roots = new LinkedHashSet<>();
        for (Shut shut : gates.shutting(work, now)) {
            for (WorkId waitedFor : shut.works()) {
                roots.addAll(rootsOf(waitedFor, shut instanceof Shut.BelowPercent));
            }
        }
        found.put(work, roots);
        return roots;
    }

    private Set<WorkId> rootsOf(WorkId waitedFor, boolean forPercent) {
        EvaluatedWork one = Objects.requireNonNull(works.get(waitedFor));
        boolean canCome = forPercent ? canRise(one) : canBeDone(one);
        if (!canCome) {
            return Set.of(waitedFor);
        }
        Stage stage = one.state().stage();
        boolean begunWithTeacher = stage == Stage.TURNED_IN || stage == Stage.SENT_BACK || stage == Stage.RETURNED;
        return begunWithTeacher ? Set.of() : by(waitedFor);
    }

    private boolean canBeDone(EvaluatedWork one) {
        return switch (one.state().move()) {
            case YOURS, TEACHERS, NOT_YET -> true;
            case SETTLED -> one.state().mayHandIn();
            case OUT_OF_REACH -> hasLeeway(one);
        };
    }

    private boolean canRise(EvaluatedWork one) {
        return canBeDone(one) || (one.state().move() != Turn.OUT_OF_REACH && attemptLeft(one));
    }

    /** Without a limit a quiz or test may be taken again; other work may not be handed in again unasked. */
    private static boolean attemptLeft(EvaluatedWork one) {
        WorkState state = one.state();
        boolean quiz = one.item().kind().byAttempts();
        boolean left = state.attemptsAllowed() == null ? quiz : state.attemptsUsed() < state.attemptsAllowed();
        return one.item().expectsHandIn() && state.accepted() && left;
    }

    private boolean hasLeeway(EvaluatedWork one) {
        return one.item().expectsHandIn()
                && (leeway.extension(one, null).may()
                        || leeway.tokens(one, null).may());
    }
}

package app.navlo.server.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.next.Circumstances;
import app.navlo.core.next.NextPlan;
import app.navlo.server.board.Board;
import app.navlo.server.ops.MadeOnce;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The plans of this minute. Time is planned in whole minutes, so whoever asks again before the next one is answered with the plan
 * that there is, as long as nothing was changed and no piece of work fares otherwise than it did.
 */
@Component
class PlansOfTheMinute {
    /** Few: each has all that is known of a student. */
    private static final int KEPT = 60;

    private static final Duration KEPT_FOR = Duration.ofMinutes(1);

    /**
     * What a plan hangs on besides how the work fares.
     *
     * @param words whether who asks is told what was said
     * @param holding names what is stored of the student, and what is asked of the plan
     */
    record Question(
            long student,
            boolean words,
            ZoneId zone,
            PlanHolding.Holding holding,
            @Nullable Integer budgetMinutes,
            Instant minute) {
        Question with(PlanHolding.Holding held) {
            return new Question(student, words, zone, held, budgetMinutes, minute);
        }

        static Question at(Board board, boolean words, PlanHolding.Holding holding, @Nullable Integer budgetMinutes) {
            return new Question(
                    board.student(),
                    words,
                    board.zone(),
                    holding,
                    budgetMinutes,
                    board.now().truncatedTo(ChronoUnit.MINUTES));
        }
    }

    record Planned(Circumstances with, NextPlan plan) {}

    private record Kept(List<WorkAssessment> known, Planned planned) {}

    private final MadeOnce<Question, Kept> kept = new MadeOnce<>(KEPT, KEPT_FOR);

    /** A plan that holds from now on is made no other by that. */
    void holds(Question before, PlanHolding.Holding held) {
        Kept there = kept.ifThere(before);
        if (there != null) {
            kept.put(before.with(held), there);
        }
    }

    /** Who asks the same at the same time waits for the one plan. */
    Planned of(Question question, Board board, Supplier<Planned> anew) {
        List<WorkAssessment> known = board.books().values().stream()
                .map(CourseBook::findings)
                .flatMap(List::stream)
                .toList();
        Kept there = kept.of(question, () -> new Kept(known, anew.get()));
        if (!there.known().equals(known)) {
            there = new Kept(known, anew.get());
            kept.put(question, there);
        }
        return there.planned();
    }
}

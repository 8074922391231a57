package app.navlo.core.next;

import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.plan.Guess;
import app.navlo.core.time.Stretch;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a plan hangs on besides the courses.
 *
 * @param free time from now on, in order and disjoint
 * @param spill time right after an end of free hours into which a sitting may run over, in order; it is in none of {@code free}
 * @param aims by course; usual where there is none
 * @param guesses by work how long it takes; as usual about its minutes where there is none
 * @param held the plan that holds; null for none
 */
public record Circumstances(
        List<Stretch> free,
        List<Stretch> spill,
        Wishes wishes,
        Map<CourseId, Aim> aims,
        Map<WorkId, Guess> guesses,
        @Nullable Held held) {
    public Circumstances {
        free = List.copyOf(free);
        spill = List.copyOf(spill);
        aims = Map.copyOf(aims);
        guesses = Map.copyOf(guesses);
    }

    /** Free hours with hard ends, and nothing known besides. */
    public static Circumstances of(List<Stretch> free) {
        return new Circumstances(free, List.of(), Wishes.NONE, Map.of(), Map.of(), null);
    }

    public Circumstances with(Wishes others) {
        return new Circumstances(free, spill, others, aims, guesses, held);
    }

    public Circumstances withAims(Map<CourseId, Aim> others) {
        return new Circumstances(free, spill, wishes, others, guesses, held);
    }

    public Circumstances holding(@Nullable Held other) {
        return new Circumstances(free, spill, wishes, aims, guesses, other);
    }

    /** Other free hours, with hard ends. */
    public Circumstances within(List<Stretch> others) {
        return new Circumstances(others, List.of(), wishes, aims, guesses, held);
    }

    public Circumstances spilling(List<Stretch> others) {
        return new Circumstances(free, others, wishes, aims, guesses, held);
    }
}

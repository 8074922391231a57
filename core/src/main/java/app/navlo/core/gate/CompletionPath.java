package app.navlo.core.gate;

import app.navlo.core.id.WorkId;
import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The steps of a path that is done when all are, an orientation say: what is left, and what waits for a person. */
public record CompletionPath(List<Step> steps) {
    public enum Where {
        DONE,
        /** Handed in, and a person must tick it. */
        WAITS_FOR_PERSON,
        YOURS,
        SHUT
    }

    /** @param usuallyBy when a person has usually ticked it; null but for what waits for one */
    public record Step(WorkId work, Where where, @Nullable Instant usuallyBy) {}

    /**
     * A step as it stands.
     *
     * @param ticked settled: returned or excused
     * @param handedInAt null if it is not with a person
     */
    public record Given(
            WorkId work, boolean ticked, @Nullable Instant handedInAt, boolean shut) {}

    public CompletionPath {
        steps = List.copyOf(steps);
    }

    /** @param median working time that a person usually takes */
    public static CompletionPath of(List<Given> given, Duration median, SchoolCalendar calendar) {
        List<Step> steps = new ArrayList<>();
        for (Given one : given) {
            if (one.ticked()) {
                steps.add(new Step(one.work(), Where.DONE, null));
            } else if (one.handedInAt() != null) {
                Instant usually = calendar.plusWorkingTime(one.handedInAt(), median);
                steps.add(new Step(one.work(), Where.WAITS_FOR_PERSON, usually));
            } else {
                steps.add(new Step(one.work(), one.shut() ? Where.SHUT : Where.YOURS, null));
            }
        }
        return new CompletionPath(steps);
    }

    public long left() {
        return steps.stream().filter(step -> step.where() != Where.DONE).count();
    }
}

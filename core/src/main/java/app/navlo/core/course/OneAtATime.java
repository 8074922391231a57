package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.Regrade;
import app.navlo.core.grade.Valued;
import app.navlo.core.id.WorkId;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What the expected reading of a course would be with one piece of work otherwise, asked of many pieces one after another: all the
 * rest is graded once. Says the same as {@link WhatIfCourse#instead(WhatIf)} does.
 */
public final class OneAtATime {
    private final WhatIfCourse course;
    private final Regrade regrade;
    private final Set<WorkId> counted = new HashSet<>();
    private final @Nullable Rational asItIs;

    OneAtATime(WhatIfCourse course) {
        this.course = course;
        List<Valued> valued = course.graded().stream()
                .flatMap(work -> Readings.valued(Reading.EXPECTED, work).stream())
                .toList();
        valued.forEach(one -> counted.add(one.id()));
        regrade = course.scheme().regrade(valued);
        asItIs = course.figure(Reading.EXPECTED);
    }

    /** In the units of the course's figure; null where nothing counts. */
    public @Nullable Rational asItIs() {
        return asItIs;
    }

    /**
     * The same with this alone otherwise.
     *
     * @throws app.navlo.core.check.IllegalInput if the change names work that isn't in the course
     */
    public @Nullable Rational with(WhatIf change) {
        Optional<Valued> then =
                course.changed(change).flatMap((GradedWork work) -> Readings.valued(Reading.EXPECTED, work));
        if (then.isPresent()) {
            return regrade.figure(then.get());
        }
        // What no longer counts is taken out, which no regrading does.
        return counted.contains(change.work()) ? course.instead(change).figure(Reading.EXPECTED) : asItIs;
    }
}

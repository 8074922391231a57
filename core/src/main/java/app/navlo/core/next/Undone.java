package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.OneAtATime;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/** What a course counts for a piece of work while its move isn't made, and once it is. */
record Undone(WorkAssessment finding, SchoolCalendar calendar) {
    static Undone of(WorkAssessment finding, CourseBook book) {
        return new Undone(finding, book.rules().calendar());
    }

    /**
     * Whether a course counts less for it while its move isn't made. It doesn't for what has a score, nor for optional work,
     * unless that only adds.
     */
    boolean costsUndone() {
        return finding.graded() != null
                && finding.outcome().kept() == null
                && (finding.item().required()
                        || finding.graded().extra()
                        || finding.graded().awaited());
    }

    /** The course, as it is, with all of these undone. */
    static WhatIfCourse undo(List<Undone> all, WhatIfCourse asItIs) {
        return asItIs.instead(
                all.stream().flatMap(one -> one.without().stream()).toList());
    }

    /** A course that has all of these undone, with them handed in at an instant. */
    static WhatIfCourse handIn(List<Undone> all, Instant at, WhatIfCourse trial) {
        List<WhatIf> changes =
                all.stream().flatMap(one -> one.with(at).stream()).toList();
        WhatIfCourse then = trial.instead(changes);
        for (Undone one : all) {
            then = one.with(at).isEmpty() ? then.asItIs(one.finding().id()) : then;
        }
        return then;
    }

    /** What handing this in at an instant gains beside leaving it undone, all other work as it is; in the units of the course's figure. */
    Rational gains(Instant at, OneAtATime course) {
        return figure(with(at), course).minus(figure(without(), course));
    }

    private static Rational figure(Optional<WhatIf> change, OneAtATime course) {
        Rational figure = change.isPresent() ? course.with(change.get()) : course.asItIs();
        return figure == null ? Rational.ZERO : figure;
    }

    /** The course with this handed in at an instant. */
    WhatIfCourse handIn(Instant at, WhatIfCourse trial) {
        return apply(with(at), trial);
    }

    /** The course with this handed in so that a share of full points is kept. */
    WhatIfCourse handIn(Rational share, WhatIfCourse trial) {
        return apply(with(share), trial);
    }

    /** Empty for what it counts as it is. */
    private WhatIfCourse apply(Optional<WhatIf> change, WhatIfCourse trial) {
        return change.map(trial::instead).orElseGet(() -> trial.asItIs(finding.id()));
    }

    /**
     * Nothing for what isn't handed in, and for what was flagged incomplete. What has a score keeps it, optional work waits
     * for one, and what happens at its time loses the part that preparing for it would bring.
     */
    private Optional<WhatIf> without() {
        if (!costsUndone()) {
            return Optional.empty();
        }
        if (finding.item().schedule().appointment() == null) {
            return Optional.of(WhatIf.counts(finding.id(), Rational.ZERO));
        }
        Rational left = Rational.HUNDRED.minus(finding.work().preparing()).dividedBy(Rational.HUNDRED);
        return Optional.of(WhatIf.counts(
                finding.id(),
                Objects.requireNonNull(finding.graded()).expected().times(left)));
    }

    private Optional<WhatIf> with(Instant at) {
        if (finding.graded() == null || finding.item().schedule().appointment() != null) {
            return Optional.empty();
        }
        if (finding.state().toComplete()) {
            return Optional.ofNullable(finding.raised()).map(points -> WhatIf.counts(finding.id(), points));
        }
        return Optional.of(WhatIf.scored(finding.id(), Tasks.scoredAt(finding, at, calendar), at));
    }

    private Optional<WhatIf> with(Rational share) {
        return finding.graded() == null
                ? Optional.empty()
                : Optional.of(WhatIf.counts(finding.id(), Tasks.raw(finding).times(share)));
    }
}

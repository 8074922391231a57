package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Turn;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work that can be planned.
 *
 * @param aim of its course; the steps of the modes are weighed by its importance
 * @param minutes of effort, at least 1
 * @param release when it can be begun; null for now
 * @param after work that must be finished first
 * @param lagMinutes after the last of those
 * @param onTime what it gains in course percent if it is handed in now
 * @param modes the plain one first
 */
record Task(
        CourseBook book,
        Aim aim,
        WorkAssessment finding,
        ActionKind deed,
        long minutes,
        boolean minutesGuessed,
        @Nullable Instant release,
        List<WorkId> after,
        long lagMinutes,
        Rational onTime,
        List<Way> modes) {
    /** @param leeway null for the due in force */
    record Way(@Nullable Leeway leeway, List<Until> steps) {}

    /**
     * @param by finished by then; null for always
     * @param value hundredths of a course percent, times the course's importance
     * @param share of full marks that is kept
     */
    record Until(@Nullable Instant by, long value, Rational share) {}

    Undone undone() {
        return Undone.of(finding, book);
    }

    WorkId id() {
        return finding.id();
    }

    CourseId course() {
        return book.rules().course();
    }

    boolean yours() {
        return finding.state().move() == Turn.YOURS;
    }
}

package app.navlo.core.reminder;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Waiting;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Turn;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * That waiting with a piece of work is about to cost something, told at the last moment at which acting still saves it: when the
 * sitting begins in which it has to be begun at the latest.
 *
 * @param at when it is told; never in quiet hours, and before the loss
 * @param lossAt what waiting beyond this instant costs something
 * @param forGood whether nothing is taken any more after it
 * @param percent of the course that is lost then; 0 where that isn't known
 */
public record Reminder(WorkId work, Instant at, Instant lossAt, boolean forGood, Rational percent) {
    /** Losses smaller than this, in percent of a course, are worth no word. */
    public static final Rational LEAST_PERCENT = Rational.of(1, 10);

    private static final Duration AT_LEAST_BEFORE = Duration.ofHours(1);
    private static final Duration REACH = Duration.ofDays(14);

    /**
     * Of the next loss of a piece of work.
     *
     * @param free when the student works
     * @param minutes of effort, at least 0; a guess where nobody has said
     * @return empty where it isn't the student's move, or nothing worth a word is lost by waiting
     */
    public static Optional<Reminder> of(
            CourseBook book, WorkAssessment finding, long minutes, Availability free, QuietHours quiet) {
        if (finding.state().move() != Turn.YOURS) {
            return Optional.empty();
        }
        return Costs.ahead(finding.state(), finding.steps(), finding.policy().isAssumed(), book.now()).stream()
                .filter(cost -> cost.at().isAfter(book.now()))
                .filter(cost -> cost.endsAcceptance() || cost.lost().signum() > 0)
                .findFirst()
                .map(cost -> new Reminder(
                        finding.id(),
                        quiet.atOrBefore(lastMoment(cost.at(), minutes, free), free.zone()),
                        cost.at(),
                        cost.endsAcceptance(),
                        Waiting.percent(book, finding, cost.lost())))
                .filter(reminder -> reminder.isWorthAWord(finding));
    }

    /** Whether it is to be told now: its moment has come, and the loss hasn't. */
    public boolean isDue(Instant now) {
        return !at.isAfter(now) && lossAt.isAfter(now);
    }

    private boolean isWorthAWord(WorkAssessment finding) {
        boolean unknown = finding.impact() == null && forGood && finding.item().required();
        return unknown || percent.compareTo(LEAST_PERCENT) >= 0;
    }

    /** When the sitting begins in which so many minutes have to be begun; an hour and the effort before, where there is none. */
    private static Instant lastMoment(Instant loss, long minutes, Availability free) {
        Instant latest = loss.minus(AT_LEAST_BEFORE);
        List<Stretch> sittings = free.sittings(loss.minus(REACH), loss);
        long left = minutes;
        for (int i = sittings.size() - 1; i >= 0; i--) {
            left -= sittings.get(i).minutes();
            if (left <= 0) {
                Instant begin = sittings.get(i).start();
                return begin.isBefore(latest) ? begin : latest;
            }
        }
        return latest.minus(Duration.ofMinutes(minutes));
    }
}

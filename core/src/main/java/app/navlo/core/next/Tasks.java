package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.OneAtATime;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Shut;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.next.Task.Until;
import app.navlo.core.next.Task.Way;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkKind;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What can be planned of the courses' work: what is one's own to move, and what opens in time. */
final class Tasks {
    private static final long SHORTEST_TO_COMPLETE = 10;
    /** What can't be graded before the close any more is worth half: it may be, or may not. */
    private static final Rational AT_RISK = Rational.of(1, 2);

    /** Leeway that is used up is gone for what comes later, and a teacher may say no: what needs neither comes first. */
    private static final Rational SPENT = Rational.of(9, 10);

    private static final Rational HOPED_FOR = Rational.of(6, 10);

    /** Being late is seen, also where it takes off nothing. */
    private static final Rational LATE = Rational.of(97, 100);

    private static final Comparator<Task> BY_DUE = Comparator.<Task, Instant>comparing(
                    duty -> duty.finding().state().dueToCome(), Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(duty -> duty.finding().item().title());

    private final Map<CourseId, Aim> aims;
    private final Instant now;
    private final Map<WorkId, WorkAssessment> findings = new HashMap<>();
    private final Map<WorkId, Task> duties = new HashMap<>();

    private final UnknownWorth unknown;

    private Tasks(Map<CourseId, Aim> aims, UnknownWorth unknown, Instant now) {
        this.aims = aims;
        this.unknown = unknown;
        this.now = now;
    }

    /**
     * By due, then by title: of what is worth the same the planner takes the first.
     *
     * @param known of each course
     * @param aims by course; usual where there is none
     */
    static List<Task> of(Map<CourseBook, List<WorkAssessment>> known, Map<CourseId, Aim> aims, Instant now) {
        Tasks all = new Tasks(aims, new UnknownWorth(known), now);
        List<Task> found = new ArrayList<>();
        known.forEach((book, findings) -> {
            findings.forEach(finding -> all.findings.put(finding.id(), finding));
            Rational share = Scale.shareOfCompletion(findings);
            OneAtATime course = book.trial(List.of(), List.of()).oneAtATime();
            for (WorkAssessment finding : findings) {
                if (plannable(finding)) {
                    all.duties.put(finding.id(), all.duty(book, finding, course, share));
                }
            }
            all.openInTime(findings).forEach(id -> found.add(all.duties.get(id)));
        });
        found.sort(BY_DUE);
        return found;
    }

    static boolean plannable(WorkAssessment finding) {
        Turn move = finding.state().move();
        boolean isWork = finding.item().expectsHandIn() || toPrepare(finding);
        return isWork && (move == Turn.YOURS || move == Turn.NOT_YET);
    }

    /** Nobody prepares for a day out unless somebody says how long that takes; for a test one does. */
    private static boolean toPrepare(WorkAssessment finding) {
        return finding.item().schedule().appointment() != null
                && (finding.work().minutes() > 0 || finding.item().kind() == WorkKind.TEST);
    }

    /** Work that waits for what can't be done by the student can't be planned. */
    private Set<WorkId> openInTime(List<WorkAssessment> findings) {
        Set<WorkId> fits = new LinkedHashSet<>();
        findings.stream().map(WorkAssessment::id).filter(duties::containsKey).forEach(fits::add);
        boolean dropped = true;
        while (dropped) {
            dropped = fits.removeIf(id ->
                    !fits.containsAll(Objects.requireNonNull(duties.get(id)).after()));
        }
        return fits;
    }

    private Task duty(CourseBook book, WorkAssessment finding, OneAtATime course, Rational shareOfCompletion) {
        ActionKind deed = ActionKind.of(finding.item(), finding.state());
        long minutes = minutes(finding, deed);
        Gated gated = gated(book, finding);
        Rational onTime = onTime(book, finding, course, shareOfCompletion);
        Aim aim = aims.getOrDefault(book.rules().course(), Aim.USUAL);
        return new Task(
                book,
                aim,
                finding,
                deed,
                minutes,
                finding.work().minutes() == 0 || deed == ActionKind.COMPLETE,
                gated.release,
                gated.after,
                gated.lag.toMinutes(),
                onTime,
                ways(book, finding, worth(book, finding, onTime, minutes).times(aim.importance())));
    }

    /** What orders it. */
    private Rational worth(CourseBook book, WorkAssessment finding, Rational onTime, long minutes) {
        return isWorthKnown(book, finding, onTime) || !finding.work().counted()
                ? onTime
                : unknown.of(book, finding, minutes);
    }

    /** Whether anybody said what it is worth: its points, or that the course is passed by doing it. */
    static boolean isWorthKnown(CourseBook book, WorkAssessment finding, Rational onTime) {
        return onTime.signum() > 0 || finding.item().marking().possible().signum() > 0 || Scale.byCompletion(book);
    }

    /** What was flagged incomplete lacks a part: a third of the whole effort is guessed. */
    private static long minutes(WorkAssessment finding, ActionKind deed) {
        long minutes = finding.work().minutes() == 0
                ? CourseWork.GUESSED_MINUTES
                : finding.work().minutes();
        return deed == ActionKind.COMPLETE ? Math.max(SHORTEST_TO_COMPLETE, minutes / 3) : minutes;
    }

    /** What it gains in course percent if it is handed in now and all other work brings what is expected of it. */
    private static Rational onTime(
            CourseBook book, WorkAssessment finding, OneAtATime course, Rational shareOfCompletion) {
        if (Scale.byCompletion(book)) {
            return Scale.completes(book, finding) ? shareOfCompletion : Rational.ZERO;
        }
        return book.percent(Undone.of(finding, book).gains(book.now(), course)).max(Rational.ZERO);
    }

    static Rational raw(WorkAssessment finding) {
        return finding.expectedPercent()
                .times(finding.item().marking().possible())
                .dividedBy(Rational.HUNDRED);
    }

    /** What is expected of it, less what is assumed to come off for lateness at an instant where nobody has said. */
    static Rational scoredAt(WorkAssessment finding, Instant handedIn, SchoolCalendar calendar) {
        return finding.policy()
                .lessAssumed(
                        finding.state().dueToCome(),
                        handedIn,
                        finding.item().marking().possible(),
                        raw(finding),
                        calendar);
    }

    private static final class Gated {
        @Nullable
        Instant release;

        final List<WorkId> after = new ArrayList<>();
        Duration lag = Duration.ZERO;

        void notBefore(Instant at) {
            release = release == null || at.isAfter(release) ? at : release;
        }
    }

    private Gated gated(CourseBook book, WorkAssessment finding) {
        Gated gated = new Gated();
        Instant opens = finding.item().schedule().opensAt();
        if (opens != null && opens.isAfter(now)) {
            gated.notBefore(opens);
        }
        for (Shut shut : finding.shut()) {
            if (shut instanceof Shut.UntilDate date) {
                gated.notBefore(date.at());
            } else if (shut instanceof Shut.BelowPercent below) {
                awaitScore(book, below.work(), gated);
            } else {
                shut.works().forEach(work -> awaitDone(work, gated));
            }
        }
        return gated;
    }

    /** What happens in class or at its time is done then, whatever is done for it. */
    private void awaitDone(WorkId work, Gated gated) {
        WorkAssessment first = findings.get(work);
        Stretch appointment = first == null ? null : first.item().schedule().appointment();
        if (appointment != null) {
            gated.notBefore(appointment.endExclusive());
        } else if (first != null
                && !first.item().expectsHandIn()
                && first.state().due() != null) {
            gated.notBefore(first.state().due());
        } else {
            gated.after.add(work);
        }
    }

    /** A score is there when the teacher has graded the work. */
    private void awaitScore(CourseBook book, WorkId work, Gated gated) {
        WorkAssessment first = findings.get(work);
        Duration turnaround = book.turnaround().median();
        if (first != null
                && first.state().move() == Turn.TEACHERS
                && first.state().handedInAt() != null) {
            Instant graded =
                    book.rules().calendar().plusWorkingTime(first.state().handedInAt(), turnaround);
            gated.notBefore(graded.isBefore(now) ? now : graded);
        } else if (first != null && !first.item().expectsHandIn()) {
            awaitDone(work, gated);
        } else {
            gated.after.add(work);
            gated.lag = turnaround;
        }
    }

    /** @param onTime what it is worth, weighed */
    private List<Way> ways(CourseBook book, WorkAssessment finding, Rational onTime) {
        Stretch appointment = finding.item().schedule().appointment();
        if (appointment != null) {
            long worth = Scale.hundredths(onTime);
            return List.of(new Way(null, List.of(new Until(appointment.start(), worth, Rational.ONE))));
        }
        List<Way> ways = new ArrayList<>();
        Instant due = finding.state().dueToCome();
        Instant ends = finding.state().acceptance().ends();
        ways.add(new Way(null, steps(book, finding, due, ends, onTime)));
        if (finding.state().move() != Turn.YOURS || finding.state().handInStands()) {
            return ways;
        }
        ExtensionRule rule = book.rules().extension();
        if (finding.extension().may() && rule != null) {
            Leeway leeway = new Leeway(
                    Leeway.Kind.EXTENSION,
                    rule.tokens(),
                    finding.extension().until(),
                    finding.extension().newDue());
            Rational kept = Rational.ONE
                    .minus(rule.penaltyPercent().dividedBy(Rational.HUNDRED))
                    .times(rule.answered() == ExtensionRule.Answered.AT_ONCE ? SPENT : HOPED_FOR);
            ways.add(
                    new Way(leeway, steps(book, finding, leeway.due(), later(ends, leeway.due()), onTime.times(kept))));
        }
        List<Instant> dues = finding.tokens().dues();
        for (int k = 0; finding.tokens().may() && k < dues.size(); k++) {
            Leeway leeway =
                    new Leeway(Leeway.Kind.TOKEN, k + 1, finding.tokens().until(), dues.get(k));
            ways.add(new Way(
                    leeway, steps(book, finding, leeway.due(), later(ends, leeway.due()), onTime.times(SPENT))));
        }
        return ways;
    }

    private static @Nullable Instant later(@Nullable Instant ends, @Nullable Instant due) {
        return ends == null || due == null || ends.isAfter(due) ? ends : due;
    }

    /** What is kept, ended by the close, and at risk after the last instant from which it is surely graded before it. */
    private List<Until> steps(
            CourseBook book, WorkAssessment finding, @Nullable Instant due, @Nullable Instant ends, Rational onTime) {
        Instant close = finding.item().schedule().gradingClose();
        Instant last = close != null && (ends == null || close.isBefore(ends)) ? close : ends;
        Rational pointsPossible = finding.item().marking().possible();
        Rational possible = pointsPossible.isZero() ? Rational.HUNDRED : pointsPossible;
        List<LatePolicy.Step> kept = finding.state().toComplete()
                ? finding.steps()
                : finding.policy()
                        .steps(due, possible, possible, now, last, book.rules().calendar());
        Rational safe = kept.isEmpty() ? Rational.ZERO : kept.get(0).score();
        List<Until> steps = new ArrayList<>();
        Instant ahead = due == null || !due.isAfter(now) || finding.state().toComplete() ? null : due;
        for (LatePolicy.Step step : kept) {
            Rational share = step.score().dividedBy(possible);
            Rational value = safe.isZero() ? onTime : onTime.times(step.score()).dividedBy(safe);
            boolean late =
                    ahead != null && (step.handedIn() == null || step.handedIn().isAfter(ahead));
            if (ahead != null && late && (steps.isEmpty() || endsBefore(steps.get(steps.size() - 1), ahead))) {
                split(steps, ahead, value, share, finding);
            }
            split(steps, step.handedIn(), late ? value.times(LATE) : value, share, finding);
        }
        return steps;
    }

    private static boolean endsBefore(Until step, Instant at) {
        return step.by() != null && step.by().isBefore(at);
    }

    private void split(
            List<Until> steps, @Nullable Instant by, Rational value, Rational share, WorkAssessment finding) {
        long worth = Math.max(1, Scale.hundredths(value));
        Instant safe = finding.safeBy() == null ? null : finding.safeBy().at();
        if (safe == null || (by != null && !safe.isBefore(by))) {
            steps.add(new Until(by, worth, share));
            return;
        }
        boolean alreadyAtRisk = !steps.isEmpty()
                && steps.get(steps.size() - 1).by() != null
                && !Objects.requireNonNull(steps.get(steps.size() - 1).by()).isBefore(safe);
        if (!alreadyAtRisk && safe.isAfter(now)) {
            steps.add(new Until(safe, worth, share));
        }
        steps.add(new Until(by, Math.max(1, Scale.hundredths(value.times(AT_RISK))), share));
    }
}

package app.navlo.core.course;

import app.navlo.core.close.CheckIt;
import app.navlo.core.exact.Rational;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Flag;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A student at a glance, for who looks after several. The four kinds of missing stay apart: work that isn't there and can still
 * be had, that isn't there and can't, that is there and stands as missing all the same, and that is there and waits.
 *
 * @param savable missing, and still the student's to hand in
 * @param closed missing, and out of reach
 * @param listedMissing handed in, and flagged missing all the same
 * @param ungradedLong with the teacher longer than is usual there
 * @param sentBack sent back, flagged incomplete, or to be done again
 * @param nextLoss the first instant at which waiting with work of the student's own costs something; null where none does
 * @param nextDue the first due to come of work of the student's own; null where there is none
 * @param aboutToBeLost percent of courses, all added, that waiting beyond the next three days costs
 */
public record Glance(
        int savable,
        int closed,
        int listedMissing,
        int ungradedLong,
        int sentBack,
        @Nullable Loss nextLoss,
        @Nullable Loss nextDue,
        Rational aboutToBeLost) {
    /** As far as one looks for what is about to be lost. */
    public static final Duration SOON = Duration.ofDays(3);

    /** Of a piece of work, at an instant. */
    public record Loss(String work, Instant at) {}

    public static Glance of(Collection<CourseBook> books, Instant now) {
        List<InCourse> all = books.stream()
                .flatMap(book -> book.findings().stream().map(one -> new InCourse(book, one)))
                .toList();
        List<InCourse> yours = all.stream().filter(InCourse::isYours).toList();
        return new Glance(
                count(all, one -> one.state().missing() && one.isYours()),
                count(all, one -> one.state().missing() && one.state().move() == Turn.OUT_OF_REACH),
                count(all, one -> one.isIn() && one.state().shown().flag() == Flag.MISSING),
                count(all, one -> one.finding().checkIt().contains(CheckIt.UNGRADED_TOO_LONG)),
                count(all, InCourse::isBack),
                first(yours.stream().flatMap(one -> one.nextCost(now).stream().map(cost -> one.at(cost.at())))),
                first(yours.stream().flatMap(one -> one.due(now).stream().map(one::at))),
                yours.stream().map(one -> one.lostBy(now.plus(SOON), now)).reduce(Rational.ZERO, Rational::plus));
    }

    private static int count(List<InCourse> all, Predicate<InCourse> which) {
        return (int) all.stream().filter(which).count();
    }

    private static @Nullable Loss first(Stream<Loss> losses) {
        return losses.min(Comparator.comparing(Loss::at).thenComparing(Loss::work))
                .orElse(null);
    }

    /** A piece of work, and the course whose figure it moves. */
    private record InCourse(CourseBook book, WorkAssessment finding) {
        WorkState state() {
            return finding.state();
        }

        boolean isYours() {
            return state().move() == Turn.YOURS;
        }

        boolean isIn() {
            return state().stage() == Stage.TURNED_IN || state().stage() == Stage.RETURNED;
        }

        boolean isBack() {
            return isYours() && (state().stage() == Stage.SENT_BACK || state().redo() != null || state().toComplete());
        }

        Loss at(Instant at) {
            return new Loss(finding.id(), at);
        }

        Optional<Instant> due(Instant now) {
            return Optional.ofNullable(state().dueToCome()).filter(due -> due.isAfter(now));
        }

        private List<Costs.CostDate> costs(Instant now) {
            return Costs.ahead(state(), finding.steps(), finding.policy().isAssumed(), now);
        }

        Optional<Costs.CostDate> nextCost(Instant now) {
            return costs(now).stream().findFirst();
        }

        /** What waiting until an instant costs of the course, in percent: the share of full marks, of what a zero would cost. */
        Rational lostBy(Instant until, Instant now) {
            Rational impact = finding.impact();
            if (impact == null) {
                return Rational.ZERO;
            }
            Rational share = costs(now).stream()
                    .filter(cost -> !cost.at().isAfter(until))
                    .map(Costs.CostDate::lost)
                    .reduce(Rational.ZERO, Rational::plus);
            Rational most = Objects.requireNonNull(finding.item().marking().possible());
            return most.isZero()
                    ? Rational.ZERO
                    : book.percent(impact).times(share.dividedBy(most).min(Rational.ONE));
        }
    }
}

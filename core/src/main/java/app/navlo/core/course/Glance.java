package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A student at a glance, for who looks after several.
 *
 * @param lacks of how much work each is the matter; each kind is there
 * @param nextLoss the first instant at which waiting with work of the student's own costs something; null where none does
 * @param nextDue the first due to come of work of the student's own; null where there is none
 * @param aboutToBeLost percent of courses, all added, that waiting beyond the next three days costs
 * @param changesAt the next instant at, or just after, which the clock alone can change any of it; null for none
 */
public record Glance(
        Map<Lack, Integer> lacks,
        @Nullable Loss nextLoss,
        @Nullable Loss nextDue,
        Rational aboutToBeLost,
        @Nullable Instant changesAt) {
    /** As far as one looks for what is about to be lost. */
    public static final Duration SOON = Duration.ofDays(3);

    /** Of a piece of work, at an instant. */
    public record Loss(WorkId work, Instant at) {}

    /** What a student works towards: a grading period, or all of a term. */
    public record Span(
            @Nullable Instant afterExclusive, @Nullable Instant untilInclusive) {
        public static final Span ALL = new Span(null, null);

        /** The period that runs at an instant, between two closes; before the first and after the last it has no end there. */
        public static Span running(Collection<Instant> closes, Instant now) {
            return new Span(
                    closes.stream()
                            .filter(close -> !close.isAfter(now))
                            .max(Comparator.naturalOrder())
                            .orElse(null),
                    closes.stream()
                            .filter(close -> close.isAfter(now))
                            .min(Comparator.naturalOrder())
                            .orElse(null));
        }

        /** Whether work belongs to it: by the due to come, or the last there was; undated work belongs to all. */
        public boolean holds(WorkState state) {
            Instant due = state.dueToCome() == null ? state.due() : state.dueToCome();
            return due == null
                    || ((afterExclusive == null || due.isAfter(afterExclusive))
                            && (untilInclusive == null || !due.isAfter(untilInclusive)));
        }
    }

    public static Glance of(Collection<CourseBook> books, Span span, Instant now) {
        List<InCourse> known = books.stream()
                .flatMap(book -> book.findings().stream().map(one -> new InCourse(book, one)))
                .toList();
        List<InCourse> all =
                known.stream().filter(one -> span.holds(one.state())).toList();
        List<InCourse> yours = all.stream().filter(InCourse::isYours).toList();
        Map<Lack, Integer> lacks = new EnumMap<>(Lack.class);
        Arrays.stream(Lack.values()).forEach(lack -> lacks.put(lack, 0));
        all.forEach(one -> Lack.of(one.finding()).forEach(lack -> lacks.merge(lack, 1, Integer::sum)));
        return new Glance(
                lacks,
                first(yours.stream().flatMap(one -> one.nextCost(now).stream().map(cost -> one.at(cost.at())))),
                first(yours.stream().flatMap(one -> one.due(now).stream().map(one::at))),
                yours.stream().map(one -> one.lostBy(now.plus(SOON), now)).reduce(Rational.ZERO, Rational::plus),
                changesAt(known, span, now));
    }

    private static @Nullable Instant changesAt(List<InCourse> known, Span span, Instant now) {
        return Stream.concat(
                        Stream.ofNullable(span.untilInclusive()), known.stream().flatMap(one -> one.edges(now)))
                .filter(at -> !at.isBefore(now))
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    /** Of how much work this is the matter. */
    public int count(Lack lack) {
        return Objects.requireNonNull(lacks.get(lack));
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

        Loss at(Instant at) {
            return new Loss(finding.id(), at);
        }

        Optional<Instant> due(Instant now) {
            return Optional.ofNullable(state().dueToCome()).filter(due -> due.isAfter(now));
        }

        private List<Costs.CostDate> costs(Instant now) {
            return Costs.ahead(state(), finding.steps(), finding.policy().isAssumed(), now);
        }

        /** Instants at which the clock changes what is told of it: a cost counts from when it is soon. */
        Stream<Instant> edges(Instant now) {
            return Stream.of(
                            Stream.ofNullable(state().nextChange()),
                            Stream.ofNullable(state().dueToCome()),
                            costs(now).stream()
                                    .flatMap(cost ->
                                            Stream.of(cost.at(), cost.at().minus(SOON))))
                    .flatMap(edge -> edge);
        }

        Optional<Costs.CostDate> nextCost(Instant now) {
            return costs(now).stream().findFirst();
        }

        /** What waiting until an instant costs of the course, in percent: the share of full marks, of what a zero would cost. */
        Rational lostBy(Instant until, Instant now) {
            Rational share = costs(now).stream()
                    .filter(cost -> !cost.at().isAfter(until))
                    .map(Costs.CostDate::lost)
                    .reduce(Rational.ZERO, Rational::plus);
            return Waiting.percent(book, finding, share);
        }
    }
}

package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What the record of another system says otherwise of a piece of work, why that may be, and what hangs on which side is right. */
public final class TwoRecords {
    /** One system ends a day at 23:59, another at midnight. */
    private static final Duration NO_DIFFERENCE = Duration.ofMinutes(1);

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    private final CourseBook book;
    private final WorkAssessment finding;
    private final RecordEntry other;
    private final List<Difference> differences = new ArrayList<>();

    private TwoRecords(CourseBook book, WorkAssessment finding, RecordEntry other) {
        this.book = book;
        this.finding = finding;
        this.other = other;
    }

    public enum Kind implements Rule {
        TURNED_IN_BUT_MISSING("Turned in on the site, and missing there"),
        SCORES_DIFFER("The scores differ"),
        DUES_DIFFER("The dues differ");

        private final String template;

        Kind(String template) {
            this.template = template;
        }

        @Override
        public String template() {
            return template;
        }
    }

    /** What only one side knows, and makes the difference. */
    public enum Explained implements Rule {
        EXTENSION("It doesn't know of the extension"),
        TOKENS("It doesn't know of the tokens used"),
        GIVEN_DUE("It doesn't know of the due that came with the send-back"),
        PENALTY("It counts without the late penalty");

        private final String template;

        Explained(String template) {
            this.template = template;
        }

        @Override
        public String template() {
            return template;
        }
    }

    /** What to do about it. */
    public enum Advice implements Rule {
        WAIT("It will likely settle on the next grading day, {day}"),
        WAIT_FOR_THE_SCORE("It will likely settle when it is graded"),
        SHOW_RECEIPT("Show the receipt: it should have settled by now, and {points} points hang on it"),
        ASK("Ask which one holds: {points} points hang on it"),
        BY_RULE("The course's rule on late work takes it off"),
        NOTHING("Nothing hangs on which one is right");

        private final String template;

        Advice(String template) {
            this.template = template;
        }

        @Override
        public String template() {
            return template;
        }
    }

    /**
     * @param explained null where nothing that is known explains it
     * @param points that hang on which side is right; 0 for none
     * @param stake the same in the units of the course's figure
     */
    public record Difference(
            Kind kind, @Nullable Explained explained, Rational points, Rational stake, Reason advice) {}

    /** In the order of {@link Kind}; empty where the two agree. */
    public static List<Difference> compare(CourseBook book, WorkAssessment finding, RecordEntry other) {
        TwoRecords records = new TwoRecords(book, finding, other);
        records.missing();
        records.scores();
        records.dues();
        return List.copyOf(records.differences);
    }

    private WorkState state() {
        return finding.state();
    }

    private void missing() {
        if (state().handInStands() && state().handedInAt() != null && other.missing()) {
            Rational expected =
                    finding.graded() == null ? Rational.ZERO : finding.graded().expected();
            differ(Kind.TURNED_IN_BUT_MISSING, null, expected, Rational.ZERO);
        }
    }

    /** A gradebook may hold the points before or after the late penalty. */
    private void scores() {
        Rational raw = finding.outcome().keptRaw();
        Rational kept = finding.outcome().kept();
        Rational there = other.points();
        if (raw == null || kept == null || there == null || there.equals(kept)) {
            return;
        }
        boolean penalty = there.equals(raw);
        boolean saidByDues = penalty && state().due() != null && differ(state().due(), other.due());
        if (!saidByDues) {
            if (penalty) {
                differences.add(new Difference(
                        Kind.SCORES_DIFFER,
                        Explained.PENALTY,
                        Rational.ZERO,
                        Rational.ZERO,
                        Reason.of(Advice.BY_RULE)));
            } else {
                differ(Kind.SCORES_DIFFER, null, there, kept);
            }
        }
    }

    private void dues() {
        Instant here = state().due();
        Instant there = other.due();
        if (here == null || there == null || !differ(here, there)) {
            return;
        }
        Instant assigned = finding.item().schedule().due() == null
                ? null
                : finding.item().schedule().due().instant();
        boolean assignedThere = assigned != null && !differ(assigned, there);
        differ(Kind.DUES_DIFFER, assignedThere ? moved() : null, keptBy(here), keptBy(there));
    }

    private @Nullable Explained moved() {
        boolean granted = finding.work().facts().stream().anyMatch(fact -> fact instanceof Fact.ExtensionGranted);
        boolean used = finding.work().facts().stream().anyMatch(fact -> fact instanceof Fact.TokenUsed);
        return granted ? Explained.EXTENSION : used ? Explained.TOKENS : Explained.GIVEN_DUE;
    }

    /** What a hand-in keeps under a due: that which was made, else one made now. */
    private Rational keptBy(Instant due) {
        Rational possible = finding.item().marking().possible();
        boolean closed = state().handedInAt() == null && !state().toHandIn();
        if (!finding.item().expectsHandIn() || finding.graded() == null || closed) {
            return Rational.ZERO;
        }
        Rational raw = finding.outcome().keptRaw() == null
                ? finding.expectedPercent().times(possible).dividedBy(Rational.HUNDRED)
                : finding.outcome().keptRaw();
        Instant handedIn = state().handedInAt() == null ? book.now() : state().handedInAt();
        LatePolicy policy = finding.outcome().keptRaw() == null
                ? finding.policy()
                : finding.policy().ofScores();
        LatePolicy.Judged judged =
                policy.judge(due, handedIn, possible, raw, null, book.rules().calendar());
        return judged.score();
    }

    private void differ(Kind kind, @Nullable Explained explained, Rational one, Rational another) {
        Rational points = one.minus(another);
        points = points.signum() < 0 ? points.negate() : points;
        Rational stake = points.isZero()
                ? Rational.ZERO
                : book.moves(finding.id(), one).minus(book.moves(finding.id(), another));
        stake = stake.signum() < 0 ? stake.negate() : stake;
        differences.add(new Difference(kind, explained, points, stake, advice(kind, points)));
    }

    private Reason advice(Kind kind, Rational points) {
        if (kind != Kind.TURNED_IN_BUT_MISSING) {
            return points.isZero()
                    ? Reason.of(Advice.NOTHING)
                    : Reason.of(Advice.ASK).with("points", points);
        }
        SchoolCalendar calendar = book.rules().calendar();
        if (book.turnaround().shouldBeGraded(Objects.requireNonNull(state().handedInAt()), calendar, book.now())) {
            return Reason.of(Advice.SHOW_RECEIPT).with("points", points);
        }
        Instant day = book.turnaround().nextGradingDay(calendar, book.now());
        return day == null
                ? Reason.of(Advice.WAIT_FOR_THE_SCORE)
                : Reason.of(Advice.WAIT).with("day", dayWords(day, calendar));
    }

    private String dayWords(Instant day, SchoolCalendar calendar) {
        LocalDate date = calendar.dayOf(day);
        return date.equals(calendar.dayOf(book.now())) ? "today" : DAY.format(date);
    }

    private static boolean differ(Instant one, @Nullable Instant other) {
        return other != null && Duration.between(one, other).abs().compareTo(NO_DIFFERENCE) > 0;
    }
}

package app.navlo.server.course;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Grade;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.id.PartId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Stage;
import app.navlo.server.course.TrialView.ReadingChange;
import app.navlo.server.course.TrialView.ShareView;
import app.navlo.server.course.TrialView.StepView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.PolicyWords;
import app.navlo.server.store.Course;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.TemporalAdjusters;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Puts rules to an example and to the course, and says what they do. */
final class Trial {
    private static final LocalTime EVENING = LocalTime.of(18, 0);
    private static final Rational A_HAIR = Rational.of(4, 100);

    private final CourseBook book;
    private final CourseRules rules;
    private final ZoneId zone;
    private final Example example;
    private final Instant due;

    private Trial(Course course, CourseBook book, Example example) {
        this.book = book;
        this.rules = book.rules();
        this.zone = course.details().zone();
        this.example = example;
        this.due = nextFriday(book.now(), zone);
    }

    /** @param before the course under the rules that it has; the same as {@code after} to show them */
    static TrialView of(Course course, CourseBook before, CourseBook after, Example example) {
        Trial trial = new Trial(course, after, example);
        return new TrialView(
                trial.due,
                PolicyWords.of(trial.rules.late()),
                trial.late(),
                trial.steps(),
                trial.soon(),
                trial.extension(),
                trial.tokens(),
                trial.shares(),
                trial.nowhere(),
                readings(before.readings(), after.readings()),
                trial.letters(),
                open(before) - open(after));
    }

    /** A Friday, so that the week-end after it shows which days are counted. */
    private static Instant nextFriday(Instant now, ZoneId zone) {
        ZonedDateTime friday =
                now.atZone(zone).with(TemporalAdjusters.next(DayOfWeek.FRIDAY)).with(EVENING);
        return friday.toInstant();
    }

    private String late() {
        LatePolicy policy = rules.late();
        Duration after = Duration.ofHours(example.hoursLate());
        String when = example.hoursLate() == 0 ? "Handed in on time" : "Handed in " + example.hoursLate() + " h late";
        if (policy.takenFor() != null && after.compareTo(policy.takenFor()) > 0) {
            return when + " it isn’t taken any more, and counts 0.";
        }
        Rational earned = Rational.of(example.earned());
        LatePolicy.Judged judged =
                policy.judge(due, due.plus(after), Rational.of(example.possible()), earned, null, rules.calendar());
        String because = Sentences.write(judged.reason(), zone);
        return when + " you’d keep " + Sentences.number(judged.score()) + " of " + Sentences.number(earned) + ". "
                + because + ".";
    }

    private List<StepView> steps() {
        LatePolicy policy = rules.late();
        Instant ends = policy.takenFor() == null ? null : due.plus(policy.takenFor());
        return policy
                .steps(
                        due,
                        Rational.of(example.possible()),
                        Rational.of(example.earned()),
                        book.now(),
                        ends,
                        rules.calendar())
                .stream()
                .map(step -> new StepView(step.handedIn(), Figures.text(step.score())))
                .toList();
    }

    private String soon() {
        return "Work due " + say(due) + " is due soon from " + say(due.minus(rules.soon())) + " on.";
    }

    private @Nullable Instant close() {
        return rules.periods().of(due).map(GradingPeriods.Period::close).orElse(null);
    }

    private @Nullable String extension() {
        ExtensionRule rule = rules.extension();
        if (rule == null) {
            return null;
        }
        Instant asked = due.minus(rule.before() == null ? Duration.ZERO : rule.before());
        ExtensionDesk.Answer answer = ExtensionDesk.ask(
                new ExtensionDesk.Asking(rule, Deadline.at(due), zone, asked, null, 0, 0, null, rule.tokens()));
        String window = (rule.before() == null ? "" : " from " + say(asked)) + " until " + say(answer.until());
        String cut = cutToClose(answer.newDue());
        String cost = rule.penaltyPercent().isZero()
                ? ""
                : " Points earned after the first due lose " + Sentences.number(rule.penaltyPercent()) + " %.";
        return "For work due " + say(due) + " it can be asked for" + window + ", and moves the due to "
                + say(answer.newDue()) + "." + cut + cost;
    }

    private @Nullable String tokens() {
        TokenRule rule = rules.tokens();
        if (rule == null) {
            return null;
        }
        TokenDesk.Answer answer =
                TokenDesk.use(new TokenDesk.Using(rule, due, due, null, null, Math.max(1, rule.bank()), 0));
        Instant most = answer.dues().get(answer.dues().size() - 1);
        String many = answer.dues().size() == 1
                ? "One token moves"
                : answer.dues().size() + " tokens, the most on one piece of work, move";
        return many + " a due of " + say(due) + " to " + say(most) + "." + cutToClose(most) + " Usable until "
                + say(answer.until()) + ".";
    }

    private String cutToClose(@Nullable Instant newDue) {
        Instant close = close();
        return close == null || newDue == null || !newDue.isAfter(close)
                ? ""
                : " The grading close of " + say(close) + " cuts it short.";
    }

    private String say(@Nullable Instant at) {
        return at == null ? "any time" : Sentences.moment(at, zone);
    }

    private List<ShareView> shares() {
        Grade grade = book.readings().of(Reading.SO_FAR).grade();
        return grade.parts().stream()
                .map(part -> new ShareView(
                        part.name(),
                        Figures.textOrNull(part.figure()),
                        Figures.textOrNull(part.weight()),
                        part.counted(),
                        part.dropped().stream().map(this::title).sorted().toList()))
                .toList();
    }

    private String title(WorkId work) {
        return book.finding(work).item().title();
    }

    /** Work that would count, but for the category or standard that it doesn't name. */
    private List<String> nowhere() {
        List<PartId> names = book.readings().of(Reading.FLOOR).grade().parts().stream()
                .map(Grade.Part::id)
                .toList();
        if (names.isEmpty()) {
            return List.of();
        }
        return book.graded().stream()
                .filter(work -> (work.category() == null || !names.contains(work.category()))
                        && work.standards().stream().noneMatch(names::contains))
                .map(work -> title(work.id()))
                .toList();
    }

    private static List<ReadingChange> readings(Readings before, Readings after) {
        return Arrays.stream(Reading.values())
                .map(reading -> new ReadingChange(
                        reading,
                        Figures.textOrNull(before.of(reading).grade().figure()),
                        Figures.textOrNull(after.of(reading).grade().figure()),
                        before.of(reading).letter(),
                        after.of(reading).letter()))
                .toList();
    }

    private @Nullable String letters() {
        GradeTable table = rules.table();
        if (table.rows().isEmpty()) {
            return null;
        }
        GradeTable.Row top = table.rows().get(0);
        Rational under = top.from().minus(A_HAIR).max(Rational.ZERO);
        String letter = table.letter(under);
        return Sentences.number(under) + " counts as " + (letter == null ? "no letter" : letter)
                + (table.decimals() == null
                        ? ": it is judged as it is."
                        : ": it is rounded half up to " + decimals(table.decimals()) + " first.");
    }

    private static String decimals(int places) {
        return switch (places) {
            case 0 -> "a whole number";
            case 1 -> "one decimal";
            default -> places + " decimals";
        };
    }

    private static int open(CourseBook book) {
        return (int) book.findings().stream()
                .map(WorkAssessment::state)
                .filter(state -> state.stage() != Stage.NOT_OPEN)
                .count();
    }
}

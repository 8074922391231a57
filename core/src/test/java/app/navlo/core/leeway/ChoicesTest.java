package app.navlo.core.leeway;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.Choices.Choice;
import app.navlo.core.leeway.Choices.Kind;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.policy.Window;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What each choice brings, and which of them there are. */
public class ChoicesTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant DUE = Instant.parse("2026-11-24T17:00:00Z");
    private static final Rational POSSIBLE = Rational.of(80);
    private static final LatePolicy TENTH_A_DAY = new LatePolicy(
            Duration.ZERO,
            new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
            null,
            Duration.ofHours(48));

    private static WorkItem item(WorkKind kind, WorkItem.@Nullable Parts parts) {
        WorkItem.Marking marking = new WorkItem.Marking(POSSIBLE, null, KeptScore.HIGHEST);
        return new WorkItem(new WorkId("w"), "w", kind, true, true, marking, WorkItem.Schedule.NONE, null, parts, null);
    }

    @DataProvider
    public static Object[][] ready() {
        WorkItem plain = item(WorkKind.PROJECT, null);
        WorkItem talk = item(WorkKind.DISCUSSION, new WorkItem.Parts(1, 3));
        return new Object[][] {
            {"one of ten files", plain, new Readiness(1, 10, false, 30, 300), Rational.of(1, 10)},
            {"more files than wanted", plain, new Readiness(12, 10, false, 0, null), Rational.ONE},
            {"nobody says how many: minutes", plain, new Readiness(1, null, false, 30, 120), Rational.of(1, 4)},
            {"a text, by minutes", plain, new Readiness(0, null, true, 200, 120), Rational.ONE},
            {"nobody can say", plain, new Readiness(1, null, true, 0, 120), null},
            {"no effort is known", plain, new Readiness(1, null, true, 40, null), null},
            {"an empty draft", plain, new Readiness(0, 10, false, 60, 120), null},
            {"a quiz", item(WorkKind.QUIZ, null), new Readiness(2, 4, true, 60, 120), null},
            {"a test", item(WorkKind.TEST, null), new Readiness(2, 4, true, 60, 120), null},
            {"a discussion", talk, new Readiness(2, 4, true, 60, 120), null},
        };
    }

    @Test(dataProvider = "ready")
    public void whatIsThereIsWorthItsShareOrIsNoChoice(
            String why, WorkItem item, Readiness ready, @Nullable Rational share) {
        assertEquals(ready.share(item), Optional.ofNullable(share), why);
    }

    private static List<Choice> choices(
            @Nullable Rational now, Instant at, boolean pending, @Nullable ExtensionRule rule) {
        Choices.Case of = new Choices.Case(
                new ExtensionDesk.Asking(rule, Deadline.at(DUE), ZONE, at, null, 0, pending ? 1 : 0, null, 0),
                new TokenDesk.Using(null, DUE, at, null, null, 0, 0),
                new Window(DUE, null, Duration.ofHours(48), null),
                TENTH_A_DAY,
                POSSIBLE,
                now,
                Rational.of(70),
                at.plus(Duration.ofHours(5)),
                pending,
                SchoolCalendar.weekdays(ZONE, Set.of()));
        return Choices.compare(of);
    }

    private static Optional<Choice> choice(List<Choice> all, Kind kind) {
        return all.stream().filter(choice -> choice.kind() == kind).findFirst();
    }

    @Test
    public void unfinishedWorkIsWorthWhatIsThereAndFinishedWorkWhatIsExpected() {
        List<Choice> all = choices(Rational.of(7), DUE.minus(Duration.ofHours(6)), false, ExtensionRule.DEFAULT);
        assertEquals(choice(all, Kind.HAND_IN_NOW).orElseThrow().score(), Rational.of(7));
        assertEquals(choice(all, Kind.LATE_WITHOUT_ASKING).orElseThrow().score(), Rational.of(70));
        assertTrue(choice(all, Kind.WAIT).isEmpty());
    }

    @Test
    public void whatCannotBeHandedInAsItIsIsNoChoice() {
        List<Choice> all = choices(null, DUE.minus(Duration.ofHours(6)), false, ExtensionRule.DEFAULT);
        assertTrue(choice(all, Kind.HAND_IN_NOW).isEmpty());
    }

    @Test
    public void closedWorkWithARequestPendingOffersToWaitAndNothingThatIsRefused() {
        Instant closed = DUE.plus(Duration.ofHours(49));
        List<Choice> all = choices(Rational.of(7), closed, true, ExtensionRule.DEFAULT);
        assertEquals(all.stream().map(Choice::kind).toList(), List.of(Kind.USE_TOKENS, Kind.WAIT, Kind.LET_GO));
        Choice wait = choice(all, Kind.WAIT).orElseThrow();
        assertEquals(wait.score(), Rational.of(70), "if it is granted");
        assertEquals(wait.otherwise(), Rational.ZERO, "if it is not");
        assertEquals(wait.due(), DUE.plus(Duration.ofDays(4)));
        Choice unknown = choice(choices(null, closed, true, null), Kind.WAIT).orElseThrow();
        assertEquals(unknown.score(), Rational.of(70), "the course has no rule, and was asked all the same");
    }
}

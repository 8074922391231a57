package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rules that are edited after they were used: what was used keeps what it gave, and only what is still to come goes by the new rule. */
public class EditedRulesTest {
    private static final int COURSES = 60;
    private static final Duration OLD = Duration.ofHours(24);
    private static final Instant LONG_AGO = OddCourses.NOW.minus(Duration.ofDays(40));

    @DataProvider
    public static Object[][] spans() {
        return new Object[][] {{Duration.ofHours(6)}, {OLD}, {Duration.ofHours(60)}};
    }

    private static CourseRules with(CourseRules rules, TokenRule tokens) {
        return new CourseRules(
                rules.course(),
                rules.calendar(),
                rules.soon(),
                rules.late(),
                ExtensionRule.DEFAULT,
                tokens,
                rules.scheme(),
                rules.table(),
                rules.periods(),
                rules.ordered(),
                rules.paceCap());
    }

    /** The works of a course, some of them with a token used on them. */
    private static List<CourseWork> withTokensUsed(List<CourseWork> works, Random random) {
        List<CourseWork> used = new ArrayList<>();
        for (CourseWork work : works) {
            List<Fact> facts = new ArrayList<>(work.facts());
            if (work.item().schedule().due() != null && random.nextBoolean()) {
                Stamp stamp = new Stamp(LONG_AGO, LONG_AGO, -1, Actor.STUDENT, "Mira", "by hand");
                facts.add(new Fact.TokenUsed(stamp, OLD));
            }
            used.add(new CourseWork(
                    work.item(), work.place(), work.gates(), work.late(), work.ownPercent(), work.minutes(), facts));
        }
        return used;
    }

    @Test(dataProvider = "spans")
    public void aTokenThatWasUsedKeepsItsSpan(Duration span) {
        int compared = 0;
        int offered = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            OddCourses courses = new OddCourses(7_000 + seed);
            CourseRules rules = courses.rules("c");
            List<CourseWork> works = withTokensUsed(courses.works("c"), new Random(seed));
            CourseBook before = OddCourses.book(with(rules, new TokenRule(9, OLD, 4, OLD)), works, OddCourses.NOW);
            CourseBook after = OddCourses.book(with(rules, new TokenRule(9, span, 4, OLD)), works, OddCourses.NOW);
            for (CourseWork work : works) {
                WorkAssessment then = before.finding(work.id());
                WorkAssessment now = after.finding(work.id());
                String what = seed + " " + work.id();
                assertEquals(now.state().due(), then.state().due(), what);
                assertEquals(now.state().dueToCome(), then.state().dueToCome(), what);
                assertEquals(now.state().timing(), then.state().timing(), what);
                assertEquals(now.outcome(), then.outcome(), what);
                compared++;
                if (now.tokens().may()) {
                    offered++;
                    Instant due = now.state().due();
                    assertEquals(now.tokens().dueNow(), due, what);
                    Instant close = now.item().schedule().gradingClose();
                    Instant more = due.plus(span);
                    Instant expected = close != null && close.isBefore(more) ? close : more;
                    assertEquals(now.tokens().dues().get(0), expected, what + ": the next goes by the new rule");
                }
            }
        }
        assertTrue(compared > 300 && offered > 10, compared + " compared, " + offered + " offered");
    }

    /** A bank that was made smaller than what was used is empty, and never below. */
    @Test
    public void aBankMadeSmallerThanWhatWasUsedIsEmpty() {
        for (int seed = 0; seed < COURSES; seed++) {
            OddCourses courses = new OddCourses(7_000 + seed);
            CourseRules rules = courses.rules("c");
            List<CourseWork> works = withTokensUsed(courses.works("c"), new Random(seed));
            CourseBook book = OddCourses.book(with(rules, new TokenRule(0, OLD, 4, OLD)), works, OddCourses.NOW);
            assertEquals(book.tokensLeft(), 0);
            works.forEach(work -> assertTrue(
                    !book.finding(work.id()).tokens().may(), work.id().text()));
        }
    }
}

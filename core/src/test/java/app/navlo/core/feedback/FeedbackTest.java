package app.navlo.core.feedback;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.exact.Rational;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;

/** What was said about a piece of work. */
public class FeedbackTest {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");

    private final List<Fact> facts = new ArrayList<>();

    private Stamp stamp(Actor by, int minutesAgo) {
        Instant at = NOW.minus(Duration.ofMinutes(minutesAgo));
        return new Stamp(at, at, facts.size(), by, by == Actor.TEACHER ? "H. Tarn" : "Mira", "test");
    }

    private FeedbackTest handedIn() {
        facts.add(new Fact.HandedIn(stamp(Actor.STUDENT, 90), 1, HandInContent.TEXT));
        return this;
    }

    private FeedbackTest said(Actor by, String words) {
        facts.add(new Fact.Commented(stamp(by, 30), words, true, false));
        return this;
    }

    private static FeedbackTest life() {
        return new FeedbackTest();
    }

    @Test
    public void theStreamIsNewestFirstAndCountsTheTeachersWordsOnly() {
        FeedbackTest life = life().handedIn().said(Actor.STUDENT, "Here it is.").said(Actor.TEACHER, "Thank you.");
        assertEquals(FeedbackCount.of(life.facts, NOW).count(), 1);
        assertEquals(FeedbackCount.of(life.facts, NOW).latestBy(), "H. Tarn");
        assertTrue(FeedbackStream.of(life.facts, NOW).size() >= 2);
    }

    @Test
    public void releasedAnswersAreNewFromTheirOwnInstantOnAndNotBefore() {
        FeedbackTest life = life().handedIn();
        Instant release = NOW.plus(Duration.ofHours(2));
        Stamp told = new Stamp(release, NOW.minus(Duration.ofDays(1)), 7, Actor.TEACHER, "H. Tarn", "test");
        life.facts.add(new Fact.AnswersReleased(told, 1));
        life.facts.add(new Fact.ReadMarked(life.stamp(Actor.STUDENT, 5)));
        assertEquals(FeedbackStream.of(life.facts, NOW), List.of());
        assertEquals(FeedbackCount.of(life.facts, NOW), new FeedbackCount(0, 0, null, false));
        FeedbackStream.Entry released = FeedbackStream.of(life.facts, release).get(0);
        assertEquals(released.place(), FeedbackStream.Place.ANSWERS);
        assertTrue(released.unread(), "it was told before the student looked, but came after");
        assertEquals(FeedbackCount.of(life.facts, release), new FeedbackCount(1, 1, "H. Tarn", false));
    }

    @Test
    public void aWordOfOnesOwnWaitsUntilItIsAnswered() {
        assertTrue(waits(life().said(Actor.STUDENT, "I can't open the file.")), "nobody has said anything yet");
        assertFalse(waits(life().said(Actor.STUDENT, "Which scale?").said(Actor.TEACHER, "One to fifty.")));
        assertFalse(waits(life().said(Actor.TEACHER, "Well seen.").said(Actor.STUDENT, "Thank you!")));
        assertTrue(waits(life().said(Actor.TEACHER, "Well seen.").said(Actor.STUDENT, "May I add the roots?")));
        assertFalse(waits(life().handedIn()));
    }

    @Test
    public void aQuestionStaysOneForWhoIsNotToldItsWords() {
        for (FeedbackTest life : List.of(
                life().said(Actor.TEACHER, "Well seen.").said(Actor.STUDENT, "May I add the roots? They are long."),
                life().said(Actor.STUDENT, "Here.").said(Actor.TEACHER, "Where is the north? "),
                life().said(Actor.STUDENT, "Here.").said(Actor.TEACHER, "North? I see it now."))) {
            List<Fact> untold = life.facts.stream().map(Fact::withoutWords).toList();
            assertEquals(FeedbackCount.of(untold, NOW), FeedbackCount.of(life.facts, NOW));
            for (int i = 0; i < untold.size(); i++) {
                Fact.Commented silent = (Fact.Commented) untold.get(i);
                assertEquals(silent.text(), "");
                assertEquals(silent.isQuestion(), ((Fact.Commented) life.facts.get(i)).isQuestion());
            }
        }
    }

    private static boolean waits(FeedbackTest life) {
        return FeedbackCount.of(life.facts, NOW).waits();
    }

    @Test
    public void countAndStreamAgreeOnWhatIsUnread() {
        FeedbackTest life = life().handedIn().said(Actor.STUDENT, "Here.").said(Actor.TEACHER, "Thanks.");
        life.facts.add(new Fact.RubricMarked(life.stamp(Actor.TEACHER, 20)));
        life.facts.add(new Fact.SentBack(life.stamp(Actor.TEACHER, 10), "No scale.", null));
        List<FeedbackStream.Entry> stream = FeedbackStream.of(life.facts, NOW);
        assertEquals(stream.size(), 4);
        assertEquals(
                stream.stream().filter(FeedbackStream.Entry::unread).count(),
                FeedbackCount.of(life.facts, NOW).unread());
        assertEquals(FeedbackStream.seen(life.facts, NOW), Instant.MIN);
        life.facts.add(new Fact.ReadMarked(life.stamp(Actor.STUDENT, 15)));
        assertEquals(FeedbackCount.of(life.facts, NOW).unread(), 1);
        assertEquals(FeedbackCount.of(life.facts, NOW).count(), 3);
    }

    @Test
    public void aLevelIsNamedOnlyByExactlyItsPoints() {
        Rubric.Row row = new Rubric.Row(
                "Scale",
                List.of(
                        new Rubric.Level("right", "To scale.", Rational.of(12)),
                        new Rubric.Level("near", "Nearly.", Rational.of(8))));
        assertEquals(row.level(Rational.of(8)).map(Rubric.Level::title).orElse(""), "near");
        assertTrue(row.level(Rational.of(9)).isEmpty());
    }

    @Test
    public void aRubricSaysWhatIsLostAndIsRefusedWhereItAddsUpToTooMuch() {
        Rubric.Row row = new Rubric.Row(
                "Scale",
                List.of(
                        new Rubric.Level("none", "No scale at all.", Rational.ZERO),
                        new Rubric.Level("right", "To scale, and written down.", Rational.of(12))));
        assertEquals(row.lost(Rational.of(9)), Rational.of(3));
        assertEquals(
                new Rubric(List.of(row), Rational.of(12), false).rows().get(0).most(), Rational.of(12));
        IllegalInput tooMuch = expectThrows(IllegalInput.class, () -> new Rubric(List.of(row), Rational.of(10), false));
        assertEquals(tooMuch.problems().get(0).field(), "rows");
        assertEquals(new Rubric(List.of(row), Rational.of(10), true).rows().size(), 1);
    }
}

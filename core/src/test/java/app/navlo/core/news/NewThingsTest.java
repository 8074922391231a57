package app.navlo.core.news;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.news.NewThing.Kind;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is new: each kind of fact, who did it, when it can be seen, and what belongs together. */
public class NewThingsTest {
    private static final Instant SINCE = Instant.parse("2026-11-24T15:20:00Z");
    private static final Instant NOW = SINCE.plus(Duration.ofDays(1));
    private static final Instant BETWEEN = SINCE.plus(Duration.ofHours(3));

    private static Stamp stamp(Instant at, Instant learnt, long order, Actor by) {
        return new Stamp(at, learnt, order, by, by == Actor.TEACHER ? "Greta Holm" : "Mira Solheim", "test");
    }

    private static Stamp teacher(Instant at) {
        return stamp(at, at, 7, Actor.TEACHER);
    }

    private static Fact scored(Stamp stamp, boolean posted) {
        return new Fact.Scored(stamp, 1, Rational.of(18), true, posted);
    }

    private static List<NewThing> things(@Nullable Instant closed, Fact... facts) {
        return NewThings.of(new WorkId("3"), List.of(facts), closed, SINCE, NOW);
    }

    @DataProvider
    public static Object[][] facts() {
        Deadline due = Deadline.at(NOW.plus(Duration.ofDays(3)));
        Stamp by = teacher(BETWEEN);
        return new Object[][] {
            {scored(by, true), Kind.SCORE},
            {scored(by, false), null},
            {new Fact.Commented(by, "Well seen.", true, false), Kind.WORDS},
            {new Fact.RubricMarked(by), Kind.WORDS},
            {new Fact.AnswersReleased(by, 1), Kind.WORDS},
            {new Fact.Flagged(by, Flag.MISSING), Kind.FLAG},
            {new Fact.Flagged(by, Flag.CLEARED), Kind.FLAG},
            {new Fact.ExtensionGranted(by, due), Kind.ANSWER},
            {new Fact.ExtensionDeclined(by), Kind.ANSWER},
            {new Fact.DueMoved(by, due, null), Kind.DUE},
            {new Fact.SentBack(by, "A photograph, not a drawing", null), Kind.SENT_BACK},
            {new Fact.Returned(by, null), Kind.RETURNED},
            {new Fact.Excused(by, true), Kind.EXCUSED},
            {new Fact.Reopened(by), Kind.REOPENED},
            {new Fact.HandedIn(by, 1, HandInContent.FILES), null},
            {new Fact.ReadMarked(by), null},
            {new Fact.DraftStarted(by), null},
        };
    }

    @Test(dataProvider = "facts")
    public void eachKindOfFactIsToldOrNot(Fact fact, @Nullable Kind kind) {
        List<NewThing> things = things(null, fact);
        assertEquals(things.stream().map(NewThing::kind).toList(), kind == null ? List.of() : List.of(kind));
    }

    @Test
    public void whatOneDidOneselfIsNoNews() {
        Stamp own = stamp(BETWEEN, BETWEEN, 1, Actor.STUDENT);
        assertEquals(
                things(null, scored(own, true), new Fact.Commented(own, "Is it due today?", true, false)), List.of());
    }

    @Test
    public void aScoreAndTheWordsWithItAreOneThingAndOtherWordsAnother() {
        Fact.Commented with = new Fact.Commented(
                stamp(BETWEEN.plusSeconds(120), BETWEEN.plusSeconds(120), 2, Actor.TEACHER),
                "Good roots.",
                true,
                false);
        Fact.Commented later = new Fact.Commented(
                stamp(BETWEEN.plusSeconds(301), BETWEEN.plusSeconds(301), 3, Actor.TEACHER), "One more.", true, false);
        List<NewThing> things = things(null, scored(stamp(BETWEEN, BETWEEN, 1, Actor.TEACHER), true), with, later);
        assertEquals(things.stream().map(NewThing::kind).toList(), List.of(Kind.WORDS, Kind.SCORE));
        assertEquals(things.get(1).words(), with);
        assertNull(things.get(0).words());
    }

    @Test
    public void aScoreWithoutWordsIsToldTooAndAFlagOfTheSameInstantTakesNoWordsAway() {
        List<NewThing> things = things(
                null,
                scored(stamp(BETWEEN, BETWEEN, 1, Actor.TEACHER), true),
                new Fact.Flagged(stamp(BETWEEN, BETWEEN, 2, Actor.TEACHER), Flag.LATE),
                new Fact.Commented(stamp(BETWEEN, BETWEEN, 3, Actor.TEACHER), "Late, but good.", true, false));
        assertEquals(things.size(), 2);
        assertEquals(things.stream().filter(thing -> thing.words() != null).count(), 1);
    }

    @Test
    public void whatIsLearntLaterIsNewWhenItIsLearntAndWhatIsToldAheadWhenItHappens() {
        Instant before = SINCE.minus(Duration.ofDays(9));
        List<NewThing> late = things(null, scored(stamp(before, BETWEEN, 1, Actor.TEACHER), true));
        assertEquals(late.get(0).at(), before);
        assertEquals(late.get(0).shownAt(), BETWEEN);
        Fact ahead = new Fact.AnswersReleased(stamp(NOW.plusSeconds(1), before, 2, Actor.SYSTEM), 1);
        assertEquals(things(null, ahead), List.of());
        Fact due = new Fact.AnswersReleased(stamp(NOW, before, 2, Actor.SYSTEM), 1);
        assertEquals(things(null, due).size(), 1);
    }

    @Test
    public void theInstantOfTheLastLookIsSeenAndThatOfThisOneIsNew() {
        assertEquals(things(null, scored(teacher(SINCE), true)), List.of());
        assertEquals(things(null, scored(teacher(NOW), true)).size(), 1);
        assertEquals(things(null, scored(teacher(NOW.plusNanos(1)), true)), List.of());
    }

    @Test
    public void whatClosedWithNothingInItIsTold() {
        NewThing closed = things(BETWEEN).get(0);
        assertEquals(closed.kind(), Kind.CLOSED);
        assertEquals(closed.at(), BETWEEN);
        assertEquals(things(SINCE), List.of());
        assertEquals(things(NOW.plusSeconds(1)), List.of());
    }

    /** Whatever the order in which facts are kept: newest first, each once, and a split of the time loses nothing. */
    @Test
    public void nothingIsToldTwiceOrLostWhereverOneLooksBetween() {
        Random random = new Random(11);
        for (int run = 0; run < 200; run++) {
            List<Fact> facts = IntStream.range(0, 12)
                    .<Fact>mapToObj(i -> {
                        Instant at = SINCE.plusSeconds(random.nextInt(90_000) - 2_000L);
                        Stamp stamp = stamp(at, at.plusSeconds(random.nextInt(3_000)), i, Actor.TEACHER);
                        return random.nextBoolean()
                                ? new Fact.Flagged(stamp, Flag.LATE)
                                : scored(stamp, random.nextInt(5) > 0);
                    })
                    .toList();
            Instant middle = SINCE.plusSeconds(random.nextInt(86_400));
            List<String> whole = keys(NewThings.of(new WorkId("1"), facts, null, SINCE, NOW));
            List<String> late = keys(NewThings.of(new WorkId("1"), facts, null, middle, NOW));
            List<String> early = keys(NewThings.of(new WorkId("1"), facts, null, SINCE, middle));
            assertEquals(late.size() + early.size(), whole.size());
            assertTrue(whole.containsAll(late) && whole.containsAll(early));
            List<Instant> order = NewThings.of(new WorkId("1"), facts, null, SINCE, NOW).stream()
                    .map(NewThing::shownAt)
                    .toList();
            for (int i = 1; i < order.size(); i++) {
                assertTrue(!order.get(i).isAfter(order.get(i - 1)));
            }
        }
    }

    private static List<String> keys(List<NewThing> things) {
        assertEquals(things.stream().map(NewThing::key).distinct().count(), things.size());
        things.forEach(thing -> assertNotNull(thing.fact()));
        return things.stream().map(NewThing::key).toList();
    }
}

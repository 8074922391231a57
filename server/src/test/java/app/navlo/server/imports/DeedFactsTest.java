package app.navlo.server.imports;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** What a course site says that happened, as the facts that it makes here. */
public class DeedFactsTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant AT = Instant.parse("2026-11-20T16:00:00Z");
    private static final Stamp STAMP = new Stamp(AT, AT, 1, Actor.SYSTEM, "A. Person", "test");
    private static final Deadline DAY = Deadline.endOf(LocalDate.of(2026, 11, 30), ZONE);
    private static final Deadline INSTANT = Deadline.at(Instant.parse("2026-11-30T12:00:00Z"));

    private static DeedFacts.Made made(String kind, String body) {
        ToldDeed deed = new ToldDeed(
                "d1", AT, kind, "lab-3", "A. Person", JsonMapper.shared().readTree(body));
        return DeedFacts.of(deed, ZONE);
    }

    @DataProvider
    public static Object[][] deeds() {
        Rational seven = Rational.of(15, 2);
        return new Object[][] {
            {"DRAFT_STARTED", "{}", Actor.STUDENT, new Fact.DraftStarted(STAMP)},
            {"ATTEMPT_BEGUN", "{\"attempt\":2}", Actor.STUDENT, new Fact.AttemptBegun(STAMP, 2)},
            {"HANDED_IN", "{}", Actor.STUDENT, new Fact.HandedIn(STAMP, 1, HandInContent.DONE)},
            {"HANDED_IN", "{\"attempt\":0}", Actor.STUDENT, new Fact.HandedIn(STAMP, 1, HandInContent.DONE)},
            {
                "HANDED_IN",
                "{\"text\":\"x\",\"attempt\":3}",
                Actor.STUDENT,
                new Fact.HandedIn(STAMP, 3, HandInContent.TEXT)
            },
            {"HANDED_IN", "{\"files\":[\"a.pdf\"]}", Actor.STUDENT, new Fact.HandedIn(STAMP, 1, HandInContent.FILES)},
            {"POSTED", "{\"say\":\"Hm\"}", Actor.STUDENT, new Fact.Posted(STAMP, Fact.Posted.Part.POST)},
            {"POSTED", "{\"part\":\"reply\"}", Actor.STUDENT, new Fact.Posted(STAMP, Fact.Posted.Part.REPLY)},
            {"WITHDRAWN", "{}", Actor.STUDENT, new Fact.Withdrawn(STAMP)},
            {"EXTENSION_ASKED", "{}", Actor.STUDENT, new Fact.ExtensionAsked(STAMP)},
            {"TOKEN_USED", "{}", Actor.STUDENT, new Fact.TokenUsed(STAMP, Duration.ofDays(1))},
            {"TOKEN_USED", "{\"hours\":48}", Actor.STUDENT, new Fact.TokenUsed(STAMP, Duration.ofDays(2))},
            {"KEY_OPENED", "{}", Actor.STUDENT, new Fact.KeyOpened(STAMP)},
            {"SENT_BACK", "{\"why\":\"No scale\"}", Actor.TEACHER, new Fact.SentBack(STAMP, "No scale", null)},
            {
                "SENT_BACK",
                "{\"why\":\"No scale\",\"due\":\"2026-11-30\"}",
                Actor.TEACHER,
                new Fact.SentBack(STAMP, "No scale", DAY)
            },
            {"RETURNED", "{}", Actor.TEACHER, new Fact.Returned(STAMP, null)},
            {"RETURNED", "{\"asksRedo\":true}", Actor.TEACHER, new Fact.Returned(STAMP, new Fact.RedoAsked(null))},
            {
                "RETURNED",
                "{\"asksRedo\":true,\"due\":\"2026-11-30T12:00:00Z\"}",
                Actor.TEACHER,
                new Fact.Returned(STAMP, new Fact.RedoAsked(INSTANT))
            },
            {"SCORED", "{\"points\":\"7.5\"}", Actor.TEACHER, new Fact.Scored(STAMP, 1, seven, true, true)},
            {
                "SCORED",
                "{\"points\":7.5,\"attempt\":2,\"final\":false,\"posted\":false}",
                Actor.TEACHER,
                new Fact.Scored(STAMP, 2, seven, false, false)
            },
            {"EXCUSED", "{}", Actor.TEACHER, new Fact.Excused(STAMP, true)},
            {"FLAGGED", "{\"flag\":\"on time\"}", Actor.TEACHER, new Fact.Flagged(STAMP, Flag.ON_TIME)},
            {"EXTENSION_GRANTED", "{\"due\":\"2026-11-30\"}", Actor.TEACHER, new Fact.ExtensionGranted(STAMP, DAY)},
            {"EXTENSION_DECLINED", "{}", Actor.TEACHER, new Fact.ExtensionDeclined(STAMP)},
            {"REOPENED", "{}", Actor.TEACHER, new Fact.Reopened(STAMP)},
            {"COMMENTED", "{\"say\":\"Good\"}", Actor.TEACHER, new Fact.Commented(STAMP, "Good", true, false)},
            {
                "COMMENTED",
                "{\"say\":\"Good\",\"toClass\":true,\"mark\":{},\"asks\":true}",
                Actor.TEACHER,
                new Fact.Commented(STAMP, "Good", false, true, true)
            },
            {"RUBRIC_MARKED", "{}", Actor.TEACHER, new Fact.RubricMarked(STAMP)},
            {"ANSWERS_RELEASED", "{\"attempt\":1}", Actor.TEACHER, new Fact.AnswersReleased(STAMP, 1)},
        };
    }

    @Test(dataProvider = "deeds")
    public void aDeedMakesItsFactByWhoDoesSuchThings(String kind, String body, Actor actor, Fact fact) {
        DeedFacts.Made made = made(kind, body);
        assertEquals(made.fact().apply(STAMP), fact);
        assertEquals(made.actor(), actor);
        assertEquals(made.byHand().actor(), Actor.STUDENT, "written down by the student");
        assertEquals(made.byHand().fact().apply(STAMP), fact);
    }

    @DataProvider
    public static Object[][] wrong() {
        return new Object[][] {
            {"DANCED", "{}", "DANCED"},
            {"SCORED", "{}", "no number from 0 up"},
            {"SCORED", "{\"points\":\"-1\"}", "no number from 0 up"},
            {"SCORED", "{\"points\":\"1e9\"}", "no number from 0 up"},
            {"SCORED", "{\"points\":\"123456789\"}", "no number from 0 up"},
            {"FLAGGED", "{}", "none that is known"},
            {"FLAGGED", "{\"flag\":\"lost\"}", "'LOST'"},
            {"EXTENSION_GRANTED", "{}", "without its new due"},
            {"SENT_BACK", "{\"due\":\"tomorrow\"}", "tomorrow"},
            {"RETURNED", "{\"asksRedo\":true,\"due\":\"2026-13-01\"}", "2026-13-01"},
        };
    }

    @Test(dataProvider = "wrong")
    public void whatCannotBeReadSaysSo(String kind, String body, String words) {
        RuntimeException fault = expectThrows(RuntimeException.class, () -> made(kind, body));
        assertTrue(String.valueOf(fault.getMessage()).contains(words), fault.toString());
    }

    /** Of files only their names came, and they stand under the text. */
    @Test
    public void theWordsOfAHandInAreItsTextAndTheNamesOfItsFiles() {
        assertEquals(
                made("HANDED_IN", "{\"text\":\"See sheet 2\",\"files\":[{\"name\":\"plan.pdf\"},\"b.png\"]}")
                        .text(),
                "See sheet 2\nFile at the school: plan.pdf\nFile at the school: b.png");
        assertNull(made("HANDED_IN", "{}").text());
        String long20k =
                made("HANDED_IN", "{\"text\":\"" + "x".repeat(30_000) + "\"}").text();
        assertEquals(long20k.length(), 20_000);
    }

    @Test
    public void whatHasNoFactHereIsPassedOver() {
        for (String kind : new String[] {"PUBLISHED", "MOVED", "WRITTEN_TO"}) {
            assertFalse(DeedFacts.knows(
                    new ToldDeed("d", AT, kind, "i", "b", JsonMapper.shared().createObjectNode())));
        }
        assertTrue(DeedFacts.knows(
                new ToldDeed("d", AT, "SCORED", "i", "b", JsonMapper.shared().createObjectNode())));
    }

    @Test
    public void nothingHappensAfterItWasTold() {
        assertEquals(DeedFacts.notAfter(AT.plusSeconds(1), AT), AT);
        assertEquals(DeedFacts.notAfter(AT.minusSeconds(1), AT), AT.minusSeconds(1));
    }
}

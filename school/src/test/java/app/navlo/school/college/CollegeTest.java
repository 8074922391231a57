package app.navlo.school.college;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.school.college.College.Refused;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

public class CollegeTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant START = Instant.parse("2026-11-24T15:20:00Z");

    private Instant now;
    private College college;

    @BeforeMethod
    public void open() {
        now = START;
        college = fresh();
    }

    private College fresh() {
        return College.open(School.THORNMERE, "jdbc:h2:mem:" + UUID.randomUUID(), () -> now);
    }

    @AfterMethod
    public void close() {
        college.close();
    }

    private static ObjectNode body(String json) {
        return (ObjectNode) JSON.readTree(json);
    }

    private Item item(String title) {
        return college.published().stream()
                .filter(one -> one.title().startsWith(title))
                .findFirst()
                .orElseThrow();
    }

    private List<Deed> after(String title, Deed.Kind kind) {
        return college.life(item(title)).stream()
                .filter(deed -> deed.kind() == kind && deed.at().isAfter(START))
                .toList();
    }

    private void on(int days) {
        now = now.plus(Duration.ofDays(days));
        college.lastDeed();
    }

    @Test
    public void nothingHappensBeforeTheClockMoves() {
        assertEquals(college.lastDeed(), college.begunWith());
        assertTrue(college.begunWith() > 150, college.begunWith() + " deeds");
    }

    @Test
    public void theSameRequestsGiveTheSameTerm() throws Refused {
        College other = fresh();
        for (College one : List.of(college, other)) {
            one.student(Deed.Kind.HANDED_IN, item("Worksheet 9").key(), body("{\"text\":\"loam\"}"));
        }
        for (int day = 0; day < 24; day++) {
            on(1);
        }
        assertEquals(other.deedsAfter(0, 10_000), college.deedsAfter(0, 10_000), "however often it is asked");
        assertTrue(college.lastDeed() > college.begunWith() + 20, "the teachers did something");
        other.close();
    }

    @Test
    public void whatIsHandedInIsGradedOnTheGradingDayOfItsTeacher() throws Refused {
        college.student(Deed.Kind.HANDED_IN, item("Worksheet 9").key(), body("{\"text\":\"loam\"}"));
        on(9);
        for (Item item : college.published()) {
            for (Deed deed : college.life(item)) {
                boolean soil = item.course().equals("soil")
                        && deed.kind() == Deed.Kind.SCORED
                        && deed.at().isAfter(START);
                assertFalse(soil && deed.at().atZone(ZONE).getDayOfWeek() != DayOfWeek.WEDNESDAY, deed.toString());
            }
        }
    }

    @Test
    public void aWrongFileTypeIsSentBackWithAReason() throws Refused {
        String key = item("Soil lab 5").key();
        college.student(Deed.Kind.HANDED_IN, key, body("{\"files\":[{\"name\":\"lab.pages\",\"sha256\":\"x\"}]}"));
        on(1);
        Deed back = after("Soil lab 5", Deed.Kind.SENT_BACK).get(0);
        assertEquals(back.text("why"), "I can't open lab.pages to mark it. Hand it in again as PDF or CSV.");
        assertTrue(back.at().atZone(ZONE).getHour() >= 8, back.toString());
    }

    @Test
    public void anExtensionIsAnsweredAfterAWhileByTheRuleOfTheCourse() throws Refused {
        college.student(
                Deed.Kind.EXTENSION_ASKED, item("Planting plan, sheet 2").key(), body("{}"));
        college.student(Deed.Kind.EXTENSION_ASKED, item("Worksheet 8").key(), body("{}"));
        on(3);
        assertEquals(
                after("Planting plan, sheet 2", Deed.Kind.EXTENSION_GRANTED)
                        .get(0)
                        .text("due"),
                "2026-11-26 18:00");
        assertEquals(after("Worksheet 8", Deed.Kind.EXTENSION_DECLINED).size(), 1, "asked too late");
    }

    @Test
    public void workIsPublishedLaterAndNotSeenBefore() {
        long before = college.published().size();
        assertTrue(college.published().stream().noneMatch(one -> one.title().startsWith("Worksheet 11")));
        on(1);
        assertEquals(college.published().size(), before + 1);
        assertEquals(after("Worksheet 11", Deed.Kind.PUBLISHED).size(), 1);
    }

    @Test
    public void aHiddenScoreIsShownLater() throws Refused {
        Item open = college.published().stream()
                .filter(one -> one.course().equals("books")
                        && one.due() != null
                        && one.due().isAfter(START))
                .filter(one -> one.text() || one.files())
                .findFirst()
                .orElseThrow();
        college.student(Deed.Kind.HANDED_IN, open.key(), body("{\"text\":\"it balances\"}"));
        on(12);
        List<Deed> scores = after(open.title(), Deed.Kind.SCORED);
        assertEquals(scores.size(), 2);
        assertFalse(scores.get(0).body().get("posted").asBoolean());
        assertTrue(scores.get(1).body().get("posted").asBoolean());
        assertEquals(Duration.between(scores.get(0).at(), scores.get(1).at()), Duration.ofHours(40));
    }

    @Test
    public void whatIsClosedOrUsedUpOrUnknownIsRefusedInWords() {
        Refused unknown = expectThrows(
                Refused.class, () -> college.student(Deed.Kind.HANDED_IN, "Soil Science/Nothing", body("{}")));
        assertEquals(unknown.status, 404);
        Refused early = expectThrows(
                Refused.class,
                () -> college.student(
                        Deed.Kind.HANDED_IN, "Soil Science/Worksheet 11: frost and structure", body("{}")));
        assertEquals(early.status, 404, "it isn't published yet");
    }

    @Test
    public void itGoesOnFromWhatItKept() throws Refused {
        String url = "jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1";
        College first = College.open(School.THORNMERE, url, () -> now);
        first.student(Deed.Kind.HANDED_IN, item("Worksheet 9").key(), body("{\"text\":\"loam\"}"));
        now = now.plus(Duration.ofDays(5));
        List<Deed> deeds = first.deedsAfter(0, 10_000);
        first.close();
        try (College again = College.open(School.THORNMERE, url, () -> now)) {
            assertEquals(again.deedsAfter(0, 10_000).toString(), deeds.toString());
        }
    }
}

package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.school.college.Fault;
import app.navlo.school.college.School;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Links to the simulated school, over HTTP: what it tells is here, once, whatever is wrong with it. */
public class SchoolLinkTest extends SchoolServer {
    private static void addLink(TestClient mira, String form, int status) {
        TestClient.Answer look = mira.post(LINKS + "/looks", form);
        assertEquals(look.status(), 201, look.body());
        JsonNode preview = look.json().get("preview");
        String body = "{\"choices\":" + preview.get("choices") + ",\"fingerprint\":" + preview.get("fingerprint") + "}";
        TestClient.Answer added =
                mira.post(LINKS + "/looks/" + preview.get("id").asLong() + "/application", body);
        assertEquals(added.status(), status, added.body());
    }

    private static TestClient.Answer delete(TestClient mira, String path) {
        return mira.send(
                "DELETE", path, "", "Idempotency-Key", UUID.randomUUID().toString());
    }

    @Test
    public void bothSystemsOfTheSchoolAreThereAndSayWhatTheyCanDo() {
        TestClient mira = mira();
        assertEquals(
                link(mira, SITE).get("abilities").toString(), "[\"DUES\",\"GRADEBOOK\",\"HAND_IN\",\"ASK\",\"WRITE\"]");
        assertEquals(link(mira, BOOK).get("abilities").toString(), "[\"DUES\",\"GRADEBOOK\"]");
        assertFalse(link(mira, BOOK).toString().contains(School.THORNMERE.token()), "no token goes out");
    }

    @Test
    public void askedAgainWithNoNewsItIsOneConditionalRequest() {
        TestClient mira = settled();
        int full = standIns.college().answered();
        int unchanged = standIns.college().unchanged();
        assertEquals(ask(mira, SITE).json().get("news").asString(), NO_NEWS);
        assertEquals(standIns.college().answered(), full);
        assertEquals(standIns.college().unchanged(), unchanged + 1);
    }

    @Test
    public void readFromTheBeginningNothingIsDoubled() {
        TestClient mira = settled();
        int before = titles(mira).size();
        long id = link(mira, SITE).get("id").asLong();
        TestClient.Answer anew = mira.post(LINKS + "/" + id + "/asking?anew=true", "");
        assertEquals(anew.status(), 200, anew.body());
        assertEquals(titles(mira).size(), before);
        TestClient.Answer again = mira.post(LINKS + "/" + id + "/asking?anew=true", "");
        assertEquals(again.json().get("news").asString(), NO_NEWS);
    }

    @DataProvider
    public static Object[][] faults() {
        return new Object[][] {
            {Fault.DOWN, "didn't answer"},
            {Fault.HALF, "didn't answer"},
            {Fault.ERROR, "answered 500"},
            {Fault.MANY, "MB"},
        };
    }

    @Test(dataProvider = "faults")
    public void aSchoolThatFailsIsSaidSoAskedAgainLaterAndChangesNothing(Fault fault, String words) {
        TestClient mira = settled();
        on(mira, 3);
        List<String> before = titles(mira);
        standIns.college().fault(fault);
        TestClient.Answer failed = ask(mira, SITE);
        assertEquals(failed.status(), 409, failed.body());
        assertTrue(failed.body().contains(words), failed.body());
        JsonNode link = link(mira, SITE);
        assertTrue(link.get("fault").asString().contains(words), link.toString());
        assertTrue(link.get("failures").asInt() >= 1);
        assertEquals(titles(mira), before);
        standIns.college().fault(Fault.NONE);
        assertEquals(ask(mira, SITE).status(), 200);
        assertTrue(link(mira, SITE).get("fault").isNull());
    }

    @Test
    public void whatComesTwiceOrUnderNewNamesIsHereOnce() {
        TestClient mira = settled();
        List<String> before = titles(mira);
        for (Fault fault : new Fault[] {Fault.REPEAT, Fault.NEW_KEYS, Fault.NONE}) {
            standIns.college().fault(fault);
            assertEquals(ask(mira, SITE).status(), 200);
            assertEquals(titles(mira), before, fault.toString());
        }
    }

    @Test
    public void aDueThatMovesBackAndForthIsFollowedAndSaid() {
        TestClient mira = settled();
        String due = work(mira, "Soil lab 7").get("due").asString();
        standIns.college().fault(Fault.MOVING_DUES);
        ask(mira, SITE);
        assertFalse(work(mira, "Soil lab 7").get("due").asString().equals(due));
        ask(mira, SITE);
        assertEquals(work(mira, "Soil lab 7").get("due").asString(), due);
        long id = link(mira, SITE).get("id").asLong();
        JsonNode imports = mira.get(LINKS + "/" + id + "/imports").json();
        assertTrue(imports.get(0).get("changed").asInt() > 20, imports.get(0).toString());
    }

    @Test
    public void aBrokenPieceAmongGoodOnesIsToldOf() {
        TestClient mira = settled();
        List<String> before = titles(mira);
        standIns.college().fault(Fault.BROKEN_ROW);
        on(mira, 30);
        assertEquals(ask(mira, SITE).status(), 200);
        assertTrue(titles(mira).containsAll(before), "what can't be read now isn't gone");
    }

    @Test
    public void theGradebookIsTheSecondRecordOfWhatTheSiteBrought() {
        TestClient mira = settled();
        List<String> before = titles(mira);
        String news = newsOf(mira, BOOK);
        assertTrue(news.contains("of the gradebook"), news);
        assertEquals(titles(mira), before);
        JsonNode detail = mira.get(path(work(mira, "Worksheet 1: reading"))).json();
        assertTrue(detail.toString().contains(BOOK), detail.toString());
        assertEquals(ask(mira, BOOK).json().get("news").asString(), NO_NEWS);
    }

    @Test
    public void whereTheTwoDisagreeIsListedAndAMatchIsPartedAndStaysSo() {
        TestClient mira = settled();
        JsonNode records = mira.get(STUDENT + "/records").json();
        assertTrue(records.get("agreeing").asInt() > 30, records.get("agreeing").toString());
        JsonNode differing = records.get("differing").get(0);
        assertEquals(differing.get("book").asString(), BOOK);
        assertFalse(differing.at("/disagreements/0/advice").asString().isEmpty(), differing.toString());
        String path = STUDENT + "/works/" + differing.get("work").asLong() + "/match";
        String form = "{\"book\":\"College gradebook\",\"with\":null}";
        TestClient.Answer parted = mira.send(
                "PUT", path, form, "Idempotency-Key", UUID.randomUUID().toString());
        assertEquals(parted.status(), 200, parted.body());
        assertFalse(mira.get(STUDENT + "/records").body().contains("\"work\":" + differing.get("work") + ","));
        long book = link(mira, BOOK).get("id").asLong();
        assertEquals(mira.post(LINKS + "/" + book + "/asking?anew=true", "").status(), 200);
        assertFalse(mira.get(STUDENT + "/records").body().contains("\"work\":" + differing.get("work") + ","));
        undone(mira, parted.json().get("change").asLong());
        assertTrue(mira.get(STUDENT + "/records").body().contains("\"work\":" + differing.get("work") + ","));
        assertEquals(
                mira.send("PUT", path, form.replace("College", "No"), "Idempotency-Key", "k" + System.nanoTime())
                        .status(),
                404);
    }

    @DataProvider
    public static Object[][] badBundles() {
        return new Object[][] {{Fault.BOMB, "unpacks to more"}, {Fault.HALF, "didn't answer"}, {Fault.ERROR, "500"}};
    }

    @Test(dataProvider = "badBundles")
    public void aBundleThatCannotBeTakenIsLeftWhereItIs(Fault fault, String words) {
        TestClient mira = mira();
        standIns.college().fault(fault);
        TestClient.Answer failed = ask(mira, BOOK);
        assertEquals(failed.status(), 409, failed.body());
        assertTrue(failed.body().contains(words), failed.body());
    }

    @Test
    public void aBundleInAnOldEncodingOrWithABrokenRowIsRead() {
        TestClient mira = mira();
        for (Fault fault : new Fault[] {Fault.OLD_ENCODING, Fault.BROKEN_ROW}) {
            standIns.college().fault(fault);
            assertEquals(ask(mira, BOOK).status(), 200, fault.toString());
        }
    }

    @Test
    public void aCalendarIsALinkToo() {
        TestClient mira = mira();
        String address = standIns.college().address() + "/site/calendar/soil.ics";
        String form = "{\"kind\":\"CALENDAR\",\"address\":\"" + address + "\",\"name\":\"Soil calendar\"}";
        int before = titles(mira).size();
        addLink(mira, form, 201);
        assertEquals(titles(mira).size(), before, "the same work of the same course is there already");
        JsonNode link = link(mira, "Soil calendar");
        assertEquals(link.get("abilities").toString(), "[\"DUES\"]");
        String path = LINKS + "/" + link.get("id").asLong();
        TestClient.Answer paused = mira.send(
                "PUT",
                path,
                "{\"name\":\"Soil calendar\",\"paused\":true}",
                "Idempotency-Key",
                UUID.randomUUID().toString());
        assertEquals(paused.status(), 200, paused.body());
        assertTrue(link(mira, "Soil calendar").get("paused").asBoolean());
        JsonNode removed = delete(mira, path).json();
        assertEquals(mira.get(LINKS).json().get("links").size(), 2);
        undone(mira, removed.get("change").asLong());
        assertEquals(mira.get(LINKS).json().get("links").size(), 3);
        delete(mira, path);
    }

    private static JsonNode draftText(TestClient mira, JsonNode work) {
        String path = path(work);
        String number = mira.get(path).json().at("/draft/number").toString();
        TestClient.Answer saved =
                mira.send("PUT", path + "/draft", "{\"text\":\"Loam, and eleven worms.\",\"number\":" + number + "}");
        assertEquals(saved.status(), 200, saved.body());
        return saved.json();
    }

    private static TestClient.Answer handInText(TestClient mira, JsonNode drafted, String key) {
        return mira.send(
                "POST",
                path(drafted.get("work")) + "/hand-ins",
                handIn(drafted, "TEXT"),
                "If-Match",
                version(drafted.get("work")),
                "Idempotency-Key",
                key);
    }

    @Test
    public void aHandInIsWithTheSchoolBeforeItCountsAndComesBackOnce() {
        TestClient mira = mira();
        JsonNode drafted = draftText(mira, work(mira, "Depreciation of a greenhouse"));
        standIns.college().fault(Fault.DOWN);
        TestClient.Answer unknown = handInText(mira, drafted, "press");
        assertEquals(unknown.status(), 503, unknown.body());
        assertTrue(unknown.body().contains("It may have arrived at Thornmere course site"), unknown.body());
        JsonNode waiting = mira.get(path(drafted.get("work"))).json();
        assertEquals(waiting.at("/work/stage").asString(), "DRAFT");
        assertTrue(
                waiting.at("/onItsWay/unknown").asBoolean(),
                waiting.get("onItsWay").toString());
        assertEquals(handInText(mira, drafted, "one press too many").status(), 409);
        standIns.college().fault(Fault.NONE);
        TestClient.Answer taken = handInText(mira, drafted, "press");
        assertEquals(taken.status(), 201, taken.body());
        JsonNode receipt = taken.json().get("receipt");
        assertEquals(receipt.get("school").asString(), SITE);
        assertTrue(receipt.get("number").asString().startsWith("TC-"), receipt.toString());
        assertEquals(work(mira, "Depreciation of a greenhouse").get("stage").asString(), "TURNED_IN");
        assertEquals(ask(mira, SITE).status(), 200);
        assertEquals(
                work(mira, "Depreciation of a greenhouse").get("attemptsUsed").asInt(),
                1,
                "it isn't told of a second time");
        on(mira, 24 * 8);
        ask(mira, SITE);
        JsonNode graded = work(mira, "Depreciation of a greenhouse");
        assertEquals(graded.get("stage").asString(), "RETURNED", graded.toString());
        assertTrue(graded.at("/score/points").asDouble() > 0, graded.toString());
    }

    @Test
    public void aSlowSchoolIsWaitedForShownAndStopped() {
        TestClient mira = settled();
        on(mira, 24);
        List<String> before = titles(mira);
        standIns.college().fault(Fault.SLOW);
        long id = link(mira, SITE).get("id").asLong();
        CompletableFuture<TestClient.Answer> asking = CompletableFuture.supplyAsync(() -> ask(mira(), SITE));
        while (link(mira, SITE).get("stage").isNull()) {
            assertFalse(asking.isDone(), "it was never shown as being asked");
        }
        assertEquals(link(mira, SITE).get("stage").asString(), "ASKING");
        assertEquals(mira.send("DELETE", LINKS + "/" + id + "/asking", "").status(), 204);
        TestClient.Answer stopped = asking.join();
        assertEquals(stopped.status(), 409, stopped.body());
        assertTrue(stopped.body().contains("Nothing of it was taken"), stopped.body());
        assertEquals(titles(mira), before);
        assertTrue(link(mira, SITE).get("fault").isNull(), "stopping is no failure");
    }

    @Test
    public void aCalendarOfThirtyThousandEventsIsRefusedInWords() {
        standIns.college().fault(Fault.MANY);
        String form =
                "{\"kind\":\"CALENDAR\",\"address\":\"" + standIns.college().address() + "/site/calendar/soil.ics\"}";
        TestClient.Answer refused = mira().post(LINKS + "/looks", form);
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains("more than 30000 entries"), refused.body());
    }

    @DataProvider
    public static Object[][] badForms() {
        return new Object[][] {
            {"{\"kind\":\"BOX\",\"address\":\"http://10.0.0.1/\"}", "private network"},
            {"{\"kind\":\"BOX\",\"address\":\"\"}", "Give the address"},
            {"{\"address\":\"https://example.org\"}", "what kind"},
            {"{\"kind\":\"CALENDAR\",\"address\":\"SCHOOL/site/calendar/soil\"}", ""},
            {"{\"kind\":\"BOX\",\"address\":\"SCHOOL/site/v1/\",\"token\":\"wrong\"}", "401"},
            {"{\"kind\":\"ROSTER\",\"address\":\"SCHOOL/site/calendar/soil.ics\"}", "no zip archive"},
            {"{\"kind\":\"BOX\",\"address\":\"SCHOOL/site/calendar/soil.ics?\"}", "JSON"},
        };
    }

    @Test(dataProvider = "badForms")
    public void whatCannotBeALinkIsRefusedByName(String form, String words) {
        TestClient.Answer refused = mira().post(
                        LINKS + "/looks",
                        form.replace("SCHOOL", standIns.college().address()));
        if (words.isEmpty()) {
            assertEquals(refused.status(), 201, refused.body());
            return;
        }
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains(words), refused.body());
    }
}

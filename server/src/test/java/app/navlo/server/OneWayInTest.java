package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.UncheckedIOException;
import java.net.http.HttpRequest;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What comes in by file, by paste and by calendar, of a term of one's own. */
@TestPropertySource(properties = "navlo.own=OneWayInTest")
public class OneWayInTest extends OwnServer {
    private static final LocalDate TODAY = LocalDate.now();

    private static String day(int days) {
        return TODAY.plusDays(days).toString();
    }

    private static String basic(int days) {
        return day(days).replace("-", "");
    }

    private Map<String, String> standing(String course) {
        Map<String, String> standing = new TreeMap<>();
        JsonNode board = board();
        long id = board.get("courses")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(course))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        board.get("works")
                .valueStream()
                .filter(work -> work.get("courseId").asLong() == id)
                .forEach(work -> standing.put(
                        work.get("title").asString(),
                        work.get("stage").asString() + " " + work.get("due") + " " + work.at("/score/points") + " "
                                + work.get("missing")));
        return standing;
    }

    @Test
    public void byFileAndByPasteTheSameContentLeavesTheSameBoard() {
        String rows = "Title\tDue\tScore\tPoints possible\tStatus\nHW 1\t" + day(-20) + "\t9\t10\tGraded\nHW 2\t"
                + day(-9) + "\t\t10\tNot submitted\nHW 3\t" + day(5) + "\t\t10\t\nHW 4\t" + day(-3)
                + "\tEX\t10\t\nTotal\t\t81\t100\t\n";
        ok(Imports.apply(asta, Imports.look(asta, "chem by file.csv", rows.replace('\t', ','))));
        ok(Imports.apply(asta, Imports.paste(asta, "chem by paste", rows)));
        assertEquals(standing("Chem by file"), standing("Chem by paste"));
        assertEquals(standing("Chem by file").size(), 4, "a total is no work");
        assertTrue(standing("Chem by file").get("HW 2").startsWith("ASSIGNED"), "“not submitted” is no hand-in");
        assertTrue(standing("Chem by file").get("HW 4").startsWith("EXCUSED"), "EX keeps its row");
        JsonNode again = Imports.paste(asta, "chem by paste", rows);
        assertEquals(Imports.apply(asta, again).status(), 409, "the same again doubles nothing");
    }

    @Test
    public void whatIsPastIsAskedAboutOnceAndEachRowCanSayOtherwise() {
        String calendar = "BEGIN:VCALENDAR\nX-WR-CALNAME:Mathematics\n"
                + event("a", "Problem Set 1 is due [MATH-201]", -40)
                + event("b", "Problem Set 2 is due [MATH-201]", -20)
                + event("c", "Problem Set 3 is due [MATH-201]", 4)
                + event("d", "Autumn break", -30)
                + "END:VCALENDAR\n";
        JsonNode first = Imports.look(asta, "m.ics", calendar);
        assertTrue(Imports.row(first, "Problem Set 1").get("past").asBoolean());
        assertFalse(Imports.row(first, "Problem Set 3").get("past").asBoolean());
        assertFalse(Imports.row(first, "Autumn break").get("take").asBoolean(), "a break isn't silently work");
        JsonNode said = Imports.again(asta, first, "{\"rows\":[{\"key\":\"b\",\"past\":\"NOT_HANDED_IN\"}]}");
        JsonNode done = ok(Imports.apply(asta, said));
        assertEquals(done.get("added").asInt(), 3);
        assertEquals(work("Problem Set 1").get("stage").asString(), "TURNED_IN");
        assertEquals(work("Problem Set 1").get("timing").asString(), "ON_TIME");
        assertTrue(work("Problem Set 2").get("missing").asBoolean());
        assertEquals(board().get("slow").size(), 0);
        undo(done);
        assertFalse(board().toString().contains("Problem Set"), "undone whole");
        JsonNode anew = Imports.look(asta, "m.ics", calendar);
        assertEquals(Imports.statuses(anew).get("Problem Set 1"), "NEW", "what was undone can be taken again");
        ok(Imports.apply(asta, anew));
        assertEquals(work("Problem Set 2").get("stage").asString(), "TURNED_IN");
    }

    private static String event(String uid, String title, int days) {
        return "BEGIN:VEVENT\nUID:" + uid + "\nSUMMARY:" + title + "\nDTSTART;VALUE=DATE:" + basic(days)
                + "\nEND:VEVENT\n";
    }

    @Test
    public void opensAndClosesAreOnePieceOfWorkAndWhatTakesPlaceIsAnAppointment() {
        String calendar = "BEGIN:VCALENDAR\nX-WR-CALNAME:History\n"
                + "BEGIN:VEVENT\nUID:o\nSUMMARY:Quiz 2 opens\nDTSTART:" + basic(2) + "T080000Z\nEND:VEVENT\n"
                + "BEGIN:VEVENT\nUID:c\nSUMMARY:Quiz 2 closes\nDTSTART:" + basic(5) + "T180000Z\nEND:VEVENT\n"
                + "BEGIN:VEVENT\nUID:x\nSUMMARY:Final exam\nDTSTART:" + basic(12) + "T080000Z\nDTEND:" + basic(12)
                + "T100000Z\nEND:VEVENT\n"
                + "BEGIN:VEVENT\nUID:l\nSUMMARY:Lecture\nRRULE:FREQ=WEEKLY;BYDAY=TU,TH\nDTSTART:" + basic(-20)
                + "T080000Z\nDTEND:" + basic(-20) + "T093000Z\nEND:VEVENT\n"
                + "END:VCALENDAR\n";
        JsonNode preview = Imports.look(asta, "h.ics", calendar);
        assertEquals(preview.get("rows").size(), 2, preview.get("rows").toString());
        assertEquals(preview.get("classes").size(), 2);
        ok(Imports.apply(asta, Imports.again(asta, preview, "{\"classes\":true}")));
        JsonNode quiz = work("Quiz 2");
        assertTrue(quiz.get("opensAt").asString().startsWith(day(2)));
        assertTrue(quiz.get("due").asString().startsWith(day(5)));
        JsonNode exam = work("Final exam");
        assertTrue(exam.get("due").asString().contains("T08:00"), "its start is what counts");
        assertTrue(exam.get("endsAt").asString().contains("T10:00"));
        assertEquals(asta.get(STUDENT + "/hours").json().at("/sheet/classes").size(), 2);
    }

    @Test
    public void anUnknownWordIsAskedForOnceAndRemembered() {
        String table = "Title,Course,Due,Status\nVase,Pottery," + day(-4) + ",flumped\n";
        JsonNode first = Imports.look(asta, "p.csv", table);
        assertEquals(first.get("unknownWords").toString(), "[\"flumped\"]");
        JsonNode said = Imports.again(asta, first, "{\"words\":[{\"word\":\"flumped\",\"meaning\":\"HANDED_IN\"}]}");
        assertEquals(said.get("unknownWords").size(), 0);
        ok(Imports.apply(asta, said));
        assertEquals(work("Vase").get("stage").asString(), "TURNED_IN");
        JsonNode other = Imports.look(asta, "q.csv", table.replace("Vase", "Jug"));
        assertEquals(other.get("unknownWords").size(), 0, "it is remembered");
    }

    @Test
    public void categoriesAndWeightsAreOfferedAsAWhole() {
        String table = "Title,Course,Category,Score,Points possible\nHW 1,Physics,Homework (40%),9,10\n"
                + "Lab 1,Physics,Labs (60%),18,20\n";
        JsonNode preview = Imports.look(asta, "physics.csv", table);
        assertEquals(preview.at("/courses/0/categories").size(), 2);
        ok(Imports.apply(asta, preview));
        assertEquals(courseOf("Physics").at("/standing/kind").asString(), "WEIGHTED");
    }

    private JsonNode courseOf(String name) {
        return board().get("courses")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** What rests on an assumption says so, from when something does. */
    @Test
    public void aCourseSaysThatItCountsLateWorkByAnAssumption() {
        String row = ",Latin,%s,20,Not submitted\n";
        String heads = "Title,Course,Due,Points possible,Status\n";
        ok(Imports.apply(asta, Imports.look(asta, "latin.csv", heads + "Ode" + row.formatted(day(6)))));
        assertFalse(courseOf("Latin").get("lateAssumed").asBoolean());
        ok(Imports.apply(asta, Imports.look(asta, "latin.csv", heads + "Elegy" + row.formatted(day(-3)))));
        assertTrue(courseOf("Latin").get("lateAssumed").asBoolean());
    }

    @Test
    public void tenThousandRowsAreRefusedInWordsAndNothingIsHalfThere() {
        StringBuilder rows = new StringBuilder("Title,Course\n");
        for (int i = 0; i < 10_000; i++) {
            rows.append("Row ").append(i).append(",Long\n");
        }
        TestClient.Answer refused = asta.post(
                STUDENT + "/imports/pasted", JSON.writeValueAsString(Map.of("name", "long", "text", rows.toString())));
        assertEquals(refused.status(), 422);
        assertTrue(refused.fault().contains("at most 5000"), refused.fault());
        assertFalse(board().toString().contains("Row 1"));
    }

    @DataProvider
    public static Object[][] orders() {
        return new Object[][] {
            {"", "12/03/2027", "DAY_FIRST", "2027-03-12"},
            {"?dates=DAY_FIRST", "12/03/2027", "DAY_FIRST", "2027-03-12"},
            {"?dates=MONTH_FIRST", "12/03/2027", "MONTH_FIRST", "2027-12-03"},
            // The table tells.
            {"?dates=MONTH_FIRST", "13/03/2027", "DAY_FIRST", "2027-03-13"},
            {"?dates=DAY_FIRST", "03/13/2027", "MONTH_FIRST", "2027-03-13"},
        };
    }

    /** It is asked for all the same, with the likely answer chosen. */
    @Test(dataProvider = "orders")
    public void aDateThatCouldBeTwoIsReadAsItsReaderWritesThem(String query, String date, String order, String day) {
        JsonNode read = ok(asta.post(
                STUDENT + "/imports/pasted" + query,
                JSON.writeValueAsString(Map.of("name", "Dates", "text", "Title\tDue\nKite\t" + date))));
        assertEquals(read.at("/choices/mapping/dates").asString(), order);
        assertEquals(Imports.row(read, "Kite").at("/dueDay").asString(), day);
    }

    @Test
    public void anOrderThatThereIsntIsRefusedByName() {
        TestClient.Answer refused = asta.post(
                STUDENT + "/imports/pasted?dates=SIDEWAYS",
                JSON.writeValueAsString(Map.of("name", "Dates", "text", "Title\tDue\nKite\t1/2/2027")));
        assertTrue(refused.status() == 400 || refused.status() == 422, "status " + refused.status());
        assertTrue(refused.body().contains("dates"), refused.body());
    }

    @Test
    public void aRowIsPutRightBeforeItIsTaken() {
        JsonNode first =
                Imports.look(asta, "w.csv", "Title,Course,Due\nPotrait,Art," + day(9) + "\nParty,Art," + day(9) + "\n");
        String key = Imports.row(first, "Potrait").get("key").asString();
        String edits = JSON.writeValueAsString(Map.of(
                "rows",
                List.of(
                        Map.of("key", key, "title", "Portrait", "possible", "30", "kind", "PROJECT"),
                        Map.of("key", Imports.row(first, "Party").get("key").asString(), "take", false))));
        ok(Imports.apply(asta, Imports.again(asta, first, edits)));
        assertEquals(work("Portrait").at("/score/possible").asString(), "30");
        assertEquals(work("Portrait").get("kind").asString(), "PROJECT");
        assertFalse(board().toString().contains("Party"));
    }

    @Test
    public void aWebPageOrAPictureIsNoTable() {
        for (String content : List.of("<html><table></table></html>", "\u0000\u0001\u0002")) {
            TestClient.Answer refused = asta.upload(STUDENT + "/imports", "a.csv", content.getBytes());
            assertEquals(refused.status(), 422, refused.body());
            assertTrue(refused.fault().length() > 30);
        }
    }

    private static String table(String course, int rows) {
        return "Title,Course,Due\n"
                + IntStream.range(0, rows)
                        .mapToObj(i -> course + " " + i + "," + course + "," + day(5 + i % 40))
                        .collect(Collectors.joining("\n"));
    }

    private long many(String title) {
        return board().get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith(title + " "))
                .count();
    }

    @Test
    public void twoFilesOfOneTermAreTakenOneAfterTheOtherAndDoubleNothing() {
        JsonNode one = Imports.look(asta, "first.csv", table("Weaving", 40));
        JsonNode other = Imports.look(asta, "second.csv", table("Weaving", 60));
        List<CompletableFuture<TestClient.Answer>> both = Stream.of(one, other)
                .map(preview -> CompletableFuture.supplyAsync(() -> Imports.apply(asta, preview)))
                .toList();
        List<Integer> statuses =
                both.stream().map(answer -> answer.join().status()).sorted().toList();
        assertEquals(statuses, List.of(201, 412), "the later would do something else by then, and says so");
        assertTrue(List.of(40L, 60L).contains(many("Weaving")), "one of them, whole");
        if (many("Weaving") == 40) {
            ok(Imports.apply(asta, Imports.again(asta, other, "{}")));
        }
        assertEquals(many("Weaving"), 60);
    }

    @Test
    public void whoeverClosesTheBrowserInTheMiddleFindsItWholeOrNotAtAllAndCanPressAgain() throws Exception {
        JsonNode preview = Imports.look(asta, "long.csv", table("Dyeing", 1_500));
        String body = JSON.writeValueAsString(
                Map.of("choices", preview.get("choices"), "fingerprint", preview.get("fingerprint")));
        HttpRequest.Builder closed = asta.request(
                        STUDENT + "/imports/" + preview.get("id").asLong() + "/application")
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", "closed in the middle")
                .timeout(Duration.ofMillis(200))
                .POST(HttpRequest.BodyPublishers.ofString(body));
        assertThrows(UncheckedIOException.class, () -> asta.send(closed));
        long many = many("Dyeing");
        assertTrue(many == 0 || many == 1_500, many + " are here: half of it");
        JsonNode again = ok(asta.send(closed.timeout(Duration.ofMinutes(1))));
        assertEquals(again.get("added").asInt(), 1_500);
        assertEquals(many("Dyeing"), 1_500);
        assertEquals(asta.get(STUDENT + "/imports/progress").json().get("of").asInt(), 0);
    }

    @Test
    public void aLongWritingSaysHowFarItIs() {
        JsonNode preview = Imports.look(asta, "longer.csv", table("Felting", 1_500));
        CompletableFuture<TestClient.Answer> writing =
                CompletableFuture.supplyAsync(() -> Imports.apply(asta, preview));
        int most = 0;
        while (!writing.isDone()) {
            JsonNode progress = asta.get(STUDENT + "/imports/progress").json();
            most = Math.max(most, progress.get("of").asInt());
            assertTrue(progress.get("done").asInt() <= progress.get("of").asInt(), progress.toString());
        }
        ok(writing.join());
        assertEquals(most, 1_500);
    }

    @Test
    public void whatWasPutRightByHandStaysWhenTheFileIsReadAgain() {
        String table = "Title,Course,Due,Points possible\nEwer,Pottery," + day(8) + ",20\n";
        JsonNode first = Imports.look(asta, "kiln.csv", table);
        String key = Imports.row(first, "Ewer").get("key").asString();
        ok(Imports.apply(
                asta,
                Imports.again(
                        asta,
                        first,
                        JSON.writeValueAsString(Map.of(
                                "rows",
                                List.of(Map.of("key", key, "possible", "35", "dueDay", day(11), "score", "30")))))));
        assertEquals(work("Ewer").at("/score/points").asString(), "30");
        JsonNode again = Imports.look(asta, "kiln.csv", table);
        assertEquals(Imports.row(again, "Ewer").get("status").asString(), "CONFLICTING");
        assertTrue(Imports.row(again, "Ewer").get("changes").toString().contains("as you set it"));
        ok(Imports.apply(asta, again));
        assertEquals(work("Ewer").at("/score/possible").asString(), "35");
        assertEquals(work("Ewer").at("/score/points").asString(), "30");
    }
}

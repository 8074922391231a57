package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.formats.oneroster.OneRosterWriter;
import app.navlo.formats.oneroster.Roster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A gradebook's bundle and a plain table, read in by hand: previewed, applied once, brought up to date, undone. */
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1")
@DirtiesContext
public class FileImportTest extends DemoServer {
    private static final String FILES = STUDENT + "/imports";
    private static final String TABLE = """
            Task;Class;Due date;Points;Out of;Colour
            Press flowers;Herbarium;03.12.2026;7,5;10;red
            Write labels;Herbarium;10.12.2026 12:00;;10;blue
            Broken;Herbarium;some day;;10;
            """;

    private static byte[] bundle(String... scores) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<Roster.LineItem> items = new ArrayList<>();
        List<Roster.Result> results = new ArrayList<>();
        for (int i = 0; i < scores.length; i++) {
            String id = "i" + i;
            items.add(new Roster.LineItem(
                    id, "Sketch " + i, "", null, "2026-12-0" + (i + 1), "k", "c", null, Rational.of(20)));
            if (!scores[i].isEmpty()) {
                results.add(new Roster.Result(
                        "r" + i,
                        id,
                        "me",
                        Roster.ScoreStatus.FULLY_GRADED,
                        Rational.parse(scores[i]),
                        LocalDate.of(2026, 11, 20),
                        "",
                        false,
                        false,
                        false,
                        false,
                        null));
            }
        }
        try (OneRosterWriter writer =
                new OneRosterWriter(out, "Evening school", Instant.parse("2026-11-24T06:00:00Z"))) {
            writer.categories(List.of(new Roster.Category("c", "Sketches", Rational.of(100))));
            writer.classes(List.of(new Roster.ClassOf("k", "Botanical drawing", "o", "t")));
            writer.enrolments(List.of(
                    new Roster.Enrolment("e1", "k", "o", "me", Roster.Role.STUDENT),
                    new Roster.Enrolment("e2", "k", "o", "her", Roster.Role.STUDENT)));
            writer.lineItems(items);
            writer.orgs(List.of(new Roster.Org("o", "Evening school")));
            writer.results(results);
            writer.users(List.of(
                    new Roster.User("me", Roster.Role.STUDENT, "Mira", "Solheim", "mira@evening.example"),
                    new Roster.User("her", Roster.Role.STUDENT, "Ada", "Brook", "ada@evening.example")));
        }
        return out.toByteArray();
    }

    private static JsonNode read(TestClient mira, String name, byte[] content) {
        return Imports.look(mira, name, content);
    }

    private static JsonNode preview(TestClient mira, JsonNode first, String choices) {
        return Imports.again(mira, first, choices);
    }

    private static TestClient.Answer apply(TestClient mira, JsonNode preview, String... headers) {
        return Imports.apply(mira, preview, headers);
    }

    private static long many(JsonNode preview, String status) {
        return preview.get("rows")
                .valueStream()
                .filter(row -> row.get("status").asString().equals(status))
                .count();
    }

    @Test
    public void aBundleOfSeveralStudentsAsksWhoOneIsThenBringsCourseWorkAndScoresOnce() throws IOException {
        TestClient mira = mira();
        JsonNode first = read(mira, "export.zip", bundle("15", "", "12.5"));
        assertFalse(first.get("ready").asBoolean());
        assertEquals(first.get("students").size(), 2);
        JsonNode chosen = preview(mira, first, "{\"knownAs\":\"me\"}");
        assertEquals(chosen.at("/courses/0/name").asString(), "Botanical drawing");
        assertEquals(many(chosen, "NEW"), 3);
        assertEquals(chosen.get("results").asInt(), 2);
        TestClient.Answer done = apply(mira, chosen);
        assertEquals(done.status(), 201, done.body());
        assertEquals(work(mira, "Sketch 0").at("/score/points").asString(), "15");
        JsonNode again = preview(mira, read(mira, "export.zip", bundle("15", "", "12.5")), "{\"knownAs\":\"me\"}");
        assertEquals(many(again, "SAME"), 3);
        assertEquals(apply(mira, again).status(), 409, "nothing is left to apply");
        JsonNode newer = preview(mira, read(mira, "export.zip", bundle("15", "18")), "{\"knownAs\":\"me\"}");
        assertEquals(many(newer, "KEPT") + many(newer, "GONE"), 1, "the third is no longer told of");
        assertEquals(newer.get("results").asInt(), 1);
        long change = apply(mira, newer).json().get("change").asLong();
        assertEquals(work(mira, "Sketch 1").at("/score/points").asString(), "18");
        assertEquals(mira.post(STUDENT + "/changes/" + change + "/undo", "").status(), 201);
        assertTrue(work(mira, "Sketch 1").at("/score/points").isNull());
    }

    @Test
    public void aTableIsRecognisedCorrectedRememberedAndItsBrokenRowToldOf() {
        TestClient mira = mira();
        JsonNode first = read(mira, "herbarium.csv", TABLE.getBytes(Charset.forName("windows-1252")));
        assertTrue(first.get("ready").asBoolean());
        assertEquals(
                first.at("/choices/mapping/fields").toString(),
                "[\"TITLE\",\"COURSE\",\"DUE\",\"SCORE\",\"POSSIBLE\",\"NONE\"]");
        assertEquals(first.get("unclear").toString(), "[\"DATE_ORDER\"]");
        assertEquals(first.get("troubles").size(), 1);
        assertTrue(
                first.get("troubles").toString().contains("line 4"),
                first.get("troubles").toString());
        String corrected =
                "{\"mapping\":{\"fields\":[\"TITLE\",\"COURSE\",\"DUE\",\"SCORE\",\"POSSIBLE\",\"CATEGORY\"],"
                        + "\"dates\":\"DAY_FIRST\",\"decimals\":\"COMMA\"}}";
        JsonNode second = preview(mira, first, corrected);
        assertEquals(apply(mira, second).status(), 201);
        assertEquals(work(mira, "Press flowers").at("/score/points").asString(), "7.5");
        assertEquals(work(mira, "Press flowers").get("category").asString(), "red");
        JsonNode next = read(mira, "herbarium.csv", TABLE.getBytes(StandardCharsets.UTF_8));
        assertEquals(next.at("/choices/mapping/fields/5").asString(), "CATEGORY", "what was said is remembered");
        assertEquals(many(next, "SAME"), 3, "of the broken row what can be read was taken");
    }

    private static JsonNode readIn(TestClient mira, String row) {
        String table = "title,course,due,score,possible,status,comment\n" + row + "\n";
        TestClient.Answer done = apply(mira, read(mira, "grafts.csv", table.getBytes(StandardCharsets.UTF_8)));
        assertEquals(done.status(), 201, done.body());
        return work(mira, "Graft an apple");
    }

    @Test
    public void anEntryThatChangesBringsOnlyWhatIsNewOfIt() {
        TestClient mira = mira();
        String work = "Graft an apple,Grafting,2026-11-20,";
        JsonNode missing = readIn(mira, work + ",20,missing,");
        assertTrue(missing.get("missing").asBoolean(), missing.toString());
        JsonNode handedIn = readIn(mira, work + ",20,submitted,");
        assertEquals(handedIn.get("stage").asString(), "TURNED_IN", handedIn.toString());
        assertEquals(handedIn.get("timing").asString(), "ON_TIME", handedIn.toString());
        assertFalse(handedIn.get("missing").asBoolean(), handedIn.toString());
        readIn(mira, work + "15,20,,A clean cut");
        JsonNode better = readIn(mira, work + "16,20,,A clean cut");
        assertEquals(better.at("/score/points").asString(), "16");
        String stream = mira.get(STUDENT + "/feedback").body();
        assertEquals(stream.split("\"A clean cut\"", -1).length - 1, 1, "the comment is here once");
    }

    @Test
    public void theSameConfirmationTwiceHappensOnceAndAnOldOneIsRefused() {
        TestClient mira = mira();
        String table = "title,course,due\nSeed list,Seed bank,2026-12-01\n";
        JsonNode preview = read(mira, "seeds.csv", table.getBytes(StandardCharsets.UTF_8));
        String stale = "{\"choices\":" + preview.get("choices") + ",\"fingerprint\":\"old\"}";
        assertEquals(
                mira.post(FILES + "/" + preview.get("id").asLong() + "/application", stale)
                        .status(),
                412);
        String key = UUID.randomUUID().toString();
        assertEquals(apply(mira, preview, "Idempotency-Key", key).status(), 201);
        assertEquals(
                board(mira)
                        .get("works")
                        .valueStream()
                        .filter(one -> one.get("title").asString().equals("Seed list"))
                        .count(),
                1);
    }

    @DataProvider
    public static Object[][] noFiles() {
        return new Object[][] {
            {"a.csv", "", "is empty"},
            {"a.zip", "PK nothing", "no zip archive"},
            {"a.csv", "a,a\n1,2\n", "two columns of one name"},
        };
    }

    @Test(dataProvider = "noFiles")
    public void whatCannotBeReadSaysWhyAndWhatToDo(String name, String content, String words) {
        TestClient.Answer refused = mira().upload(FILES, name, content.getBytes(StandardCharsets.UTF_8));
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains(words), refused.body());
    }

    @Test
    public void aTableWithoutTitlesWaitsForThem() {
        TestClient mira = mira();
        JsonNode first = read(mira, "odd.csv", "alpha,beta\nLeaf,3\n".getBytes(StandardCharsets.UTF_8));
        assertFalse(first.get("ready").asBoolean());
        assertEquals(first.get("unclear").toString(), "[\"TITLE\"]");
        assertEquals(first.get("columns").size(), 2);
        assertEquals(apply(mira, first).status(), 412);
    }
}

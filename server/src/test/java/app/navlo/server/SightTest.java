package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Guardianships;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A guardian sees what the student shows them: work and grades always, words and messages if they are shown. */
public class SightTest extends DemoServer {
    private static final String ADDRESS = "onlooker@solheim.example";
    private static final String PASSWORD = "long-enough-98";
    private static final String GUARDIANS = STUDENT + "/guardians/";
    private static final int FORBIDDEN = 403;

    /** A stretch of a text that stands in JSON as it stands in the text. */
    private static final Pattern STRETCH = Pattern.compile("[A-Za-z0-9 ,.;:()–-]{14,60}");

    @Autowired
    private JdbcClient db;

    @Autowired
    private People people;

    @Autowired
    private Guardianships guardianships;

    @Autowired
    private PasswordEncoder passwords;

    @Autowired
    private RequestMappingHandlerMapping requestMappingHandlerMapping;

    private long id;
    private TestClient onlooker;

    @BeforeClass
    public void anOnlooker() {
        id = people.add(new People.NewPerson(
                ADDRESS, passwords.encode(PASSWORD), "Onlooker", Role.GUARDIAN, "Europe/Copenhagen", Instant.now()));
        guardianships.accept(MIRA, id, Sight.NARROWEST, Instant.now());
        onlooker = TestClient.signedIn(port, ADDRESS, PASSWORD);
    }

    private void shown(boolean words, boolean messages) {
        TestClient.Answer said = mira().send(
                        "PUT", GUARDIANS + id + "/sight", "{\"words\":" + words + ",\"messages\":" + messages + "}");
        assertEquals(said.status(), 204, said.body());
    }

    private Set<String> stretches(String sql) {
        Set<String> found = new TreeSet<>();
        for (String text : db.sql(sql).query(String.class).list()) {
            Matcher stretch = STRETCH.matcher(text);
            if (stretch.find()) {
                found.add(stretch.group());
            }
        }
        return found;
    }

    /** What was said, handed in and given, of Mira. */
    private Set<String> words() {
        Set<String> words = stretches("""
                SELECT body FROM fact WHERE student_id = 1 AND body IS NOT NULL
                UNION SELECT m.words FROM rubric_mark m JOIN fact f ON f.id = m.fact_id
                    WHERE f.student_id = 1 AND m.words IS NOT NULL
                UNION SELECT a.words FROM attempt_answer a JOIN fact f ON f.id = a.fact_id
                    WHERE f.student_id = 1 AND a.words IS NOT NULL
                UNION SELECT a.question FROM attempt_answer a JOIN fact f ON f.id = a.fact_id WHERE f.student_id = 1
                UNION SELECT h.text FROM hand_in h JOIN fact f ON f.id = h.fact_id
                    WHERE f.student_id = 1 AND h.text IS NOT NULL
                """);
        words.addAll(db.sql("""
                SELECT h.name FROM hand_in_file h JOIN fact f ON f.id = h.fact_id WHERE f.student_id = 1
                UNION SELECT a.name FROM attachment a JOIN work w ON w.id = a.work_id WHERE w.student_id = 1
                """).query(String.class).list());
        String announced = mira().get(STUDENT + "/announcements").body();
        words.removeIf(announced::contains);
        return words;
    }

    /** Every address of a student that can be read, with each piece of work and each course in its place. */
    private List<String> addresses() {
        JsonNode board = board(mira());
        List<String> all =
                new ArrayList<>(List.of("/api/household", "/api/household/students.csv", "/api/news/" + MIRA));
        requestMappingHandlerMapping.getHandlerMethods().keySet().stream()
                .filter(info -> info.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .flatMap(info -> info.getPatternValues().stream())
                .filter(path -> path.startsWith("/api/students/") && !path.endsWith("/events"))
                .forEach(path -> {
                    String here = path.replace("{student}", Long.toString(MIRA));
                    if (here.contains("{work}")) {
                        board.get("works").forEach(work -> all.add(filled(here, "{work}", work)));
                    } else if (here.contains("{course}")) {
                        board.get("courses").forEach(course -> all.add(filled(here, "{course}", course)));
                    } else {
                        all.add(filled(here));
                    }
                });
        return all;
    }

    private static String filled(String path, String hole, JsonNode by) {
        return filled(path.replace(hole, by.get("id").toString()));
    }

    private static String filled(String path) {
        return path.replaceAll("\\{\\w+}", "1") + (path.endsWith("/search") ? "?text=the" : "");
    }

    private static void holdsNone(String address, TestClient.Answer answer, Set<String> secrets) {
        for (String secret : secrets) {
            assertFalse(answer.body().contains(secret), address + " tells “" + secret + "”");
        }
    }

    @Test
    public void whoSeesWorkAndGradesAloneIsToldNoWordAnywhere() {
        shown(false, false);
        Set<String> words = words();
        assertTrue(words.size() > 100, "there is something to hide: " + words.size());
        int read = 0;
        for (String address : addresses()) {
            TestClient.Answer answer = onlooker.get(address);
            read += answer.status() == 200 ? 1 : 0;
            holdsNone(address, answer, words);
        }
        assertTrue(read > 300, "and something is told: " + read);
    }

    /** So that the test above looks for what can be found. */
    @Test
    public void theWordsAreFoundByWhoSeesThem() {
        shown(true, true);
        StringBuilder told =
                new StringBuilder(onlooker.get(STUDENT + "/feedback").body());
        board(onlooker)
                .get("works")
                .forEach(work -> told.append(onlooker.get(path(work)).body()));
        Set<String> missing = new TreeSet<>(words());
        missing.removeIf(word -> told.toString().contains(word));
        assertTrue(missing.size() < 12, "not told: " + missing);
    }

    /** Every state, figure and signal is as the student has it; the sentences alone lack what was said. */
    @Test
    public void noFigureHangsOnWhatIsSeen() {
        shown(true, true);
        JsonNode whole = board(onlooker);
        shown(false, false);
        JsonNode silent = board(onlooker);
        assertEquals(silent.get("courses"), whole.get("courses"));
        for (int i = 0; i < whole.get("works").size(); i++) {
            JsonNode mine = whole.get("works").get(i);
            JsonNode theirs = silent.get("works").get(i);
            assertEquals(theirs, mine, mine.get("title").asString());
        }
        assertEquals(kinds(silent), kinds(whole));
        assertTrue(kinds(whole).size() > 10);
        String next = onlooker.get(STUDENT + "/next").body();
        shown(true, true);
        assertEquals(onlooker.get(STUDENT + "/next").json().get("moves").size(), moves(next));
    }

    private static int moves(String next) {
        return new tools.jackson.databind.json.JsonMapper()
                .readTree(next)
                .get("moves")
                .size();
    }

    private static List<String> kinds(JsonNode board) {
        return board.get("signals")
                .valueStream()
                .map(signal -> signal.get("work") + signal.get("kind").asString() + signal.get("since"))
                .toList();
    }

    @DataProvider
    public Object[][] sights() {
        return new Object[][] {{true, false}, {false, true}, {true, true}, {false, false}};
    }

    @Test(dataProvider = "sights")
    public void eachPartIsShownByItself(boolean words, boolean messages) {
        shown(words, messages);
        assertEquals(onlooker.get(STUDENT + "/feedback").status() == FORBIDDEN, !words);
        assertEquals(onlooker.get(STUDENT + "/files").status() == FORBIDDEN, !words);
        assertEquals(onlooker.get(STUDENT + "/messages").status() == FORBIDDEN, !messages);
        JsonNode sees = onlooker.get("/api/session").json().at("/students/0/sees");
        assertEquals(sees.get("words").asBoolean(), words);
        assertEquals(sees.get("messages").asBoolean(), messages);
        assertEquals(mira().get(STUDENT + "/feedback").status(), 200, "the student sees their own");
        assertEquals(tobias().get(STUDENT + "/feedback").status(), 200, "the others see what they saw");
    }

    /** That somebody wrote to a teacher is a message, too. */
    @Test
    public void nothingSaysThatAMessageWasWrittenToWhoIsShownNone() {
        TestClient mira = mira();
        TestClient.Answer sent = mira.postForm(
                path(work(mira, "Evidence: mapping")) + "/messages",
                "{\"to\":\"halvor.tarn@thornmere.example\",\"subject\":\"A hedge of words\",\"body\":\"Between us.\"}");
        assertEquals(sent.status(), 201, sent.body());
        for (String address :
                List.of(STUDENT + "/changes", "/api/news/" + MIRA, path(work(mira, "Evidence: mapping")))) {
            shown(true, false);
            assertFalse(onlooker.get(address).body().contains("Wrote to"), address);
        }
        shown(true, true);
        assertTrue(onlooker.get(STUDENT + "/changes").body().contains("Wrote to"));
        assertTrue(onlooker.get(STUDENT + "/messages").body().contains("A hedge of words"));
    }

    /** An address of a past day, of another instant's data, is read with the same eyes. */
    @Test
    public void aPastDayIsReadWithTheSameEyes() {
        shown(false, false);
        Set<String> words = words();
        for (String day : List.of("2026-11-10", "2026-11-20", "2026-11-23")) {
            TestClient.Answer then = onlooker.get(STUDENT + "/board?asof=" + day);
            assertEquals(then.status(), 200, then.body());
            holdsNone(day, then, words);
        }
        holdsNone("closed", onlooker.get(STUDENT + "/board/closed"), words);
        holdsNone("sheet", onlooker.get(STUDENT + "/meeting?since=2026-09-01"), words);
    }

    @Test
    public void theStudentAloneSaysWhatIsShown() {
        String all = "{\"words\":true,\"messages\":true}";
        assertEquals(onlooker.send("PUT", GUARDIANS + id + "/sight", all).status(), FORBIDDEN);
        assertEquals(tobias().send("PUT", GUARDIANS + id + "/sight", all).status(), FORBIDDEN);
        assertEquals(mira().send("PUT", GUARDIANS + 99_999 + "/sight", all).status(), 404);
        TestClient.Answer half = mira().send("PUT", GUARDIANS + id + "/sight", "{\"words\":true}");
        assertEquals(half.status(), 422, half.body());
        assertEquals(half.json().at("/faults/0/field").asString(), "messages");
    }

    @Test
    public void anInvitationSaysWhatWillBeSeen() {
        String secret = mira().post(GUARDIANS + "invitations", "{\"words\":false,\"messages\":true}")
                .json()
                .get("secret")
                .asString();
        TestClient uncle = new TestClient(port);
        uncle.get("/api/session");
        assertEquals(
                uncle.post("/api/invitations/" + secret + "/people", OwnServer.newPerson("Uncle", OwnServer.PASSWORD))
                        .status(),
                201);
        assertEquals(uncle.get(STUDENT + "/board").status(), 200);
        assertEquals(uncle.get(STUDENT + "/feedback").status(), FORBIDDEN);
        assertEquals(uncle.get(STUDENT + "/messages").status(), 200);
        long uncles = uncle.get("/api/session").json().at("/person/id").asLong();
        assertEquals(mira().send("DELETE", GUARDIANS + uncles, "").status(), 204);
    }

    /** The rest of an address may be a secret, and the clock is the student's to move. */
    @Test
    public void whoLooksOnSeesHostsAndMovesNoClock() {
        JsonNode own = mira().get(STUDENT + "/links").json().get("links");
        JsonNode seen = tobias().get(STUDENT + "/links").json().get("links");
        assertTrue(own.size() >= 2 && own.size() == seen.size(), own.toString());
        for (int i = 0; i < own.size(); i++) {
            String whole = own.get(i).get("address").asString();
            assertTrue(whole.contains("/") && whole.startsWith("http://localhost:"), whole);
            assertEquals(seen.get(i).get("address").asString(), "localhost");
        }
        assertEquals(tobias().post("/api/demo/clock", "{\"minutes\":1}").status(), 403);
    }
}

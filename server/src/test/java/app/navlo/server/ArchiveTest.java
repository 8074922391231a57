package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.grade.Reading;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.time.ServerClock;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Everything of the demo's student out of one Navlo and into another: the board is the same, files included. */
public class ArchiveTest extends DemoServer {
    private static final String PASSWORD = "a-long-password";

    @Autowired
    private Boards boards;

    @Autowired
    private ServerClock clock;

    @Autowired
    private JdbcTemplate db;

    private ServletWebServerApplicationContext other;
    private TestClient ida;
    private byte[] archive;

    @BeforeClass
    public void anEmptyNavlo() {
        TestClient mira = mira();
        TestClient.Answer sent = mira.postForm(
                path(work(mira, "Soil lab 5")) + "/messages",
                "{\"to\":\"a@b.example\",\"subject\":\"Soil lab 5\",\"body\":\"Did it reach you?\"}");
        assertEquals(sent.status(), 201, sent.body());
        archive = mira.get(STUDENT + "/archive").raw().body();
        other = started();
        ida = signedUp(other);
    }

    private static ServletWebServerApplicationContext started() {
        return (ServletWebServerApplicationContext) new SpringApplicationBuilder(NavloApplication.class)
                .properties(
                        "server.port=0",
                        "navlo.demo=false",
                        "spring.datasource.url=jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1")
                .run();
    }

    private static TestClient signedUp(ServletWebServerApplicationContext navlo) {
        int port = navlo.getWebServer().getPort();
        TestClient door = new TestClient(port);
        door.get("/api/session");
        assertEquals(
                door.post(
                                "/api/people",
                                "{\"name\":\"Ida Falk\",\"email\":\"ida@example.org\",\"password\":\"" + PASSWORD
                                        + "\",\"zone\":\"Europe/Copenhagen\",\"code\":\"FIRST-HERE\"}")
                        .status(),
                201);
        return TestClient.signedIn(port, "ida@example.org", PASSWORD);
    }

    @AfterClass
    public void close() {
        other.close();
    }

    /** A table that is added has to be put in, or named here as not a student's. */
    @Test
    public void everyTableIsInItOrKnownToStayAtHome() throws IOException {
        Set<String> tables = new TreeSet<>(db.queryForList(
                "SELECT LOWER(table_name) FROM information_schema.tables WHERE LOWER(table_schema) = 'public'",
                String.class));
        JsonMapper.builder()
                .build()
                .readTree(entries(archive).get("navlo.json"))
                .get("tables")
                .propertyNames()
                .forEach(tables::remove);
        assertEquals(
                tables,
                Set.of(
                        "person",
                        "access_token",
                        "address_confirmation",
                        "held_plan",
                        "passkey",
                        "passkey_holder",
                        "guardianship",
                        "instance",
                        "invitation",
                        "notice_choice",
                        "notice_told",
                        "notice_mail",
                        "password_reset",
                        "guardian_request",
                        "hand_over",
                        "onlooker_note",
                        "onlooker_group",
                        "spring_session",
                        "spring_session_attributes",
                        "write_once",
                        "seen_mark",
                        "seen_until",
                        "demo_clock",
                        "outbox",
                        "flyway_schema_history",
                        "stored_file",
                        "calendar_file",
                        "calendar_feed"));
    }

    @DataProvider
    public Object[][] hostile() throws IOException {
        return new Object[][] {
            {"no archive at all".getBytes(StandardCharsets.UTF_8), "no archive of Navlo"},
            {java.util.Arrays.copyOf(archive, archive.length / 2), "first part"},
            {rewritten("\"version\":1", "\"version\":9"), "of version 9"},
            {rewritten("\"fact\":[", "\"person\":[],\"fact\":["), "no table 'person'"},
            {rewritten("\"course\":[{", "\"course\":[{\"student_id\":\"7\","), "no column 'student_id'"},
            {rewritten("\"course\":[{\"id\":\"1\"", "\"course\":[{\"id\":\"x\""), "'course' up to row"},
            {rewritten("\"work_id\":\"1\"", "\"work_id\":\"99999\""), "doesn't fit"},
            {rewritten("\"tables\":{", "\"tables\":[[["), "isn't in order"},
            {
                rewritten("\"busy_calendar\":[", "\"busy_calendar\":[{\"id\":\"900\",\"address\":\"not one at all\"},"),
                "an address"
            },
            {rewritten("\"address\":\"stand-in", "\"address\":\"gopher"), "an address"},
        };
    }

    @Test(dataProvider = "hostile")
    public void whatIsDamagedIsRefusedWholeInWords(byte[] damaged, String words) {
        TestClient.Answer refused = ida.upload(STUDENT + "/archive", "navlo.zip", damaged);
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains(words), refused.body());
        assertTrue(ida.get(STUDENT + "/board").json().get("courses").isEmpty());
    }

    /** Little that unpacks to much is left unpacked. */
    @Test
    public void whatUnpacksToTooMuchIsRefused() throws IOException {
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bomb)) {
            zip.putNextEntry(new ZipEntry("files/" + "0".repeat(64)));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 210; i++) {
                zip.write(zeros);
            }
        }
        TestClient.Answer refused = ida.upload(STUDENT + "/archive", "navlo.zip", bomb.toByteArray());
        assertEquals(refused.status(), 413, refused.body());
        assertTrue(refused.body().contains("more than 200 MB"), refused.body());

        ByteArrayOutputStream crowd = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(crowd)) {
            for (int i = 0; i < 20_001; i++) {
                zip.putNextEntry(new ZipEntry("files/" + i));
            }
        }
        TestClient.Answer many = ida.upload(STUDENT + "/archive", "navlo.zip", crowd.toByteArray());
        assertEquals(many.status(), 413, many.body());
    }

    /** Nothing of it acts by itself: a letter isn't sent, a link has no key. A file that is damaged is named, the rest is taken. */
    @Test
    public void whatIsPlantedStaysStillAndADamagedFileTakesNothingAlong() throws IOException {
        TreeMap<String, String> entries = entries(archive);
        String file = entries.keySet().stream()
                .filter(name -> name.startsWith("files/"))
                .findFirst()
                .orElseThrow();
        entries.put(file, "something else");
        String document = entries.get("navlo.json");
        document = document.replaceFirst("\"link\":\\[\\{", "\"link\":[{\"token\":\"planted\",");
        document = document.replaceFirst(
                "\"message\":\\[\\{", "\"message\":[{\"next_try_at\":\"2020-01-01 00:00:00+00\",");
        assertTrue(document.contains("planted") && document.contains("next_try_at"), "both were put in");
        entries.put("navlo.json", document);
        try (ServletWebServerApplicationContext fourth = started()) {
            TestClient someone = signedUp(fourth);
            TestClient.Answer taken = someone.upload(STUDENT + "/archive", "navlo.zip", zip(entries));
            assertEquals(taken.status(), 201, taken.body());
            assertTrue(taken.json().get("damaged").size() >= 1, taken.body());
            JdbcTemplate there = fourth.getBean(JdbcTemplate.class);
            assertEquals(
                    there.queryForObject("SELECT COUNT(*) FROM message WHERE next_try_at IS NOT NULL", Long.class), 0L);
            assertEquals(there.queryForObject("SELECT COUNT(*) FROM link WHERE token IS NOT NULL", Long.class), 0L);
            TestClient.Answer again = someone.get(STUDENT + "/archive");
            String words = entries(again.raw().body()).get("damaged-files.txt");
            assertTrue(words.contains(taken.json().at("/damaged/0").asString()), words);
        }
    }

    @Test(dependsOnMethods = "whatIsDamagedIsRefusedWholeInWords")
    public void outAndInAgainGivesTheSameBoardAndTheSameArchive() throws IOException {
        TestClient.Answer taken = ida.upload(STUDENT + "/archive", "navlo.zip", archive);
        assertEquals(taken.status(), 201, taken.body());
        assertTrue(taken.json().get("rows").asInt() > 1_000, taken.body());
        Instant at = clock.instant();
        Board there = boards.read(MIRA, ZoneId.of("Europe/Copenhagen"), at);
        Board here = other.getBean(Boards.class).read(MIRA, ZoneId.of("Europe/Copenhagen"), at);
        assertEquals(here.entries().size(), there.entries().size());
        for (int i = 0; i < here.entries().size(); i++) {
            Board.Entry one = here.entries().get(i);
            Board.Entry other = there.entries().get(i);
            assertEquals(one.work(), other.work());
            assertEquals(
                    one.recorded(), other.recorded(), one.work().definition().title());
            assertEquals(one.state(), other.state());
        }
        there.books().forEach((course, book) -> {
            for (Reading reading : Reading.values()) {
                assertEquals(
                        here.books().get(course).readings().of(reading).grade().figure(),
                        book.readings().of(reading).grade().figure());
            }
        });
        assertEquals(entries(ida.get(STUDENT + "/archive").raw().body()), entries(archive));
    }

    @Test(dependsOnMethods = "outAndInAgainGivesTheSameBoardAndTheSameArchive")
    public void lifeGoesOnInItAndItIsTakenInOnlyOnce() {
        assertEquals(ida.upload(STUDENT + "/archive", "navlo.zip", archive).status(), 409, "it is here already");
        TestClient.Answer added = ida.post(
                STUDENT + "/courses", "{\"name\":\"Bee Keeping\",\"zone\":\"Europe/Copenhagen\",\"colour\":\"teal\"}");
        assertEquals(added.status(), 201, added.body());
        JsonNode work = work(ida, "Soil lab 1");
        JsonNode receipt = ida.get(path(work)).json();
        String files = receipt.toString();
        assertTrue(files.contains("soil-lab-1-profile.pdf"), files);
    }

    @Test(dependsOnMethods = "lifeGoesOnInItAndItIsTakenInOnlyOnce")
    public void besideWhatIsHereRowsGetNewNumbersAndNameEachOtherStill() {
        try (ServletWebServerApplicationContext third = started()) {
            besideAGlassCourse(signedUp(third), third.getBean(Boards.class));
        }
    }

    private void besideAGlassCourse(TestClient someone, Boards others) {
        assertEquals(
                someone.post(
                                STUDENT + "/courses",
                                "{\"name\":\"Glass\",\"zone\":\"Europe/Copenhagen\",\"colour\":\"teal\"}")
                        .status(),
                201);
        TestClient.Answer taken = someone.upload(STUDENT + "/archive", "navlo.zip", archive);
        assertEquals(taken.status(), 201, taken.body());

        Instant at = clock.instant();
        ZoneId zone = ZoneId.of("Europe/Copenhagen");
        Board there = boards.read(MIRA, zone, at);
        Board here = others.read(MIRA, zone, at);
        assertEquals(here.courses().size(), there.courses().size() + 1);
        assertEquals(here.entries().size(), there.entries().size());
        for (int i = 0; i < there.entries().size(); i++) {
            assertEquals(
                    here.entries().get(i).work().definition().title(),
                    there.entries().get(i).work().definition().title());
            assertEquals(
                    here.entries().get(i).state().move(),
                    there.entries().get(i).state().move(),
                    there.entries().get(i).work().definition().title());
        }
        assertEquals(figures(here), figures(there), "rules that name work name the new numbers");
        assertEquals(someone.upload(STUDENT + "/archive", "navlo.zip", archive).status(), 409, "once is enough");
    }

    /** All readings, by the names of their courses. */
    private static TreeMap<String, String> figures(Board board) {
        TreeMap<String, String> figures = new TreeMap<>();
        board.courses().forEach((id, course) -> {
            var book = board.books().get(id);
            for (Reading reading : Reading.values()) {
                var figure = book.readings().of(reading).grade().figure();
                if (figure != null) {
                    figures.put(course.details().name() + " " + reading, figure.toString());
                }
            }
        });
        return figures;
    }

    private static TreeMap<String, String> entries(byte[] zip) throws IOException {
        TreeMap<String, String> entries = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                entries.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.ISO_8859_1));
            }
        }
        return entries;
    }

    private byte[] rewritten(String from, String to) throws IOException {
        TreeMap<String, String> entries = entries(archive);
        String document = entries.get("navlo.json");
        assertTrue(document.contains(from), from);
        entries.put("navlo.json", document.replaceFirst(java.util.regex.Pattern.quote(from), to));
        return zip(entries);
    }

    private static byte[] zip(TreeMap<String, String> entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (String name : List.copyOf(entries.keySet())) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(entries.get(name).getBytes(StandardCharsets.ISO_8859_1));
            }
        }
        return out.toByteArray();
    }
}

package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Guardianships;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Every endpoint against every kind of person. The list of endpoints is the server's own, so none can be forgotten. */
public class AccessMatrixTest extends DemoServer {
    private static final String PASSWORD = "long-enough-99";
    private static final int UNAUTHORIZED = 401;
    private static final int BROKEN = 500;
    private static final int FORBIDDEN = 403;

    @Autowired
    private RequestMappingHandlerMapping requestMappingHandlerMapping;

    @Autowired
    private People people;

    @Autowired
    private Guardianships guardianships;

    @Autowired
    private PasswordEncoder passwords;

    @Autowired
    private JdbcClient db;

    private record Endpoint(RequestMethod method, String path) {
        boolean ofStudent() {
            return path.startsWith("/api/students/");
        }

        boolean reads() {
            return method == RequestMethod.GET;
        }

        String of(long student) {
            return path.replace("{student}", Long.toString(student)).replaceAll("\\{\\w+}", "1");
        }
    }

    /** What no guardian is told. */
    private static final List<String> STUDENTS_ALONE = List.of(
            "/api/students/{student}/guardians", "/api/students/{student}/notes", "/api/students/{student}/archive");

    /** What whoever may read writes too, in their own name. */
    private static boolean isReaders(String path) {
        return path.startsWith("/api/students/{student}/agreements")
                || path.endsWith("/messages")
                || path.startsWith("/api/students/{student}/messages/");
    }

    /** What a guardian who sees work and grades alone is refused too. */
    private static final List<String> WORDS_AND_MESSAGES = List.of(
            "/api/students/{student}/feedback",
            "/api/students/{student}/files",
            "/api/students/{student}/messages",
            "/api/students/{student}/works/{work}/attachments",
            "/api/students/{student}/works/{work}/comments",
            "/api/students/{student}/works/{work}/draft",
            "/api/students/{student}/works/{work}/hand-ins",
            "/api/students/{student}/works/{work}/message",
            "/api/students/{student}/works/{work}/messages",
            "/api/students/{student}/courses/{course}/message",
            "/api/students/{student}/courses/{course}/messages");

    private final Map<String, TestClient> signedIn = new java.util.LinkedHashMap<>();
    private long otherStudent;
    private long keptChild;

    @BeforeClass
    public void peopleOfEveryKind() {
        otherStudent = add("other-student@solheim.example", Role.STUDENT);
        long otherGuardian = add("other-guardian@solheim.example", Role.GUARDIAN);
        guardianships.accept(otherStudent, otherGuardian, Sight.ALL, Instant.now());
        long administrator = add("administrator@solheim.example", Role.GUARDIAN);
        db.sql("UPDATE person SET administrator = TRUE WHERE id = :id")
                .param("id", administrator)
                .update();
        signedIn.put("administrator", TestClient.signedIn(port, "administrator@solheim.example", PASSWORD));
        keptChild = add("nils", Role.STUDENT);
        long keeper = add("keeper@solheim.example", Role.GUARDIAN);
        guardianships.accept(keptChild, keeper, Sight.ALL, Instant.now());
        db.sql("UPDATE person SET kept_by = :keeper WHERE id = :id")
                .param("keeper", keeper)
                .param("id", keptChild)
                .update();
        signedIn.put("kept child", TestClient.signedIn(port, "nils", PASSWORD));
        signedIn.put("keeper", TestClient.signedIn(port, "keeper@solheim.example", PASSWORD));
        guardianships.accept(MIRA, add("narrow@solheim.example", Role.GUARDIAN), Sight.NARROWEST, Instant.now());
        signedIn.put("narrow guardian", TestClient.signedIn(port, "narrow@solheim.example", PASSWORD));
        long ended = add("ended@solheim.example", Role.GUARDIAN);
        guardianships.accept(MIRA, ended, Sight.ALL, Instant.now());
        signedIn.put("ended guardian", TestClient.signedIn(port, "ended@solheim.example", PASSWORD));
        guardianships.end(ended, MIRA);
        signedIn.put("student", mira());
        signedIn.put("guardian", tobias());
        signedIn.put("other student", TestClient.signedIn(port, "other-student@solheim.example", PASSWORD));
        signedIn.put("other guardian", TestClient.signedIn(port, "other-guardian@solheim.example", PASSWORD));
    }

    private long add(String email, Role role) {
        return people.add(new People.NewPerson(
                email, passwords.encode(PASSWORD), "Somebody Else", role, "Europe/Copenhagen", Instant.now()));
    }

    private List<Endpoint> endpoints() {
        List<Endpoint> all = new ArrayList<>();
        for (RequestMappingInfo info :
                requestMappingHandlerMapping.getHandlerMethods().keySet()) {
            for (String pattern : info.getPatternValues()) {
                info.getMethodsCondition().getMethods().forEach(method -> all.add(new Endpoint(method, pattern)));
            }
        }
        return all.stream()
                .filter(endpoint -> endpoint.path().startsWith("/api/"))
                .filter(endpoint -> !endpoint.path().endsWith("/events"))
                .toList();
    }

    private int status(TestClient client, Endpoint endpoint, long student) {
        return client.send(endpoint.method().name(), endpoint.of(student), endpoint.reads() ? "" : "{}")
                .status();
    }

    @Test
    public void everyEndpointIsOfAStudentOrKnownToBeOpen() {
        Set<String> others = new TreeSet<>();
        endpoints().stream()
                .filter(endpoint -> !endpoint.ofStudent())
                .forEach(e -> others.add(e.method() + " " + e.path()));
        assertEquals(
                others,
                Set.of(
                        "GET /api/session",
                        "GET /api/household",
                        "GET /api/household/students.csv",
                        "PUT /api/household/{student}/own",
                        "POST /api/people",
                        "PUT /api/people/me",
                        "PUT /api/people/me/password",
                        "POST /api/people/me/departure",
                        "DELETE /api/people/me/departure",
                        "GET /api/people/me/sessions",
                        "DELETE /api/people/me/sessions",
                        "DELETE /api/people/me/sessions/{session}",
                        "DELETE /api/people/me/students/{student}",
                        "GET /api/invitations/{secret}",
                        "POST /api/invitations/{secret}/acceptance",
                        "POST /api/invitations/{secret}/people",
                        "GET /api/administration/invitations",
                        "POST /api/administration/invitations",
                        "DELETE /api/administration/invitations/{invitation}",
                        "POST /api/people/me/confirmations",
                        "POST /api/confirmations/{secret}",
                        "GET /api/people/me/passkeys",
                        "POST /api/people/me/passkeys",
                        "POST /api/people/me/passkeys/questions",
                        "DELETE /api/people/me/passkeys/{passkey}",
                        "POST /api/passkeys/questions",
                        "POST /api/passkeys/answers",
                        "GET /api/people/me/children",
                        "POST /api/people/me/children",
                        "PUT /api/people/me/children/{child}/password",
                        "POST /api/people/me/children/{child}/hand-over",
                        "GET /api/hand-overs/{secret}",
                        "PUT /api/hand-overs/{secret}",
                        "GET /api/people/me/requests",
                        "POST /api/people/me/requests",
                        "DELETE /api/people/me/requests/{request}",
                        "GET /api/administration",
                        "PUT /api/administration/people/{person}",
                        "POST /api/administration/people/{person}/password-resets",
                        "DELETE /api/administration/guardianships/{guardian}/{student}",
                        "POST /api/administration/test-mails",
                        "POST /api/administration/copies",
                        "GET /api/people/me/notices",
                        "GET /api/people/me/words",
                        "PUT /api/people/me/notices",
                        "POST /api/notices/stops/{secret}",
                        "POST /api/password-resets",
                        "PUT /api/password-resets/{secret}",
                        "GET /api/people/me/tokens",
                        "POST /api/people/me/tokens",
                        "DELETE /api/people/me/tokens/{token}",
                        "POST /api/demo/clock",
                        "GET /api/news/{student}",
                        "POST /api/news/{student}/marks",
                        "POST /api/news/{student}/all"));
    }

    @Test
    public void whatIsSeenIsTheReadersOwnWhoeverMayRead() {
        String all = "{\"until\":\"2026-11-24T15:00:00Z\"}";
        for (String who : List.of("student", "guardian", "other student", "other guardian")) {
            int allowed = List.of("student", "guardian").contains(who) ? 0 : FORBIDDEN;
            int read = signedIn.get(who).get("/api/news/" + MIRA).status();
            int written = signedIn.get(who)
                    .send("POST", "/api/news/" + MIRA + "/all", all)
                    .status();
            assertEquals(read == FORBIDDEN ? FORBIDDEN : 0, allowed, who + " reads: " + read);
            assertEquals(written == FORBIDDEN ? FORBIDDEN : 0, allowed, who + " marks: " + written);
        }
    }

    /** Who administers sees people, and nothing of what is a student's; nobody else sees people. */
    @Test
    public void administeringIsForWhoAdministers() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.path().startsWith("/api/administration")) {
                for (String other :
                        List.of("student", "guardian", "other student", "other guardian", "kept child", "keeper")) {
                    assertEquals(status(signedIn.get(other), endpoint, MIRA), FORBIDDEN, other + endpoint);
                }
                int status = status(signedIn.get("administrator"), endpoint, otherStudent);
                assertTrue(status != FORBIDDEN && status < BROKEN, status + " for " + endpoint);
            }
        }
    }

    @Test
    public void nobodyGetsNothing() {
        TestClient nobody = new TestClient(port);
        nobody.get("/api/session");
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent()) {
                assertEquals(status(nobody, endpoint, MIRA), UNAUTHORIZED, endpoint.toString());
            }
        }
    }

    @Test
    public void aStudentReachesItsOwn() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent() && endpoint.method() != RequestMethod.DELETE) {
                int status = status(signedIn.get("student"), endpoint, MIRA);
                assertTrue(status != UNAUTHORIZED && status != FORBIDDEN, status + " for " + endpoint);
                assertTrue(status < BROKEN, status + " for " + endpoint);
            }
        }
    }

    @Test
    public void aGuardianReadsAndNeverWrites() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent()) {
                int status = status(signedIn.get("guardian"), endpoint, MIRA);
                boolean own = STUDENTS_ALONE.stream().anyMatch(endpoint.path()::startsWith);
                boolean refused = own || (!endpoint.reads() && !isReaders(endpoint.path()));
                assertEquals(status == FORBIDDEN, refused, status + " for " + endpoint);
                assertTrue(status < BROKEN, status + " for " + endpoint);
            }
        }
    }

    @Test
    public void aGuardianOfWorkAndGradesAloneReadsNoWordsAndNoMessages() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent()) {
                boolean refused = WORDS_AND_MESSAGES.stream().anyMatch(part -> isUnder(endpoint.path(), part))
                        || STUDENTS_ALONE.stream().anyMatch(endpoint.path()::startsWith)
                        || (!endpoint.reads() && !isReaders(endpoint.path()));
                int status = status(signedIn.get("narrow guardian"), endpoint, MIRA);
                assertEquals(status == FORBIDDEN, refused, status + " for " + endpoint);
                assertTrue(status < BROKEN, status + " for " + endpoint);
            }
        }
    }

    private static boolean isUnder(String path, String part) {
        return path.equals(part) || path.startsWith(part + "/");
    }

    /** Who keeps a child's account reads like any guardian, and the child does all that is theirs. */
    @Test
    public void aKeptChildWritesAndItsKeeperReads() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent() && endpoint.method() != RequestMethod.DELETE) {
                int own = status(signedIn.get("kept child"), endpoint, keptChild);
                assertTrue(own != FORBIDDEN && own < BROKEN, own + " for " + endpoint);
                boolean refused = STUDENTS_ALONE.stream().anyMatch(endpoint.path()::startsWith)
                        || (!endpoint.reads() && !isReaders(endpoint.path()));
                int read = status(signedIn.get("keeper"), endpoint, keptChild);
                assertEquals(read == FORBIDDEN, refused, read + " for " + endpoint);
            }
        }
    }

    @Test
    public void strangersGetNothingOfEachOther() {
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent()) {
                for (String stranger : List.of(
                        "other student", "other guardian", "ended guardian", "administrator", "kept child", "keeper")) {
                    assertEquals(status(signedIn.get(stranger), endpoint, MIRA), FORBIDDEN, stranger + endpoint);
                }
                assertEquals(status(signedIn.get("student"), endpoint, otherStudent), FORBIDDEN, endpoint.toString());
                assertEquals(status(signedIn.get("guardian"), endpoint, otherStudent), FORBIDDEN, endpoint.toString());
            }
        }
    }

    private String token(String scope) {
        return "Bearer "
                + signedIn.get("student")
                        .post("/api/people/me/tokens", "{\"name\":\"matrix\",\"scope\":\"" + scope + "\"}")
                        .json()
                        .get("token")
                        .asString();
    }

    private int byToken(String token, Endpoint endpoint, long student) {
        return new TestClient(port)
                .send(
                        endpoint.method().name(),
                        endpoint.of(student),
                        endpoint.reads() ? "" : "{}",
                        "Authorization",
                        token)
                .status();
    }

    /** A token does what its person does with work, reading or writing; the account itself and other people's stay shut. */
    @Test
    public void aTokenDoesWhatItWasMadeForAndNothingWithTheAccount() {
        String reads = token("READ");
        String writes = token("WRITE");
        for (Endpoint endpoint : endpoints()) {
            boolean guardians = endpoint.path().startsWith("/api/students/{student}/guardians");
            if (endpoint.ofStudent() && endpoint.method() != RequestMethod.DELETE) {
                int read = byToken(reads, endpoint, MIRA);
                int written = byToken(writes, endpoint, MIRA);
                assertEquals(read == FORBIDDEN, guardians || !endpoint.reads(), read + " reading " + endpoint);
                assertEquals(written == FORBIDDEN, guardians, written + " writing " + endpoint);
                assertTrue(read < BROKEN && written < BROKEN, endpoint.toString());
                assertEquals(byToken(writes, endpoint, otherStudent), FORBIDDEN, "a stranger's " + endpoint);
            }
            if (endpoint.path().matches("/api/(people|administration|passkeys|confirmations|invitations|demo)\\b.*")) {
                assertEquals(byToken(writes, endpoint, MIRA), FORBIDDEN, "the account " + endpoint);
            }
        }
    }

    /** Mira's works, courses, links and the rest have the number 1; the other student has nothing. */
    @Test
    public void whatIsAnotherStudentsIsNothingUnderOnesOwnNumber() {
        int asked = 0;
        for (Endpoint endpoint : endpoints()) {
            if (endpoint.ofStudent() && endpoint.path().replace("{student}", "").contains("{")) {
                TestClient.Answer answer = signedIn.get("other student")
                        .send(endpoint.method().name(), endpoint.of(otherStudent), endpoint.reads() ? "" : "{}");
                boolean nothing = answer.status() == 200 && answer.body().equals("[]");
                assertTrue(
                        nothing || (answer.status() >= 400 && answer.status() < BROKEN),
                        answer.status() + " for " + endpoint + ": " + answer.body());
                asked++;
            }
        }
        assertTrue(asked > 60, "most endpoints name something: " + asked);
    }

    @Test
    public void workOfAnotherStudentIsNotFoundUnderOnesOwnNumber() {
        TestClient other = signedIn.get("other student");
        long foreign = work(mira(), "Soil lab 5").get("id").asLong();
        assertEquals(
                other.get("/api/students/" + otherStudent + "/works/" + foreign).status(), 404);
    }

    @Test
    public void noStudentIsAsForbiddenAsAStrangers() {
        assertEquals(mira().get("/api/students/999999/board").status(), FORBIDDEN);
        assertEquals(mira().get("/api/students/me/board").status(), FORBIDDEN);
    }

    @Test
    public void aWriteWithoutTheTokenIsRefused() {
        TestClient.Answer answer = mira().send("POST", STUDENT + "/courses", "{}", "X-XSRF-TOKEN", "made-up");
        assertEquals(answer.status(), FORBIDDEN);
    }
}

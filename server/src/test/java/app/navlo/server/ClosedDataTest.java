package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The database closes all data where it can't write. They are opened again by themselves, and until then it is said in words. */
@DirtiesContext
public class ClosedDataTest extends DemoServer {
    @BeforeClass
    public void ofTheFile() {
        OnOtherData.skip();
    }

    /** More than there are connections, each of which may be of before. */
    private static final int TRIES = 40;

    @Autowired
    private JdbcClient db;

    private TestClient mira;

    @DynamicPropertySource
    static void inAFile(DynamicPropertyRegistry properties) throws IOException {
        Path folder = Files.createTempDirectory("navlo-closed");
        properties.add("spring.datasource.url", () -> "jdbc:h2:file:" + folder.resolve("navlo") + ";WRITE_DELAY=0");
    }

    @BeforeMethod
    public void somebodyReads() {
        mira = mira();
        assertEquals(mira.get(STUDENT + "/board").status(), 200);
    }

    /** As it closes them itself when the disk is full. */
    private void closed() {
        try {
            db.sql("SHUTDOWN IMMEDIATELY").update();
        } catch (RuntimeException cutOff) {
            // The connection that asked for it is the first that is of no use.
        }
    }

    /** The answers until all is well. */
    private static List<TestClient.Answer> untilWell(Supplier<TestClient.Answer> asked) {
        List<TestClient.Answer> answers = new ArrayList<>();
        do {
            answers.add(asked.get());
        } while (answers.get(answers.size() - 1).status() >= 400 && answers.size() < TRIES);
        return answers;
    }

    private static void assertSaidInWords(List<TestClient.Answer> answers) {
        for (TestClient.Answer answer : answers.subList(0, answers.size() - 1)) {
            assertEquals(answer.status(), 503, answer.body());
            assertTrue(answer.body().contains("The data can't be reached just now"), answer.body());
            assertEquals(answer.raw().headers().firstValue("Retry-After").orElse(""), "2");
        }
    }

    @Test
    public void readingGoesOnByItself() {
        closed();
        List<TestClient.Answer> answers = untilWell(() -> mira.get(STUDENT + "/board"));
        assertEquals(answers.get(answers.size() - 1).status(), 200);
        assertSaidInWords(answers);
        assertFalse(board(mira).get("works").isEmpty());
    }

    @Test
    public void whatWasConfirmedIsThereAndWritingGoesOn() {
        String notes = STUDENT + "/courses/1/notes";
        assertEquals(
                mira.post(notes, "{\"tag\":null,\"body\":\"Before it closed\"}").status(), 201);
        closed();
        List<TestClient.Answer> answers =
                untilWell(() -> mira.post(notes, "{\"tag\":null,\"body\":\"After it closed\"}"));
        assertEquals(answers.get(answers.size() - 1).status(), 201);
        assertSaidInWords(answers);
        String there = mira.get(STUDENT + "/notes").body();
        assertTrue(there.contains("Before it closed"));
        assertEquals(there.split("After it closed", -1).length, 2, "once, however often it was tried");
    }

    /** Whose password can't be looked up isn't told that it is wrong. */
    @Test
    public void nobodyIsToldThatTheirPasswordIsWrong() {
        TestClient newcomer = new TestClient(port);
        newcomer.get("/api/session");
        closed();
        List<TestClient.Answer> answers = untilWell(() ->
                newcomer.form("/api/session", "email", TestSettings.MIRA, "password", TestSettings.MIRAS_PASSWORD));
        assertEquals(answers.get(answers.size() - 1).status(), 204);
        assertTrue(
                answers.stream().noneMatch(answer -> answer.status() == 401 || answer.status() == 500),
                answers.toString());
    }
}

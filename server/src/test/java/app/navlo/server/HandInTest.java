package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Sha256;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

@DirtiesContext
public class HandInTest extends DemoServer {
    private static final byte[] PDF = "%PDF-1.4\nlevel traverse\n%%EOF".getBytes(StandardCharsets.UTF_8);
    private static final byte[] JPEG = {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0, 0, 16, 'J', 'F', 'I', 'F', 0
    };
    private static final byte[] PROGRAM = {'M', 'Z', (byte) 0x90, 0, 3, 0, 0, 0, 4, 0, 0, 0, (byte) 0xFF, (byte) 0xFF};

    @Test
    public void aHandInEndsWithItsReceiptAndItsFileCanBeOpenedAgain() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Theodolite");
        JsonNode drafted =
                mira.upload(path(work) + "/draft/files", "angles.pdf", PDF).json();
        assertEquals(drafted.at("/work/stage").asString(), "DRAFT");

        TestClient.Answer done =
                mira.post(path(work) + "/hand-ins", handIn(drafted, "FILES"), "If-Match", version(drafted.get("work")));
        assertEquals(done.status(), 201, done.body());
        JsonNode receipt = done.json().get("receipt");
        assertEquals(receipt.get("timing").asString(), "ON_TIME");
        assertEquals(receipt.at("/files/0/sha256").asString(), Sha256.of(PDF));
        assertEquals(done.json().at("/detail/work/stage").asString(), "TURNED_IN");
        assertEquals(done.json().at("/detail/draft/files").size(), 0);

        TestClient.Answer file =
                mira.get(path(work) + "/hand-ins/" + receipt.get("id").asLong() + "/files/1");
        assertEquals(file.raw().body(), PDF);
        assertTrue(file.raw()
                .headers()
                .firstValue("Content-Disposition")
                .orElse("")
                .startsWith("attachment"));
    }

    @Test
    public void whatIsWithdrawnLiesReadyAgainAndTheWithdrawalCanBeUndone() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 5");
        JsonNode withdrawn = mira.post(path(work) + "/withdrawal", "", "If-Match", version(work))
                .json();
        assertEquals(withdrawn.at("/detail/work/stage").asString(), "DRAFT");
        assertEquals(withdrawn.at("/detail/draft/files/0/name").asString(), "soil-lab-5-ph.csv");

        TestClient.Answer undone = undo(mira, withdrawn.get("change").asLong());
        assertEquals(undone.status(), 201, undone.body());
        JsonNode again = mira.get(path(work)).json();
        assertEquals(again.at("/work/stage").asString(), "TURNED_IN");
        assertEquals(again.at("/handIns/0/at").asString(), "2026-11-19T18:26:00Z");
        assertEquals(again.at("/draft/files").size(), 0);
    }

    @DataProvider
    public static Object[][] wrongFiles() {
        return new Object[][] {
            {"photo.jpg", JPEG, "not among the types taken here"},
            {"section.pdf", JPEG, "what is in it is a JPEG picture"},
            {"section.pdf", new byte[0], "is empty"},
            {"traverse.csv", PROGRAM, "a program"},
            {"no-ending", PDF, "not among the types taken here"},
        };
    }

    @Test(dataProvider = "wrongFiles")
    public void aWrongFileIsRefusedWithTheCureAndNothingIsDrafted(String name, byte[] content, String why) {
        TestClient mira = mira();
        JsonNode work = work(mira, "Level traverse");
        TestClient.Answer answer = mira.upload(path(work) + "/draft/files", name, content);
        assertEquals(answer.status(), 422, answer.body());
        assertTrue(answer.fault().contains(why), answer.body());
        assertEquals(mira.get(path(work)).json().at("/work/stage").asString(), "ASSIGNED");
    }

    @Test
    public void aPathInAFileNameIsOnlyAName() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Herbarium: ten");
        JsonNode drafted = mira.upload(path(work) + "/draft/files", "..\\\\..\\/etc/passwd.pdf", PDF)
                .json();
        assertEquals(drafted.at("/draft/files/1/name").asString(), "passwd.pdf");
    }

    @Test
    public void twoTabsHandInOnce() throws Exception {
        TestClient mira = mira();
        JsonNode work = work(mira, "Evidence: quadrats");
        JsonNode drafted = mira.upload(
                        path(work) + "/draft/files", "quadrats.csv", "a,b\n1,2\n".getBytes(StandardCharsets.UTF_8))
                .json();
        String body = handIn(drafted, "FILES");
        String version = version(drafted.get("work"));
        Callable<TestClient.Answer> tab = () -> mira.post(path(work) + "/hand-ins", body, "If-Match", version);
        ExecutorService tabs = Executors.newFixedThreadPool(2);
        List<Integer> statuses = tabs.invokeAll(List.of(tab, tab)).stream()
                .map(HandInTest::join)
                .map(TestClient.Answer::status)
                .sorted()
                .toList();
        tabs.shutdown();
        assertEquals(statuses.get(0), Integer.valueOf(201));
        assertTrue(List.of(409, 412).contains(statuses.get(1)), "the other is on its way, or there: " + statuses);
        assertEquals(mira.get(path(work)).json().get("handIns").size(), 1);
    }

    private static TestClient.Answer join(Future<TestClient.Answer> future) {
        try {
            return future.get();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    public void aRetriedWriteHappensOnceAndGetsTheSameAnswer() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Seed pricing");
        String[] headers = {"Idempotency-Key", UUID.randomUUID().toString(), "If-Match", version(work)};
        String body = "{\"part\":\"REPLY\",\"text\":\"And the bag?\"}";
        TestClient.Answer first = mira.send("POST", path(work) + "/posts", body, headers);
        TestClient.Answer second = mira.send("POST", path(work) + "/posts", body, headers);
        assertEquals(first.status(), 201, first.body());
        assertEquals(second.json().get("change"), first.json().get("change"));
        assertEquals(second.json().at("/detail/work/parts/done").asInt(), 3);
        TestClient.Answer other =
                mira.send("POST", path(work) + "/posts", "{\"part\":\"REPLY\",\"text\":\"Another\"}", headers);
        assertEquals(other.status(), 422);
    }

    @Test
    public void closedWorkIsNotTaken() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Sketchbook check 4");
        TestClient.Answer answer = mira.post(
                path(work) + "/hand-ins",
                "{\"content\":\"DONE\",\"files\":[],\"note\":null}",
                "If-Match",
                version(work));
        assertEquals(answer.status(), 409);
        assertTrue(answer.fault().contains("Closed"), answer.body());
    }

    @Test
    public void aFinishedAttemptIsRecordedAndCanBeUndone() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Key 7");
        TestClient.Answer done = mira.post(
                path(work) + "/hand-ins",
                "{\"content\":\"ATTEMPT\",\"files\":[],\"note\":null}",
                "If-Match",
                version(work));
        assertEquals(done.status(), 201, done.body());
        assertFalse(done.json().at("/detail/mayWithdraw").asBoolean());
        long change = done.json().get("change").asLong();
        assertEquals(undo(mira, change).status(), 201);
        assertEquals(mira.get(path(work)).json().at("/work/attemptsUsed").asInt(), 0);
    }

    @Test
    public void aHiddenScoreNeverLeavesTheServer() {
        JsonNode work = work(mira(), "Stock ledger, October");
        TestClient.Answer detail = mira().get(path(work));
        assertEquals(work.at("/score/mark").asString(), "HIDDEN");
        assertFalse(work.at("/score").hasNonNull("points"));
        assertFalse(detail.body().contains("19 points"), detail.body());
    }
}

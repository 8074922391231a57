package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * Kills a server in the middle of imports and hand-ins, for real, and starts it again on the same file. What was
 * confirmed must be there, and nothing may be half there.
 */
public class CrashTest {
    private static final int ROUNDS = 3;
    private static final int EVENTS = 250;
    private static final byte[] PDF = ("%PDF-1.4\n" + "x".repeat(300_000)).getBytes(StandardCharsets.UTF_8);

    /** What was answered with "done" before a kill. Written by the worker, read after it has ended. */
    private static final class Confirmed {
        private final List<String> receipts = new ArrayList<>();
        private int imports;
    }

    @Test
    public void whatWasConfirmedIsThereAndNothingIsHalfThere() throws Exception {
        Path data = Files.createTempDirectory("navlo-crash");
        Random random = new Random(5);
        Confirmed confirmed = new Confirmed();
        for (int round = 0; round < ROUNDS; round++) {
            try (OtherProcess server = new OtherProcess(data, "demo", "--keep")) {
                check(server.mira(), confirmed);
                workUntilKilled(server, "round" + round, random.nextInt(1500), confirmed);
            }
        }
        try (OtherProcess server = new OtherProcess(data, "demo", "--keep")) {
            check(server.mira(), confirmed);
        }
        assertTrue(confirmed.receipts.size() >= ROUNDS, "too little was confirmed before the kills");
    }

    private static void workUntilKilled(OtherProcess server, String name, int millis, Confirmed confirmed)
            throws Exception {
        CountDownLatch confirmedOnce = new CountDownLatch(1);
        Thread worker = new Thread(() -> {
            try {
                TestClient mira = server.mira();
                for (int i = 0; i < Integer.MAX_VALUE; i++) {
                    confirmed.imports += importOnce(mira, name + "-" + i);
                    confirmed.receipts.add(handInOnce(mira, i));
                    confirmedOnce.countDown();
                }
            } catch (RuntimeException cutOff) {
                // the server was killed under us, as it should be
            }
        });
        worker.start();
        assertTrue(confirmedOnce.await(90, TimeUnit.SECONDS), "nothing was ever confirmed");
        TimeUnit.MILLISECONDS.sleep(millis);
        server.kill();
        worker.join();
    }

    private static int importOnce(TestClient mira, String name) {
        StringBuilder calendar = new StringBuilder("BEGIN:VCALENDAR\nX-WR-CALNAME:Crash " + name + "\n");
        for (int i = 0; i < EVENTS; i++) {
            calendar.append("BEGIN:VEVENT\nUID:%s/%d\nSUMMARY:Event %s/%d\nDTSTART;VALUE=DATE:20261201\nEND:VEVENT\n"
                    .formatted(name, i, name, i));
        }
        byte[] file = calendar.append("END:VCALENDAR\n").toString().getBytes(StandardCharsets.UTF_8);
        TestClient.Answer applied = Imports.apply(mira, Imports.look(mira, "crash.ics", file));
        return applied.status() == 201 ? 1 : 0;
    }

    /** @return the address of the receipt */
    private static String handInOnce(TestClient mira, int number) {
        JsonNode course = DemoServer.work(mira, "Soil lab 1").get("courseId");
        long work = mira.post(DemoServer.STUDENT + "/works", """
                        {"courseId":%s,"title":"Crash %d","kind":"ASSIGNMENT","unit":null,"required":true,"opensDay":null,
                         "dueDay":null,"dueTime":null,"possible":null,"effortMinutes":5,"instructions":""}
                        """.formatted(course, number))
                .json()
                .get("id")
                .asLong();
        String path = DemoServer.STUDENT + "/works/" + work;
        JsonNode detail = mira.upload(path + "/draft/files", "crash.pdf", PDF).json();
        JsonNode done = mira.post(
                        path + "/hand-ins",
                        DemoServer.handIn(detail, "FILES"),
                        "If-Match",
                        "\"" + detail.at("/work/version").asLong() + "\"")
                .json();
        return path + "/hand-ins/" + done.at("/receipt/id").asLong();
    }

    private static void check(TestClient mira, Confirmed confirmed) {
        for (String receipt : confirmed.receipts) {
            assertEquals(mira.get(receipt).status(), 200, receipt);
            assertEquals(mira.get(receipt + "/files/1").raw().body().length, PDF.length, receipt);
        }
        int events = 0;
        for (JsonNode work : DemoServer.board(mira).get("works")) {
            String title = work.get("title").asString();
            events += title.startsWith("Event ") ? 1 : 0;
            if (title.startsWith("Crash ") && work.get("stage").asString().equals("TURNED_IN")) {
                assertEquals(work.get("files").asInt(), 1, "a hand-in without its file");
            }
        }
        assertEquals(events % EVENTS, 0, "an import is half there");
        assertTrue(events >= confirmed.imports * EVENTS, events + " events of " + confirmed.imports + " imports");
    }
}

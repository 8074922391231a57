package app.navlo.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Several browsers of one student that write at once, each something else, until they are ended or cut off. */
final class Writers {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int FILE = 40_000;

    private final Confirmed confirmed;
    private final AtomicBoolean ended = new AtomicBoolean();
    private final AtomicInteger number = new AtomicInteger();
    private final List<Thread> threads = new ArrayList<>();

    private interface Writing {
        void write(Client student, int number) throws IOException, InterruptedException;
    }

    /**
     * @param course of the student
     * @param again signs the student in once more
     */
    Writers(long course, Confirmed confirmed, Again again) {
        this.confirmed = confirmed;
        for (Writing writing : List.<Writing>of(
                (student, one) -> added(student, course, one),
                (student, one) -> undone(student, course, one),
                (student, one) -> noted(student, course, one),
                this::table,
                (student, one) -> handedIn(student, course, one))) {
            Thread thread = new Thread(() -> write(writing, again));
            thread.start();
            threads.add(thread);
        }
    }

    interface Again {
        Client client() throws IOException, InterruptedException;
    }

    private void write(Writing writing, Again again) {
        try {
            Client student = again.client();
            while (!ended.get()) {
                writing.write(student, number.incrementAndGet());
            }
        } catch (IOException cutOff) {
            // As it should be: the server was killed under it.
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    private void added(Client student, long course, int one) throws IOException, InterruptedException {
        student.add(course, "Added " + one, "20", "null");
        confirmed.work("Added " + one);
    }

    private void undone(Client student, long course, int one) throws IOException, InterruptedException {
        long change = student.change(course, "Undone " + one);
        student.post(student.own("/changes/" + change + "/undo"), "");
        confirmed.undone("Undone " + one);
    }

    private void noted(Client student, long course, int one) throws IOException, InterruptedException {
        String body = "Note " + one;
        student.post(student.own("/courses/" + course + "/notes"), "{\"tag\":null,\"body\":\"" + body + "\"}");
        confirmed.note(body);
    }

    private void table(Client student, int one) throws IOException, InterruptedException {
        StringBuilder rows = new StringBuilder("Course\tTitle\tDue\tPoints\n");
        for (int row = 0; row < Confirmed.ROWS; row++) {
            rows.append("Soil\tTable ").append(one).append('/').append(row).append("\t2026-12-11\t20\n");
        }
        JsonNode looked = JSON.readTree(student.paste("Table " + one, rows.toString()));
        student.apply(looked.toString());
        confirmed.table("Table " + one);
    }

    private void handedIn(Client student, long course, int one) throws IOException, InterruptedException {
        byte[] content = new byte[FILE];
        new Random(one).nextBytes(content);
        byte[] head = "%PDF-1.4\n".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, content, 0, head.length);
        long work = student.add(course, "Handed in " + one, "20", "null");
        confirmed.work("Handed in " + one);
        confirmed.handIn(student.handIn(work, "soil.pdf", content), content);
    }

    void end() throws InterruptedException {
        ended.set(true);
        for (Thread thread : threads) {
            thread.join();
        }
    }
}

package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;

/** A disk that is full, and free again. */
final class FullDiskFault {
    private final int rounds;

    FullDiskFault(int rounds) {
        this.rounds = rounds;
    }

    void run() throws Exception {
        try (SmallDisk disk = SmallDisk.mounted()) {
            if (disk == null) {
                FaultsBench.say("the disk full and free again", "not run: a small disk can be mounted by root alone");
                return;
            }
            Path data = Files.createDirectory(disk.folder().resolve("data"));
            Confirmed confirmed = new Confirmed();
            Map<String, Integer> outcomes = new TreeMap<>();
            String email = FaultsBench.email("Disk");
            long student;
            try (Running navlo = Running.on(data, "start")) {
                Client writer = Client.joining(navlo.address(), "Disk", "");
                student = writer.id();
                long course = writer.addCourse(1);
                for (int round = 0; round < rounds; round++) {
                    disk.fill();
                    TimeUnit.SECONDS.sleep(3);
                    outcomes.merge("full: writing " + tried(() -> added(writer, course, confirmed)), 1, Integer::sum);
                    outcomes.merge("full: reading " + tried(() -> writer.read(writer.own("/board"))), 1, Integer::sum);
                    outcomes.merge(
                            "full: signing in " + tried(() -> Client.again(navlo.address(), email, student)),
                            1,
                            Integer::sum);
                    disk.free();
                    outcomes.merge("free: writing " + tried(() -> added(writer, course, confirmed)), 1, Integer::sum);
                    TimeUnit.SECONDS.sleep(3);
                }
            }
            FaultsBench.say("the disk full and free again, " + rounds + " times", outcomes.toString());
            try (Running navlo = Running.on(data, "start")) {
                Confirmed.Found found = confirmed.look(Client.again(navlo.address(), email, student));
                FaultsBench.say(
                        "... after a kill",
                        confirmed.count() + " confirmed, lost " + found.lost() + ", half there " + found.half());
            }
        }
    }

    private static void added(Client writer, long course, Confirmed confirmed)
            throws IOException, InterruptedException {
        String title = "Disk " + System.nanoTime();
        writer.add(course, title, "20", "null");
        confirmed.work(title);
    }

    /** The status that refused it, or that it was done, at once or when asked again as the answer says. */
    private static String tried(FaultsBench.Run run) throws Exception {
        String first = once(run);
        if (!first.equals("503")) {
            return first;
        }
        TimeUnit.SECONDS.sleep(2);
        return once(run) + " at the second try";
    }

    private static String once(FaultsBench.Run run) throws Exception {
        try {
            run.run();
            return "done";
        } catch (IOException answered) {
            return String.valueOf(answered.getMessage()).split(" ")[0];
        }
    }
}

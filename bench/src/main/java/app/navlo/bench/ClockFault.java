package app.navlo.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** The clock set back, again and again. */
final class ClockFault {
    private final int rounds;

    ClockFault(int rounds) {
        this.rounds = rounds;
    }

    void run() throws Exception {
        Path data = Files.createTempDirectory("navlo-bench");
        Confirmed confirmed = new Confirmed();
        Running.on(data, "demo").stop();
        int refused = 0;
        for (int round = 0; round < rounds; round++) {
            Files.deleteIfExists(data.resolve("navlo-demo.seal"));
            Stored.sql(data.resolve("navlo-demo"), "UPDATE demo_clock SET shows = DATEADD(HOUR, -1, shows)");
            try (Running navlo = Running.on(data, "demo", "--keep")) {
                refused += writtenOnce(new Client(navlo.address()), round, confirmed) ? 0 : 1;
                navlo.stop();
            }
        }
        try (Running navlo = Running.on(data, "demo", "--keep")) {
            Confirmed.Found found = confirmed.look(new Client(navlo.address()));
            FaultsBench.say(
                    "the clock set back an hour " + rounds + " times, each time written",
                    confirmed.count() + " confirmed, lost " + found.lost() + ", refused " + refused);
        }
    }

    private static boolean writtenOnce(Client mira, int round, Confirmed confirmed) throws InterruptedException {
        try {
            byte[] content = ("%PDF-1.4\n" + round).getBytes(StandardCharsets.US_ASCII);
            long work = mira.add("An hour back " + round);
            confirmed.work("An hour back " + round);
            confirmed.handIn(mira.handIn(work, "soil.pdf", content), content);
            mira.read("/api/students/1/next");
            return true;
        } catch (IOException answered) {
            FaultsBench.say("... round " + round, String.valueOf(answered.getMessage()));
            return false;
        }
    }
}

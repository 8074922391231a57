package app.navlo.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Killed while it is written to, and started again. */
final class KilledFault {
    private final int rounds;
    private final Random random;

    KilledFault(int rounds, Random random) {
        this.rounds = rounds;
        this.random = random;
    }

    void run() throws Exception {
        Path data = Files.createTempDirectory("navlo-bench");
        List<WrittenRound> done = new ArrayList<>();
        double[] ready = new double[rounds];
        Confirmed.Found found = Confirmed.Found.NOTHING_AMISS;
        int confirmed = 0;
        for (int round = 0; round < rounds; round++) {
            try (Running navlo = Running.on(data, "start")) {
                ready[round] = navlo.startMillis();
                done.add(WrittenRound.untilKilled(navlo, "Kill " + round, random));
            }
            confirmed += done.get(round).confirmed().count();
        }
        try (Running navlo = Running.on(data, "start")) {
            for (WrittenRound round : done) {
                found = found.and(round.look(navlo));
            }
        }
        FaultsBench.say(
                "killed (kill -9) " + rounds + " times while five wrote",
                confirmed + " confirmed, lost " + found.lost() + ", half there " + found.half());
        FaultsBench.say(
                "... in the last round", done.get(rounds - 1).confirmed().words());
        Figures.print("... ready again, median", new Figures(ready).median(), "-");
        Figures.print("... ready again, the longest", new Figures(ready).percentile(100), "-");
    }
}

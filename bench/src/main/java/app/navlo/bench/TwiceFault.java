package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;

/** Two on one folder. */
final class TwiceFault {
    private static final int LONGEST_MILLIS = 2_500;

    private final int rounds;
    private final Random random;

    TwiceFault(int rounds, Random random) {
        this.rounds = rounds;
        this.random = random;
    }

    void run() throws IOException, InterruptedException {
        Map<String, Integer> outcomes = new TreeMap<>();
        Path data = Files.createTempDirectory("navlo-bench");
        for (int round = 0; round < rounds; round++) {
            Process other = Running.begun(data, "start");
            TimeUnit.MILLISECONDS.sleep(random.nextInt(LONGEST_MILLIS));
            outcomes.merge(outcome(data, other), 1, Integer::sum);
            other.destroyForcibly().onExit().join();
        }
        FaultsBench.say("two started one after another on one folder", outcomes.toString());
    }

    private static String outcome(Path data, Process other) throws IOException {
        Running later;
        try {
            later = Running.on(data, "start");
        } catch (Running.Refused refused) {
            String said = String.valueOf(refused.getMessage());
            return "the later one " + (said.contains("another Navlo") ? "says why it doesn't run" : "BROKE")
                    + ", the other " + (other.isAlive() ? "runs" : "ENDED");
        }
        boolean both = other.isAlive();
        later.close();
        return "the later one runs, the other " + (both ? "TOO" : "ended");
    }
}

package app.navlo.bench;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Data that were damaged while nothing had them open. */
final class DamagedFault {
    private static final int FLIPPED = 16;
    private static final String STORE = "navlo.mv.db";
    private static final String SEAL = "navlo.seal";

    private final int rounds;
    private final Random random;

    DamagedFault(int rounds, Random random) {
        this.rounds = rounds;
        this.random = random;
    }

    interface Damage {
        void of(Path file) throws IOException;
    }

    void flip(Path file) throws IOException {
        try (RandomAccessFile data = new RandomAccessFile(file.toFile(), "rw")) {
            byte[] other = new byte[FLIPPED];
            random.nextBytes(other);
            data.seek((long) (random.nextDouble() * (data.length() - FLIPPED)));
            data.write(other);
        }
    }

    void cut(Path file) throws IOException {
        try (FileChannel data = FileChannel.open(file, StandardOpenOption.WRITE)) {
            data.truncate((long) (random.nextDouble() * data.size()));
        }
    }

    /** What was stopped in peace, and what was killed and so has no seal. */
    void run(String what, Damage damage) throws Exception {
        Path whole = Files.createTempDirectory("navlo-bench");
        WrittenRound written;
        try (Running navlo = Running.on(whole, "start")) {
            written = WrittenRound.untilKilled(navlo, "Damage", random);
        }
        Running.on(whole, "start").stop();
        for (boolean sealed : List.of(true, false)) {
            Map<String, Integer> outcomes = new TreeMap<>();
            for (int round = 0; round < rounds; round++) {
                Path data = Files.createTempDirectory("navlo-bench");
                for (String file : sealed ? List.of(STORE, SEAL, "navlo.key") : List.of(STORE, "navlo.key")) {
                    Files.copy(whole.resolve(file), data.resolve(file), StandardCopyOption.REPLACE_EXISTING);
                }
                damage.of(data.resolve(STORE));
                outcomes.merge(outcome(data, written), 1, Integer::sum);
                FaultsBench.delete(data);
            }
            FaultsBench.say(what + (sealed ? ", stopped in peace" : ", killed"), outcomes.toString());
        }
    }

    private static String outcome(Path data, WrittenRound written) throws InterruptedException {
        try (Running navlo = Running.on(data, "start")) {
            Confirmed.Found found = written.look(navlo);
            return found.equals(Confirmed.Found.NOTHING_AMISS) ? "started, all there" : "started, NOT ALL THERE";
        } catch (Running.Refused refused) {
            String said = String.valueOf(refused.getMessage());
            return said.contains("./navlo restore")
                    ? "refused, with the cure"
                    : "REFUSED OTHERWISE: "
                            + said.substring(said.stripTrailing().lastIndexOf('\n') + 1);
        } catch (IOException answered) {
            return "started, refused to read";
        }
    }
}

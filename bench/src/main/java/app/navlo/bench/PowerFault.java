package app.navlo.bench;

import app.navlo.bench.power.PowerCut;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** The power cut while it is written to: of what the disk wasn't told to write through a part is lost, in any order. */
final class PowerFault {
    private static final Path AGENT = Path.of("bench", "target", "navlo-bench-0.1.0.jar");

    private final int rounds;
    private final Random random;

    PowerFault(int rounds, Random random) {
        this.rounds = rounds;
        this.random = random;
    }

    void run() throws Exception {
        Confirmed.Found found = Confirmed.Found.NOTHING_AMISS;
        Map<String, Integer> outcomes = new TreeMap<>();
        int confirmed = 0;
        long[] lost = new long[3];
        for (int round = 0; round < rounds; round++) {
            Path data = Files.createTempDirectory("navlo-bench");
            WrittenRound written;
            try (Running navlo = Running.on(data, caching(data), "start")) {
                written = WrittenRound.until(navlo, "Power " + round, random, () -> cut(navlo, data));
            }
            String[] said = Files.readString(data.resolve(PowerCut.SWITCH)).split(" ");
            Arrays.setAll(lost, i -> lost[i] + Long.parseLong(said[i]));
            confirmed += written.confirmed().count();
            try (Running navlo = Running.on(data, "start")) {
                found = found.and(written.look(navlo));
                outcomes.merge("started", 1, Integer::sum);
            } catch (Running.Refused refused) {
                outcomes.merge("REFUSED", 1, Integer::sum);
            } catch (IOException unknown) {
                outcomes.merge("STARTED WITHOUT WHO WROTE", 1, Integer::sum);
                found = found.and(new Confirmed.Found(written.confirmed().count(), 0));
            }
            FaultsBench.delete(data);
        }
        FaultsBench.say(
                "the power cut " + rounds + " times while five wrote",
                confirmed + " confirmed, lost " + found.lost() + ", half there " + found.half() + ", " + outcomes);
        FaultsBench.say(
                "... writes that the disk hadn't been told to keep",
                lost[2] + ", of which " + lost[0] + " were lost and " + lost[1] + " were there in part");
    }

    private static Map<String, String> caching(Path data) {
        return Map.of(
                "JAVA_TOOL_OPTIONS",
                PowerCut.option(AGENT, data) + " -Dspring.datasource.url=" + PowerCut.url(data.resolve("navlo"))
                        + ";WRITE_DELAY=0;LOCK_TIMEOUT=20000;DB_CLOSE_ON_EXIT=FALSE");
    }

    private static void cut(Running navlo, Path data) {
        try {
            Files.createFile(data.resolve(PowerCut.SWITCH));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
        navlo.ended();
    }
}

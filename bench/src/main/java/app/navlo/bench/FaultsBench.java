package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;

/**
 * Kills a Navlo of its own, or cuts its power, while it is written to, damages and cuts its data, starts two on one folder, cuts off
 * what brings an old store up to date, sets its clock back and fills its disk; each many times. Counted is what was confirmed and is
 * lost, and what is half there.
 */
final class FaultsBench {
    private static final int ROUNDS = 50;
    private static final int SEED = 7;

    private FaultsBench() {}

    interface Run {
        void run() throws Exception;
    }

    /** {@code --rounds N --seed S --only kill,power,flip,cut,twice,upgrade,clock,disk}. */
    static void run(Options options) throws Exception {
        int rounds = (int) options.whole("rounds", ROUNDS);
        Random random = new Random(options.whole("seed", SEED));
        DamagedFault damaged = new DamagedFault(rounds, random);
        Map<String, Run> runs = new LinkedHashMap<>();
        runs.put("kill", () -> new KilledFault(rounds, random).run());
        runs.put("power", () -> new PowerFault(rounds, random).run());
        runs.put("flip", () -> damaged.run("16 bytes of the data changed", damaged::flip));
        runs.put("cut", () -> damaged.run("the data cut off somewhere", damaged::cut));
        runs.put("twice", () -> new TwiceFault(rounds, random).run());
        runs.put("upgrade", () -> new UpgradeFault(rounds, random).run());
        runs.put("clock", () -> new ClockFault(rounds).run());
        runs.put("disk", () -> new FullDiskFault(rounds).run());
        for (String name : options.text("only", String.join(",", runs.keySet())).split(",")) {
            Run run = runs.get(name);
            if (run == null) {
                throw new IllegalArgumentException("there is no run '" + name + "'; there are " + runs.keySet());
            }
            run.run();
        }
    }

    static void say(String what, String found) {
        System.out.printf(Locale.ROOT, "%-58s %s%n", what, found);
    }

    /** As {@link Client#joining} writes it. */
    static String email(String name) {
        return name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@example.org";
    }

    static void delete(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }
}

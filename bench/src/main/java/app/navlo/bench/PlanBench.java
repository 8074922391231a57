package app.navlo.bench;

import app.navlo.vectors.Plans;
import app.navlo.vectors.Plans.Planned;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** All instances with known plans, by size: how near to the best, how often proven, how long. */
final class PlanBench {
    private static final Path RESOURCES = Path.of("vectors/src/test/resources");
    private static final int SMALL = 12;
    private static final int WARM_UP = 3;
    private static final int RUNS = 5;

    private PlanBench() {}

    static void run() throws IOException {
        run("plan");
        System.out.println("many jobs about few pass lines:");
        run("plan-crowded");
    }

    private static void run(String folder) throws IOException {
        List<Path> files = Plans.files(RESOURCES.resolve(folder));
        for (Path file : files) {
            Plans.plan(file, 0);
        }
        Map<Integer, List<Planned>> bySize = new TreeMap<>();
        Map<Integer, List<Double>> millis = new TreeMap<>();
        for (Path file : files) {
            for (int i = 0; i < RUNS; i++) {
                Planned planned = Plans.plan(file, i == 0 ? WARM_UP : 0);
                int size = Math.max(SMALL, planned.jobs());
                millis.computeIfAbsent(size, any -> new ArrayList<>()).add(planned.millis());
                if (i == 0) {
                    bySize.computeIfAbsent(size, any -> new ArrayList<>()).add(planned);
                }
            }
        }
        bySize.forEach((size, planned) -> print(size, planned, millis.get(size)));
    }

    private static void print(int size, List<Planned> all, List<Double> millis) {
        Figures figures =
                new Figures(millis.stream().mapToDouble(Double::doubleValue).toArray());
        long best = all.stream().filter(one -> one.behindPercent() <= 0).count();
        long proven = all.stream().filter(one -> one.solution().proven()).count();
        long belowSimple = all.stream()
                .filter(one -> one.solution().plan().value() < one.bestSimple())
                .count();
        System.out.printf(
                Locale.ROOT,
                "%s%d jobs: %d instances, best in %d, proven %d, behind the best known in the mean %.2f %%, at most %.2f %%;"
                        + " bound off by %.1f %%; below a simple order %d; median %.1f ms, p95 %.1f ms%n",
                size == SMALL ? "up to " : "",
                size,
                all.size(),
                best,
                proven,
                all.stream().mapToDouble(Planned::behindPercent).average().orElse(0),
                all.stream().mapToDouble(Planned::behindPercent).max().orElse(0),
                all.stream()
                        .mapToDouble(one -> one.solution().withinPercent())
                        .average()
                        .orElse(0),
                belowSimple,
                figures.median(),
                figures.percentile(95));
    }
}

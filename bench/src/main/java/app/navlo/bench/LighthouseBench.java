package app.navlo.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** Lighthouse, as on a desk, of some pages of the demo. */
final class LighthouseBench {
    private static final Path FOLDER = Path.of("bench", "lighthouse");
    private static final List<String> PATHS = List.of(
            "/s/1/next",
            "/s/1/work",
            "/s/1/work/57",
            "/s/1/timeline",
            "/s/1/timeline?as=agenda",
            "/s/1/timeline?as=month",
            "/s/1/feedback",
            "/s/1/standing",
            "/s/1/standing/1",
            "/s/1/leeway",
            "/s/1/pace");
    private static final int RUNS = 3;

    private LighthouseBench() {}

    static void run() throws IOException, InterruptedException {
        if (!Files.isDirectory(FOLDER.resolve("node_modules"))) {
            lines("npm", "ci", "--silent");
        }
        Map<String, List<double[]>> scores = new TreeMap<>();
        try (Running navlo = Running.start("demo")) {
            for (int i = 0; i < RUNS; i++) {
                List<String> command = new ArrayList<>(List.of("node", "run.mjs", navlo.address()));
                command.addAll(PATHS);
                for (String line : lines(command.toArray(String[]::new))) {
                    String[] words = line.split(" ");
                    double[] three = Arrays.stream(words)
                            .skip(1)
                            .mapToDouble(Double::parseDouble)
                            .toArray();
                    scores.computeIfAbsent(words[0], path -> new ArrayList<>()).add(three);
                }
            }
        }
        scores.forEach((path, runs) -> System.out.printf(
                Locale.ROOT,
                "%-28s performance %3.0f  accessibility %3.0f  best practices %3.0f   (asked: 95, 100, 100)%n",
                "Lighthouse " + path,
                median(runs, 0),
                median(runs, 1),
                median(runs, 2)));
    }

    private static double median(List<double[]> runs, int category) {
        return new Figures(runs.stream().mapToDouble(run -> run[category]).toArray()).median();
    }

    private static List<String> lines(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .directory(FOLDER.toFile())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        List<String> lines;
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            lines = out.lines().filter(line -> line.startsWith("/")).toList();
        }
        if (process.waitFor() != 0) {
            throw new IOException(String.join(" ", command) + " failed in " + FOLDER);
        }
        return lines;
    }
}

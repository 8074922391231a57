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
    private static final List<String> ONLOOKERS_PATHS = List.of("/household", "/s/1/sheet");
    private static final int RUNS = 3;

    /** Who looks at which pages. */
    private record Look(String email, String password, List<String> paths) {}

    private static final List<Look> LOOKS = List.of(
            new Look("mira@thornmere.example", "garden-gate-24", PATHS),
            new Look("tobias@solheim.example", "tool-shed-11", ONLOOKERS_PATHS),
            new Look("runa@thornmere.example", "cold-frame-08", List.of("/household")));

    private LighthouseBench() {}

    /** {@code --runs N}. */
    static void run(Options options) throws IOException, InterruptedException {
        long runs = options.whole("runs", RUNS);
        if (!Files.isDirectory(FOLDER.resolve("node_modules"))) {
            lines("npm", "ci", "--silent");
        }
        Map<String, List<double[]>> scores = new TreeMap<>();
        try (Running navlo = Running.start("demo")) {
            for (int i = 0; i < runs; i++) {
                for (Look look : LOOKS) {
                    look(navlo.address(), look)
                            .forEach((path, three) -> scores.computeIfAbsent(path, any -> new ArrayList<>())
                                    .add(three));
                }
            }
        }
        scores.forEach((path, each) -> System.out.printf(
                Locale.ROOT,
                "%-44s performance %3.0f  accessibility %3.0f  best practices %3.0f   (asked: 95, 100, 100)%n",
                "Lighthouse " + path,
                median(each, 0),
                median(each, 1),
                median(each, 2)));
    }

    private static Map<String, double[]> look(String address, Look look) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("node", "run.mjs", address, look.email(), look.password()));
        command.addAll(look.paths());
        Map<String, double[]> scores = new TreeMap<>();
        for (String line : lines(command.toArray(String[]::new))) {
            String[] words = line.split(" ");
            String who = look.email().replaceAll("@.*", "");
            scores.put(
                    words[0] + " (" + who + ")",
                    Arrays.stream(words)
                            .skip(1)
                            .mapToDouble(Double::parseDouble)
                            .toArray());
        }
        return scores;
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

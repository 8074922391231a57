package app.navlo.bench;

import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs {@link RulesBench} and says what it found beside what is asked. */
final class RulesMeasured {
    private static final Map<String, String> ASKED = Map.of(
            "states 1", "under 1",
            "readings", "under 0.3",
            "drops 1", "under 0.2",
            "drops 10", "under 0.2",
            "drops 50", "under 0.2",
            "drops 90", "under 0.2",
            "whatIf", "under 5");

    private RulesMeasured() {}

    static void run() throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(RulesBench.class.getSimpleName())
                        .build())
                .run();
        for (RunResult result : results) {
            String name = result.getParams().getBenchmark().replaceAll(".*\\.", "");
            String params = result.getParams().getParamsKeys().stream()
                    .map(key -> " " + result.getParams().getParam(key))
                    .reduce("", String::concat);
            System.out.printf(
                    Locale.ROOT,
                    "%-24s %9.4f ms   %s%n",
                    name + params,
                    result.getPrimaryResult().getStatistics().getPercentile(50),
                    ASKED.getOrDefault(name + params, ""));
        }
    }
}

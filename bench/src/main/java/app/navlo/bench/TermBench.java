package app.navlo.bench;

import app.navlo.bench.TermStudent.Outcome;
import app.navlo.bench.TermStudent.Rule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.LongStream;

/** The same made-up students follow the plan and four simple rules to a close. */
final class TermBench {
    private static final int STUDENTS = 500;
    private static final int COURSES = 6;
    private static final Path PLOT = Path.of("docs/does-the-plan-help.svg");

    private TermBench() {}

    static void run() throws IOException {
        Map<Rule, List<Outcome>> all = new LinkedHashMap<>();
        for (Rule rule : Rule.values()) {
            all.put(
                    rule,
                    LongStream.range(0, STUDENTS)
                            .parallel()
                            .mapToObj(seed -> new TermStudent(seed).follow(rule))
                            .toList());
        }
        System.out.printf("%-32s%22s%18s%26s%n", "rule", "course percent", "courses passed", "missing at the close");
        all.forEach((rule, outcomes) -> {
            Spread percent = spread(outcomes, Outcome::percent);
            Spread passed = spread(outcomes, one -> 100.0 * one.passed() / COURSES);
            Spread missing = spread(outcomes, Outcome::missing);
            System.out.printf(
                    Locale.ROOT,
                    "%-32s%6.1f (%4.1f to %4.1f)%16.1f %%%10.1f (%4.1f to %4.1f)%n",
                    rule.words,
                    percent.mean,
                    percent.low,
                    percent.high,
                    passed.mean,
                    missing.mean,
                    missing.low,
                    missing.high);
        });
        List<Outcome> plan = all.get(Rule.PLAN);
        all.forEach((rule, outcomes) -> {
            long better = LongStream.range(0, STUDENTS)
                    .filter(i ->
                            plan.get((int) i).percent() >= outcomes.get((int) i).percent())
                    .count();
            if (rule != Rule.PLAN) {
                System.out.printf("the plan is as good or better for %d of %d than %s%n", better, STUDENTS, rule.words);
            }
        });
        Files.writeString(PLOT, plot(all));
        System.out.println("plot: " + PLOT);
    }

    /** The mean, and between what the middle eight in ten lie. */
    private record Spread(double mean, double low, double high) {}

    private static Spread spread(List<Outcome> outcomes, ToDoubleFunction<Outcome> what) {
        double[] sorted = outcomes.stream().mapToDouble(what).sorted().toArray();
        double mean = outcomes.stream().mapToDouble(what).average().orElse(0);
        return new Spread(mean, sorted[sorted.length / 10], sorted[sorted.length * 9 / 10]);
    }

    private static String plot(Map<Rule, List<Outcome>> all) {
        List<String> rows = new ArrayList<>();
        int y = 40;
        for (Map.Entry<Rule, List<Outcome>> one : all.entrySet()) {
            Spread spread = spread(one.getValue(), Outcome::percent);
            rows.add(String.format(
                    Locale.ROOT,
                    """
                    <text x="12" y="%d">%s</text>
                    <line x1="%.1f" x2="%.1f" y1="%d" y2="%d" stroke="#5c6b65" stroke-width="4"/>
                    <circle cx="%.1f" cy="%d" r="7" fill="%s"/>
                    <text x="%.1f" y="%d" text-anchor="middle" font-size="12">%.1f</text>
                    """,
                    y + 5,
                    one.getKey().words,
                    x(spread.low),
                    x(spread.high),
                    y,
                    y,
                    x(spread.mean),
                    y,
                    one.getKey() == Rule.PLAN ? "#a54c10" : "#14302b",
                    x(spread.mean),
                    y - 11,
                    spread.mean));
            y += 44;
        }
        StringBuilder axis = new StringBuilder();
        for (int percent = 30; percent <= 100; percent += 10) {
            axis.append(String.format(
                    Locale.ROOT,
                    "<line x1=\"%.1f\" x2=\"%.1f\" y1=\"16\" y2=\"%d\" stroke=\"#d9d3c3\"/>"
                            + "<text x=\"%.1f\" y=\"%d\" text-anchor=\"middle\" font-size=\"12\">%d %%</text>%n",
                    x(percent),
                    x(percent),
                    y - 20,
                    x(percent),
                    y,
                    percent));
        }
        return """
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 800 %d" font-family="sans-serif" font-size="14">
                <title>Mean course percent at the close, by the rule followed; the line holds the middle eight in ten</title>
                <rect width="800" height="%d" fill="#fffdf7"/>
                %s%s</svg>
                """.formatted(y + 14, y + 14, axis, String.join("", rows));
    }

    private static double x(double percent) {
        return 240 + (percent - 30) * 7.6;
    }
}

package app.navlo.bench.term;

import app.navlo.bench.Options;
import app.navlo.bench.term.Student.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.stream.LongStream;

/**
 * The same made-up students follow the plan, four simple rules and somebody who knows what everything takes to a close: {@code
 * term --seed S --students N --sigma σ --lost-days p --courses k --csv FILE}.
 */
public final class TermBench {
    private static final String PLAN = "the plan";
    private static final String KNOWS = "who knows the efforts";
    private static final int STUDENTS = 100;
    private static final int COURSES = 6;
    private static final double SIGMA = 0.45;
    private static final double LOST_DAYS = 0.15;

    private TermBench() {}

    public static void run(Options options) throws IOException {
        long seed = options.whole("seed", 0);
        int students = (int) options.whole("students", STUDENTS);
        int courses = (int) options.whole("courses", COURSES);
        double sigma = options.number("sigma", SIGMA);
        double lostDays = options.number("lost-days", LOST_DAYS);
        Map<String, List<Outcome>> all = new LinkedHashMap<>();
        rules().forEach((name, rule) -> all.put(
                name,
                LongStream.range(seed, seed + students)
                        .parallel()
                        .mapToObj(one -> new Student(new MadeTerm(one, courses, sigma, lostDays)).follow(rule.get()))
                        .toList()));
        System.out.printf(
                Locale.ROOT,
                "%d students from seed %d, %d courses, spread of efforts %.2f, lost days %.2f%n%-26s%22s%18s%26s%n",
                students,
                seed,
                courses,
                sigma,
                lostDays,
                "rule",
                "course percent",
                "courses passed",
                "missing at the close");
        all.forEach((name, outcomes) -> print(name, outcomes, courses));
        compare(all, courses);
        String csv = options.text("csv", "");
        if (!csv.isEmpty()) {
            Files.write(Path.of(csv), rows(all, seed));
            System.out.println("rows: " + csv);
        }
    }

    private static Map<String, Supplier<Student.Rule>> rules() {
        Map<String, Supplier<Student.Rule>> rules = new LinkedHashMap<>();
        rules.put(PLAN, () -> new Planned(false));
        for (Simple rule : Simple.values()) {
            rules.put(rule.words, () -> rule);
        }
        rules.put(KNOWS, () -> new Planned(true));
        return rules;
    }

    private static void print(String name, List<Outcome> outcomes, int courses) {
        Spread percent = spread(outcomes, Outcome::percent);
        Spread missing = spread(outcomes, Outcome::missing);
        System.out.printf(
                Locale.ROOT,
                "%-26s%6.1f (%4.1f to %4.1f)%16.1f %%%10.1f (%4.1f to %4.1f)%n",
                name,
                percent.mean,
                percent.low,
                percent.high,
                passed(outcomes, courses),
                missing.mean,
                missing.low,
                missing.high);
    }

    private static double passed(List<Outcome> outcomes, int courses) {
        return spread(outcomes, one -> 100.0 * one.passed() / courses).mean;
    }

    /** The plan beside each of the others, student by student. */
    private static void compare(Map<String, List<Outcome>> all, int courses) {
        List<Outcome> plan = Objects.requireNonNull(all.get(PLAN));
        double mean = spread(plan, Outcome::percent).mean;
        for (Simple rule : Simple.values()) {
            List<Outcome> other = Objects.requireNonNull(all.get(rule.words));
            long better = LongStream.range(0, plan.size())
                    .filter(i ->
                            plan.get((int) i).percent() >= other.get((int) i).percent() - 1e-9)
                    .count();
            double from = spread(other, Outcome::percent).mean;
            double best = spread(Objects.requireNonNull(all.get(KNOWS)), Outcome::percent).mean;
            System.out.printf(
                    Locale.ROOT,
                    "beside %-20s %+.1f in the mean, %+.1f of 100 courses passed, as good or better for %.0f %%,"
                            + " %.0f %% of the way to who knows%n",
                    rule.words + ":",
                    mean - from,
                    passed(plan, courses) - passed(other, courses),
                    100.0 * better / plan.size(),
                    100 * (mean - from) / (best - from));
        }
    }

    /** The mean, and between what the middle eight in ten lie. */
    private record Spread(double mean, double low, double high) {}

    private static Spread spread(List<Outcome> outcomes, ToDoubleFunction<Outcome> what) {
        double[] sorted = outcomes.stream().mapToDouble(what).sorted().toArray();
        return new Spread(
                Arrays.stream(sorted).average().orElse(0), sorted[sorted.length / 10], sorted[sorted.length * 9 / 10]);
    }

    private static List<String> rows(Map<String, List<Outcome>> all, long seed) {
        List<String> rows = new ArrayList<>(List.of("student,rule,percent,passed,missing"));
        all.forEach((name, outcomes) -> {
            for (int i = 0; i < outcomes.size(); i++) {
                Outcome one = outcomes.get(i);
                rows.add(String.format(
                        Locale.ROOT, "%d,%s,%.3f,%d,%d", seed + i, name, one.percent(), one.passed(), one.missing()));
            }
        });
        return rows;
    }
}

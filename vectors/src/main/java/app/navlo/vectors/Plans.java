package app.navlo.vectors;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.SimpleOrder;
import app.navlo.core.plan.Solution;
import app.navlo.core.plan.Solver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Plans the instances of a file or a folder, writes a plan for each and prints how good they are. */
public final class Plans {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** Solves before the one that is measured. */
    private static final int WARM_UP = 10;

    private static final double NANOS_A_MILLI = 1e6;
    private static final String USAGE = "plan wants instances: ./navlo plan FILE|DIR [--out DIR]";

    private Plans() {}

    /**
     * One instance, planned.
     *
     * @param best the greatest value known, as the file has it; below 0 if it doesn't say
     * @param simple what the simple orders come to, by their name
     * @param millis of one warm solve, in one thread
     */
    public record Planned(
            String id,
            int jobs,
            Solution solution,
            JsonNode json,
            long best,
            Map<SimpleOrder, Long> simple,
            double millis) {
        /** How far below the best known it stays, in percent; below 0 if it is better. */
        public double behindPercent() {
            return best <= 0 ? 0 : 100.0 * (best - solution.plan().value()) / best;
        }

        public long bestSimple() {
            return simple.values().stream().mapToLong(Long::longValue).max().orElse(0);
        }
    }

    /** The instances at a path: one file, or all of a folder in the order of their names. */
    public static List<Path> files(Path path) throws IOException {
        if (!Files.isDirectory(path)) {
            return List.of(path);
        }
        try (Stream<Path> all = Files.list(path)) {
            return all.filter(file -> file.toString().endsWith(".json"))
                    .sorted()
                    .toList();
        }
    }

    /**
     * @param warmUp solves before the one that is measured
     * @throws IllegalInput naming the fields that don't fit
     */
    public static Planned plan(Path file, int warmUp) throws IOException {
        JsonNode node = JSON.readTree(Files.readString(file));
        PlanFile instance = PlanFile.read(node);
        for (int i = 0; i < warmUp; i++) {
            Solver.solve(instance.problem());
        }
        long began = System.nanoTime();
        Solution solution = Solver.solve(instance.problem());
        double millis = (System.nanoTime() - began) / NANOS_A_MILLI;
        Map<SimpleOrder, Long> simple = new LinkedHashMap<>();
        for (SimpleOrder order : SimpleOrder.values()) {
            simple.put(order, order.of(instance.problem()).value());
        }
        return new Planned(
                instance.id(),
                instance.problem().jobs().size(),
                solution,
                json(instance, solution, millis),
                node.path("best").asLong(-1),
                simple,
                millis);
    }

    private static JsonNode json(PlanFile instance, Solution solution, double millis) {
        List<Map<String, Object>> order = new ArrayList<>();
        for (Plan.Chosen chosen : solution.plan().order()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("job", instance.problem().jobs().get(chosen.job()).id());
            one.put("mode", chosen.mode());
            order.add(one);
        }
        Map<String, Object> plan = new LinkedHashMap<>();
        plan.put("id", instance.id());
        plan.put("order", order);
        plan.put("claimed", solution.plan().value());
        plan.put("bound", solution.bound());
        plan.put("proven", solution.proven());
        plan.put("millis", Math.round(millis * 100) / 100.0);
        return JSON.valueToTree(plan);
    }

    public static void main(String[] args) throws IOException {
        boolean out = args.length == 3 && args[1].equals("--out");
        if (!(out || args.length == 1) || !Files.exists(Path.of(args[0]))) {
            System.err.println(
                    USAGE + (args.length > 0 ? "; there is no " + args[0] + " or an option isn't known" : ""));
            System.exit(2);
            return;
        }
        List<Path> files = files(Path.of(args[0]));
        Path folder = out ? Path.of(args[2]) : null;
        if (folder != null) {
            Files.createDirectories(folder);
        }
        int failed = 0;
        heading();
        for (Path file : files) {
            failed += one(file, folder) ? 0 : 1;
        }
        System.out.printf("%d planned, %d failed%n", files.size() - failed, failed);
        System.exit(failed == 0 ? 0 : 1);
    }

    private static boolean one(Path file, @org.jspecify.annotations.Nullable Path folder) throws IOException {
        try {
            Planned planned = plan(file, WARM_UP);
            row(planned);
            if (folder != null) {
                Files.writeString(
                        folder.resolve(planned.id() + ".json"),
                        JSON.writerWithDefaultPrettyPrinter().writeValueAsString(planned.json()) + "\n");
            }
            return true;
        } catch (IllegalInput e) {
            System.err.println(file + ": " + e.getMessage());
        } catch (JacksonException e) {
            System.err.println(file + " isn't JSON: " + e.getOriginalMessage());
        } catch (NullPointerException e) {
            System.err.println(
                    file + " lacks a field: an instance wants id, slots and jobs, and a job id, effort and modes");
        }
        return false;
    }

    private static void heading() {
        String simple = Arrays.stream(SimpleOrder.values())
                .map(order ->
                        "%18s".formatted(order.name().toLowerCase(Locale.ROOT).replace('_', ' ')))
                .collect(Collectors.joining());
        System.out.printf("%-24s%6s%9s%9s%9s%9s%s%n", "instance", "jobs", "value", "bound", "gap %", "ms", simple);
    }

    private static void row(Planned planned) {
        Solution solution = planned.solution();
        String simple =
                planned.simple().values().stream().map("%18d"::formatted).collect(Collectors.joining());
        System.out.printf(
                Locale.ROOT,
                "%-24s%6d%9d%9d%9s%9.1f%s%n",
                planned.id(),
                planned.jobs(),
                solution.plan().value(),
                solution.bound(),
                solution.proven() ? "proven" : "%.2f".formatted(solution.withinPercent()),
                planned.millis(),
                simple);
    }
}

package app.navlo.vectors;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Runs every case of the JSON files in a folder and prints what failed. */
public final class Vectors {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Map<String, Adapter> ADAPTERS = Map.ofEntries(
            Map.entry("attempts.json", new AttemptsCases()),
            Map.entry("drops.json", new DropsCases()),
            Map.entry("gates.json", new GatesCases()),
            Map.entry("grades.json", new GradesCases()),
            Map.entry("late.json", new LateCases()),
            Map.entry("leeway.json", new LeewayCases()),
            Map.entry("pace.json", new PaceCases()),
            Map.entry("standards.json", new StandardsCases()),
            Map.entry("states.json", new StatesCases()),
            Map.entry("target.json", new TargetCases()),
            Map.entry("tokens.json", new TokensCases()),
            Map.entry("turnaround.json", new TurnaroundCases()));

    private Vectors() {}

    /** The outcome of one case. {@code got} is what the core answered, or the error that it threw. */
    public record Outcome(String file, String id, String why, boolean passed, String expected, String got) {}

    /** The files of a folder that have an adapter, in the order of their names. */
    public static List<Path> files(Path folder) throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(file -> ADAPTERS.containsKey(file.getFileName().toString()))
                    .sorted()
                    .toList();
        }
    }

    public static List<Outcome> run(Path file) throws IOException {
        String name = file.getFileName().toString();
        Adapter adapter = ADAPTERS.get(name);
        if (adapter == null) {
            throw new IllegalArgumentException("no adapter for " + name + "; known are " + ADAPTERS.keySet());
        }
        List<Outcome> outcomes = new ArrayList<>();
        for (JsonNode one : JSON.readTree(Files.readString(file))) {
            outcomes.add(outcome(name, adapter, one));
        }
        return outcomes;
    }

    private static Outcome outcome(String file, Adapter adapter, JsonNode one) {
        String id = one.get("id").asString();
        String why = one.get("why").asString();
        JsonNode expected = one.get("expect");
        try {
            JsonNode got = plain(adapter.answer(one.get("given")));
            boolean agrees = adapter.agrees(one.get("given"), expected, got);
            return new Outcome(file, id, why, agrees, expected.toString(), got.toString());
        } catch (RuntimeException e) {
            return new Outcome(file, id, why, false, expected.toString(), e.toString());
        }
    }

    /** The answer as the JSON that it would be written as, so that both sides compare as trees. */
    private static JsonNode plain(Object answer) {
        return JSON.readTree(JSON.writeValueAsString(answer));
    }

    public static void main(String[] args) throws IOException {
        if (args.length != 1 || !Files.isDirectory(Path.of(args[0]))) {
            System.err.println("vectors wants one folder of case files: ./navlo vectors DIR");
            System.exit(2);
        }
        int passed = 0;
        int failed = 0;
        for (Path file : files(Path.of(args[0]))) {
            for (Outcome outcome : run(file)) {
                if (outcome.passed()) {
                    passed++;
                } else {
                    failed++;
                    System.out.printf(
                            "%s (%s)%n  expected %s%n  got      %s%n",
                            outcome.id(), outcome.why(), outcome.expected(), outcome.got());
                }
            }
        }
        System.out.printf("%d passed, %d failed%n", passed, failed);
        System.exit(failed == 0 ? 0 : 1);
    }
}

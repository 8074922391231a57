package app.navlo.bench;

import app.navlo.bench.term.TermBench;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Runs the measurements that are named, or all but those of minutes. */
public final class Bench {
    interface Measurement {
        void run() throws Exception;
    }

    private static Options options = new Options(List.of());

    private static final Map<String, Measurement> ALL = new LinkedHashMap<>();

    static {
        ALL.put("rules", RulesMeasured::run);
        ALL.put("plan", PlanBench::run);
        ALL.put("term", () -> TermBench.run(options));
        ALL.put("calm", CalmBench::run);
        ALL.put("build", BuildBench::run);
        ALL.put("start", StartBench::run);
        ALL.put("board", BoardBench::run);
        ALL.put("page", PageBench::run);
        ALL.put("budget", BudgetBench::run);
        ALL.put("next", NextBench::run);
        ALL.put("what-if", WhatIfBench::run);
        ALL.put("table", TableBench::run);
        ALL.put("timeline", TimelineBench::run);
        ALL.put("hand-in", HandInBench::run);
        ALL.put("own-term", OwnTermBench::run);
        ALL.put("links", LinksBench::run);
        ALL.put("mentor", () -> MentorBench.run(options));
        ALL.put("college", () -> CollegeBench.run(options));
        ALL.put("night", () -> NightBench.run(options));
        ALL.put("year", YearBench::run);
        ALL.put("load", () -> LoadBench.run(options));
        ALL.put("instances", () -> InstancesBench.run(options));
        ALL.put("faults", () -> FaultsBench.run(options));
        ALL.put("lighthouse", () -> LighthouseBench.run(options));
    }

    private Bench() {}

    public static void main(String[] args) throws Exception {
        List<String> said = List.of(args);
        int first =
                said.stream().takeWhile(word -> !word.startsWith("--")).toList().size();
        options = new Options(said.subList(first, said.size()));
        List<String> names = first > 0
                ? said.subList(0, first)
                : ALL.keySet().stream()
                        .filter(name -> !List.of(
                                        "build", "mentor", "college", "term", "faults", "load", "night", "year")
                                .contains(name))
                        .toList();
        for (String name : names) {
            Measurement measurement = ALL.get(name);
            if (measurement == null) {
                System.err.println("there is no measurement '" + name + "'; there are " + ALL.keySet());
                System.exit(2);
                return;
            }
            measurement.run();
        }
    }
}

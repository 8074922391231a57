package app.navlo.bench;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A term of one's own: a table of 1,000 rows looked at and taken in, 500 pieces of work changed at once beside 5, and the
 * plan with 700 open pieces, over HTTP in a Navlo that began empty.
 */
final class OwnTermBench {
    private static final int RUNS = 5;
    private static final int ROWS = 1_000;
    private static final int FEW = 5;
    private static final int MANY = 500;
    private static final int OPEN = 700;
    private static final int COURSES = 6;

    private OwnTermBench() {}

    static void run() throws IOException, InterruptedException {
        several();
        table();
    }

    private static void table() throws IOException, InterruptedException {
        double[] seen = new double[RUNS];
        double[] written = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            try (Running navlo = Running.start("start")) {
                Client ida = Client.first(navlo.address());
                ida.takeIn(ida.paste("Warm up", tableOf(FEW, 0)));
                long began = System.nanoTime();
                String preview = ida.paste("Gradebook", tableOf(ROWS, FEW));
                seen[i] = since(began);
                preview = ida.chosen(preview);
                began = System.nanoTime();
                ida.apply(preview);
                written[i] = since(began);
            }
        }
        Figures.print(
                "a table of " + ROWS + " rows, seen, median of " + RUNS, new Figures(seen).median(), "under 1000");
        Figures.print("the same, written", new Figures(written).median(), "under 2000");
    }

    private static void several() throws IOException, InterruptedException {
        double[] few = new double[RUNS];
        double[] many = new double[RUNS];
        double[] plan = new double[RUNS];
        try (Running navlo = Running.start("start")) {
            Client ida = Client.first(navlo.address());
            ida.takeIn(ida.paste("Gradebook", tableOf(OPEN, 0)));
            List<Long> works = ida.works();
            for (int i = -2; i < RUNS; i++) {
                double one = changed(ida, works.subList(0, FEW), i);
                double all = changed(ida, works.subList(0, MANY), i);
                long began = System.nanoTime();
                ida.get("/api/students/1/next?minutes=" + (600 + i));
                double planned = since(began);
                if (i >= 0) {
                    few[i] = one;
                    many[i] = all;
                    plan[i] = planned;
                }
            }
        }
        Figures.print(FEW + " pieces of work changed at once, median of " + RUNS, new Figures(few).median(), "-");
        Figures.print(MANY + " pieces of work changed at once", new Figures(many).median(), "under 1000");
        Figures.print("the plan with " + OPEN + " open pieces", new Figures(plan).median(), "under 1000");
    }

    private static double changed(Client ida, List<Long> works, int run) throws IOException, InterruptedException {
        String numbers = works.stream().map(String::valueOf).collect(Collectors.joining(","));
        long began = System.nanoTime();
        ida.post(
                "/api/students/1/works/together",
                "{\"works\":[" + numbers + "],\"edit\":{\"possible\":\"" + (30 + run)
                        + "\",\"clear\":[]},\"back\":false,\"remove\":false,\"read\":false}");
        return since(began);
    }

    /** Homework of six courses that is due in the weeks to come. */
    private static String tableOf(int rows, int from) {
        LocalDate first = LocalDate.now().plusDays(2);
        String lines = IntStream.range(from, from + rows)
                .mapToObj(i -> "Homework %d\tCourse %d\t%s\t20".formatted(i, 1 + i % COURSES, first.plusDays(i % 60)))
                .collect(Collectors.joining("\n"));
        return "Title\tCourse\tDue\tPoints possible\n" + lines;
    }

    private static double since(long began) {
        return (System.nanoTime() - began) / 1e6;
    }
}

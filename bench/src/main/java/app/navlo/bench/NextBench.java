package app.navlo.bench;

import java.io.IOException;

/** The plan of the demo's student over HTTP, each time for another budget, so that it is made anew. */
final class NextBench {
    private static final int WARM_UP = 60;
    private static final int RUNS = 120;

    private NextBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo")) {
            Client mira = new Client(navlo.address());
            double[] millis = new double[RUNS];
            for (int i = -WARM_UP; i < RUNS; i++) {
                long began = System.nanoTime();
                mira.get("/api/students/1/next?minutes=" + (60 + WARM_UP + i));
                if (i >= 0) {
                    millis[i] = (System.nanoTime() - began) / 1e6;
                }
            }
            Figures figures = new Figures(millis);
            Figures.print("the plan over HTTP, median of " + RUNS, figures.median(), "-");
            Figures.print("the plan over HTTP, p95", figures.percentile(95), "-");
        }
    }
}

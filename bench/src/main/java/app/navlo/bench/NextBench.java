package app.navlo.bench;

import java.io.IOException;

/** The plan of the demo's student over HTTP, each time for another budget, so that it is made anew; then with two thousand pieces. */
final class NextBench {
    private static final int WARM_UP = 60;
    private static final int RUNS = 120;
    private static final int COURSES = 8;
    private static final int MANY = 2_000;
    private static final int RUNS_OF_MANY = 9;

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
            mira.fillTerm(COURSES, MANY);
            double[] many = new double[RUNS_OF_MANY];
            for (int i = -2; i < RUNS_OF_MANY; i++) {
                long began = System.nanoTime();
                mira.get("/api/students/1/next?minutes=" + (60 + i));
                if (i >= 0) {
                    many[i] = (System.nanoTime() - began) / 1e6;
                }
            }
            Figures.print("the plan of " + MANY + " pieces, median", new Figures(many).median(), "at most 1000");
        }
    }
}

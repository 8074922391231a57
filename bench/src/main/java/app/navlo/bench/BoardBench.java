package app.navlo.bench;

import java.io.IOException;

/** A board of 150 pieces of work, and one of 1,000, over HTTP, one reader after the other. */
final class BoardBench {
    private static final int WORKS = 150;
    private static final int MANY = 1_000;
    private static final int WARM_UP = 300;
    private static final int RUNS = 500;

    private BoardBench() {}

    static void run() throws IOException, InterruptedException {
        measure(WORKS, "at most 40");
        measure(MANY, "-");
    }

    private static void measure(int works, String asked) throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo")) {
            Client mira = new Client(navlo.address());
            mira.fillTo(works);
            double[] millis = new double[RUNS];
            for (int i = -WARM_UP; i < RUNS; i++) {
                long began = System.nanoTime();
                mira.get("/api/students/1/board");
                if (i >= 0) {
                    millis[i] = (System.nanoTime() - began) / 1e6;
                }
            }
            Figures figures = new Figures(millis);
            Figures.print("board of " + works + " over HTTP, median of " + RUNS, figures.median(), "-");
            Figures.print("board of " + works + " over HTTP, p95", figures.percentile(95), asked);
        }
    }
}

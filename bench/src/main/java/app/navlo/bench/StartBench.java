package app.navlo.bench;

import java.io.IOException;

/** From the command to the line that says ready. */
final class StartBench {
    private static final int RUNS = 7;

    private StartBench() {}

    static void run() throws IOException {
        for (String verb : new String[] {"start", "demo"}) {
            double[] millis = new double[RUNS];
            for (int i = 0; i < RUNS; i++) {
                try (Running navlo = Running.start(verb)) {
                    millis[i] = navlo.startMillis();
                }
            }
            Figures.print(
                    "jar to ready, " + verb + ", median of " + RUNS, new Figures(millis).median(), "at most 6000");
        }
    }
}

package app.navlo.bench;

import java.io.IOException;
import java.util.Random;

/** A file of 50 MB from its first byte to the receipt: sent, checked, kept, handed in. */
final class HandInBench {
    private static final int BYTES = 50 << 20;
    private static final int WARM_UP = 1;
    private static final int RUNS = 5;

    private HandInBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo")) {
            Client mira = new Client(navlo.address());
            double[] millis = new double[RUNS];
            for (int i = -WARM_UP; i < RUNS; i++) {
                long work = mira.add("A large file " + i);
                byte[] content = new byte[BYTES];
                new Random(i).nextBytes(content);
                long began = System.nanoTime();
                mira.handIn(work, "film.bin", content);
                if (i >= 0) {
                    millis[i] = (System.nanoTime() - began) / 1e6;
                }
            }
            Figures.print("hand-in of a file of 50 MB, median of " + RUNS, new Figures(millis).median(), "-");
        }
    }
}

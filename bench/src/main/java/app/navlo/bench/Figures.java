package app.navlo.bench;

import java.util.Arrays;
import java.util.Locale;

/** A sample of milliseconds, said in words. */
record Figures(double[] millis) {
    Figures {
        millis = millis.clone();
        Arrays.sort(millis);
    }

    double median() {
        int half = millis.length / 2;
        return millis.length % 2 == 1 ? millis[half] : (millis[half - 1] + millis[half]) / 2;
    }

    /** Nearest rank. */
    double percentile(int percent) {
        return millis[(int) Math.ceil(millis.length * percent / 100.0) - 1];
    }

    static void print(String what, double millis, String asked) {
        System.out.printf(Locale.ROOT, "%-58s %9.1f ms   (asked: %s)%n", what, millis, asked);
    }
}

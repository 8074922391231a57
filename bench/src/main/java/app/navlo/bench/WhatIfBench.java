package app.navlo.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;

/** From a keystroke in a score that isn't real to the readings drawn anew, in the demo student's largest course. */
final class WhatIfBench {
    private static final int WARM = 10;
    private static final int RUNS = 30;
    private static final int COURSES = 8;
    private static final int PIECES = 60;

    /**
     * Types another score; the answer is when the frame with the expected reading that follows from it is drawn: a callback
     * that sees it there runs right before that frame, and a task of its own after it.
     */
    private static final String TYPE = """
            (score) => new Promise((done) => {
              const box = document.querySelector('[data-item] input');
              const reading = document.querySelectorAll('[role=tab]')[3];
              const before = reading.textContent;
              const begun = performance.now();
              Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(box, score);
              box.dispatchEvent(new Event('input', { bubbles: true }));
              const look = () => {
                if (reading.textContent === before) requestAnimationFrame(look);
                else setTimeout(() => done(performance.now() - begun));
              };
              look();
            })
            """;

    private WhatIfBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo");
                Screen screen = new Screen()) {
            Page page = screen.mira(navlo.address());
            measure(page, "the demo's courses");
            new Client(navlo.address()).fillTo(COURSES, PIECES);
            page.reload();
            measure(page, COURSES + " courses of " + PIECES);
        }
    }

    private static void measure(Page page, String what) {
        page.navigate(page.url().replaceFirst("/(work|standing).*", "/standing/1"));
        page.locator("[data-item] input").first().waitFor();
        page.waitForTimeout(1000);
        double[] millis = new double[RUNS];
        for (int i = -WARM; i < RUNS; i++) {
            page.waitForTimeout(120);
            double took = ((Number) page.evaluate(TYPE, String.valueOf(8 + WARM + i))).doubleValue();
            if (i >= 0) {
                millis[i] = took;
            }
        }
        Figures figures = new Figures(millis);
        Figures.print(what + ", keystroke to redrawn readings, median of " + RUNS, figures.median(), "under 50");
        Figures.print(what + ", 95th percentile", figures.percentile(95), "under 50");
    }
}

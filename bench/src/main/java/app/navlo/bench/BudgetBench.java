package app.navlo.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;

/** From a change of the time that today has to the moves drawn anew, on the demo student's board in a browser. */
final class BudgetBench {
    private static final int WARM = 8;
    private static final int RUNS = 30;
    /** Minutes by which the second row of presses asks for other budgets than the first. */
    private static final int BETWEEN = 5;

    /** Each press asks for a budget that wasn't planned for before; the answer is when the frame with its moves is drawn. */
    private static final String PRESS = """
            () => new Promise((done) => {
              const begun = performance.now();
              let planning = false;
              const look = () => {
                const now = document.querySelector('[data-replanning]').dataset.replanning === 'true';
                planning = planning || now;
                if (planning && !now) requestAnimationFrame(() => setTimeout(() => done(performance.now() - begun)));
                else requestAnimationFrame(look);
              };
              document.querySelector('[aria-label="A quarter of an hour more"]').click();
              look();
            })
            """;

    private BudgetBench() {}

    static void run() throws IOException {
        try (Running navlo = Running.start("demo");
                Screen screen = new Screen()) {
            Page page = screen.mira(navlo.address());
            measure(page, 0, "just started");
            measure(page, BETWEEN, "later");
        }
    }

    /** What was just started is compiled while it plans. @param first what today has before the first press, in minutes */
    private static void measure(Page page, int first, String when) {
        page.navigate(page.url().replaceFirst("/(work|next).*", "/next?minutes=" + first));
        page.locator("[data-move]").first().waitFor();
        double[] millis = new double[RUNS];
        for (int i = -WARM; i < RUNS; i++) {
            page.waitForTimeout(150);
            double took = ((Number) page.evaluate(PRESS)).doubleValue();
            if (i >= 0) {
                millis[i] = took;
            }
        }
        Figures figures = new Figures(millis);
        Figures.print("budget to redrawn moves, " + when + ", median of " + RUNS, figures.median(), "under 300");
        Figures.print("budget to redrawn moves, " + when + ", 95th percentile", figures.percentile(95), "under 300");
    }
}

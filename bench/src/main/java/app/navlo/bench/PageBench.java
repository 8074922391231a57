package app.navlo.bench;

import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.util.Locale;

/** The first load of the Work view: until its rows stand and the main thread is free to answer. */
final class PageBench {
    private static final int RUNS = 9;

    /** When rows are there, no task of more than 50 ms has run for 300 ms; the answer is the end of the last one. */
    private static final String INTERACTIVE = """
            () => new Promise((done) => {
              let last = 0;
              new PerformanceObserver((list) => {
                for (const task of list.getEntries()) last = Math.max(last, task.startTime + task.duration);
              }).observe({ type: 'longtask', buffered: true });
              let rows = 0;
              const look = () => {
                if (!rows && document.querySelector('[role=row][data-work]')) rows = performance.now();
                if (rows && performance.now() - Math.max(rows, last) > 300) done(Math.max(rows, last));
                else requestAnimationFrame(look);
              };
              look();
            })
            """;

    private static final String SCRIPTS = """
            () => performance.getEntriesByType('resource')
              .filter((r) => r.name.endsWith('.js')).reduce((sum, r) => sum + r.encodedBodySize, 0)
            """;

    private PageBench() {}

    static void run() throws IOException {
        try (Running navlo = Running.start("demo");
                Screen screen = new Screen()) {
            Page page = screen.mira(navlo.address());
            String view = page.url();
            double[] millis = new double[RUNS];
            double scripts = 0;
            for (int i = -2; i < RUNS; i++) {
                page.navigate("about:blank");
                CDPSession session = page.context().newCDPSession(page);
                session.send("Network.clearBrowserCache");
                page.navigate(view);
                double interactive = ((Number) page.evaluate(INTERACTIVE)).doubleValue();
                if (i >= 0) {
                    millis[i] = interactive;
                }
                scripts = ((Number) page.evaluate(SCRIPTS)).doubleValue();
            }
            Figures.print(
                    "first load of Work, interactive, median of " + RUNS, new Figures(millis).median(), "at most 1200");
            System.out.printf(
                    Locale.ROOT,
                    "%-58s %9.1f kB   (asked: at most 250)%n",
                    "compressed script of the Work view",
                    scripts / 1000);
        }
    }
}

package app.navlo.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;

/** 2,000 pieces of work: the longest task while the table scrolls from end to end, and while it is narrowed. */
final class TableBench {
    private static final int WORKS = 2000;

    private static final String WATCH = """
            () => {
              window.longest = 0;
              new PerformanceObserver((list) => {
                for (const task of list.getEntries()) window.longest = Math.max(window.longest, task.duration);
              }).observe({ type: 'longtask' });
            }
            """;

    private static final String SCROLL = """
            () => new Promise((done) => {
              const table = document.querySelector('[role=grid]');
              const end = table.scrollHeight - table.clientHeight;
              let at = 0;
              const step = () => {
                at += 900;
                table.scrollTop = at;
                if (at < end) requestAnimationFrame(step);
                else setTimeout(done, 300);
              };
              step();
            })
            """;

    private TableBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo");
                Screen screen = new Screen()) {
            new Client(navlo.address()).fillTo(WORKS);
            Page page = screen.mira(navlo.address());
            page.waitForTimeout(1500);
            page.evaluate(WATCH);
            page.evaluate(SCROLL);
            Figures.print(
                    "2,000 works, longest task while scrolling", longest(page), "at most 100; under 50 is counted 0");
            page.evaluate("() => { window.longest = 0; }");
            for (String key : "filler 17".split("")) {
                page.getByLabel("Narrow by text").press(key.equals(" ") ? "Space" : key);
                page.waitForTimeout(60);
            }
            page.waitForTimeout(500);
            Figures.print(
                    "2,000 works, longest task while narrowing", longest(page), "at most 100; under 50 is counted 0");
        }
    }

    private static double longest(Page page) {
        return ((Number) page.evaluate("window.longest")).doubleValue();
    }
}

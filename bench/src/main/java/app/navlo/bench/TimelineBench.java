package app.navlo.bench;

import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import java.io.IOException;

/** Dragging through time with eight courses and 600 pieces of work: the longest task, and how long a frame takes. */
final class TimelineBench {
    private static final int COURSES = 8;
    private static final int PIECES = 600;
    private static final int DRAGS = 6;
    private static final int STEPS = 40;
    private static final int FAR = 700;

    /** From here on every task of more than 50 ms is kept, and every frame. */
    private static final String WATCH = """
            () => {
              window.tasks = [];
              window.frames = [];
              new PerformanceObserver((list) => {
                for (const task of list.getEntries()) window.tasks.push(task.duration);
              }).observe({ type: 'longtask' });
              let last = performance.now();
              const frame = (now) => {
                window.frames.push(now - last);
                last = now;
                requestAnimationFrame(frame);
              };
              requestAnimationFrame(frame);
            }
            """;

    private TimelineBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo");
                Screen screen = new Screen()) {
            Page page = screen.mira(navlo.address());
            new Client(navlo.address()).fillTerm(COURSES, PIECES);
            for (int days : new int[] {5, 16, 45}) {
                measure(page, days);
            }
        }
    }

    private static void measure(Page page, int days) {
        page.navigate(page.url().replaceFirst("/s/1/.*", "/s/1/timeline?at=2026-11-02&days=" + days));
        page.locator("[data-bar]").first().waitFor();
        page.waitForTimeout(2500);
        page.evaluate(WATCH);
        for (int drag = 0; drag < DRAGS; drag++) {
            boolean back = drag % 2 == 1;
            page.mouse().move(back ? 400 : 400 + FAR, 500);
            page.mouse().down();
            page.mouse().move(back ? 400 + FAR : 400, 500, new Mouse.MoveOptions().setSteps(STEPS));
            page.mouse().up();
        }
        page.waitForTimeout(600);
        double longest = ((Number) page.evaluate("() => Math.max(0, ...window.tasks)")).doubleValue();
        int many = ((Number) page.evaluate("() => window.tasks.length")).intValue();
        double[] frames = ((java.util.List<?>) page.evaluate("() => window.frames"))
                .stream().mapToDouble(one -> ((Number) one).doubleValue()).toArray();
        String what = PIECES + " pieces, " + days + " days on screen: ";
        Figures.print(what + "longest task while dragging (0: none over 50)", longest, "none over 50");
        System.out.println("    tasks over 50 ms: " + many + " in " + DRAGS + " drags");
        Figures.print(what + "a frame, 95th percentile", new Figures(frames).percentile(95), "as short as can be");
    }
}

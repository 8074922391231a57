package app.navlo.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;

/**
 * A mentor of many students, each with a term of 150 pieces: the list of them just after the start and warm, over HTTP, and until
 * it is seen in a browser.
 */
final class MentorBench {
    private static final long STUDENTS = 300;
    private static final int WORKS = 150;
    private static final int RUNS = 100;
    private static final int LOOKS = 9;

    /** Since the page was asked for, until rows of students stand and are painted. */
    private static final String SHOWN = """
            () => new Promise((done) => {
              const look = () => document.querySelector('[data-student]')
                ? requestAnimationFrame(() => setTimeout(() => done(performance.now())))
                : requestAnimationFrame(look);
              look();
            })
            """;

    private static final String LIST = "/api/household";

    private MentorBench() {}

    static void run(Options options) throws IOException, InterruptedException {
        long students = options.whole("students", STUDENTS);
        byte[] term = term(WORKS);
        try (Running navlo = Running.start("start")) {
            Client first = Client.joining(navlo.address(), "Student 1", "");
            first.take(term);
            Client mentor = Client.joining(navlo.address(), "The Mentor", first.inviteGuardian());
            for (int i = 2; i <= students; i++) {
                Client student = Client.joining(navlo.address(), "Student " + i, "");
                student.take(term);
                mentor.post("/api/invitations/" + student.inviteGuardian() + "/acceptance", "");
            }
            long began = System.nanoTime();
            mentor.get(LIST);
            Figures.print(students + " students, never asked before", (System.nanoTime() - began) / 1e6, "-");
            double[] millis = new double[RUNS];
            for (int i = 0; i < RUNS; i++) {
                began = System.nanoTime();
                mentor.get(LIST);
                millis[i] = (System.nanoTime() - began) / 1e6;
            }
            Figures figures = new Figures(millis);
            Figures.print(students + " students over HTTP, median of " + RUNS, figures.median(), "-");
            Figures.print(students + " students over HTTP, p95", figures.percentile(95), "at most 300");
            seen(navlo.address());
        }
    }

    private static void seen(String address) {
        try (Screen screen = new Screen()) {
            Page page = screen.signedIn(address, "the.mentor@example.org", Client.PASSWORD);
            double[] millis = new double[LOOKS];
            for (int i = -1; i < LOOKS; i++) {
                page.navigate(address + "/household");
                double shown = ((Number) page.evaluate(SHOWN)).doubleValue();
                if (i >= 0) {
                    millis[i] = shown;
                }
            }
            Figures.print(
                    "until the rows are painted, median of " + LOOKS, new Figures(millis).median(), "at most 1000");
        }
    }

    /** The term of the demo with as much work as is wanted, as an archive. */
    static byte[] term(int works) throws IOException, InterruptedException {
        try (Running demo = Running.start("demo")) {
            Client mira = new Client(demo.address());
            mira.fillTo(works);
            return mira.archive();
        }
    }
}

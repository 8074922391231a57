package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A college of ten thousand students with a term of 160 pieces each, in one file and a small heap: how long it takes to start, what a
 * student's first look costs just after, how many look at once, and the list of a mentor of three hundred.
 */
final class CollegeBench {
    private static final long STUDENTS = 10_000;
    private static final long ENTRUSTED = 300;
    private static final int WORKS = 160;
    private static final int AT_ONCE = 100;
    /** With the turn of a minute in it, at which what is kept for a minute is made anew. */
    private static final int SECONDS = 60;
    /** What was just started is compiled while it answers, and that takes more than the answers. */
    private static final int WARM_UP = 90;

    private static final int LOOKS = 100;
    private static final String HEAP = "512";
    private static final double MEGABYTE = 1e6;
    private static final List<String> PATHS = List.of("/board", "/next");

    private CollegeBench() {}

    /** {@code --students N --seed S --clients N --seconds N --warm-up N --heap MEGABYTES}. */
    static void run(Options options) throws Exception {
        long students = options.whole("students", STUDENTS);
        int clients = (int) Math.min(students / 4, options.whole("clients", AT_ONCE));
        Map<String, String> heap = Map.of("JAVA_TOOL_OPTIONS", "-Xmx" + options.text("heap", HEAP) + "m");
        Path data = Files.createTempDirectory("navlo-college");
        long apart = made(data, students, options.whole("seed", 1));
        try (Running navlo = Running.on(data, heap, "start")) {
            Figures.print("start", navlo.startMillis(), "at most 6000");
            first(navlo, students, apart);
            List<Client> all = signedIn(navlo, students, apart, clients);
            long seconds = options.whole("seconds", SECONDS);
            atOnce(all, seconds, "just started");
            LoadBench.readers(all, PATHS, options.whole("warm-up", WARM_UP), new LoadBench.Tally());
            atOnce(all, seconds, "later");
            mentor(navlo);
        }
    }

    /** @return how far the numbers of one student lie from those of the next */
    private static long made(Path data, long students, long seed) throws Exception {
        long began = System.nanoTime();
        byte[] term = MentorBench.term(WORKS);
        long guardian;
        try (Running navlo = Running.on(data, "start")) {
            Client.joining(navlo.address(), "Student 1", "").take(term);
            navlo.stop();
        }
        Path database = data.resolve("navlo");
        long apart;
        try (College college = opened(data)) {
            apart = college.grow(students, seed);
            System.out.printf(
                    Locale.ROOT,
                    "%d students, %d pieces, %d facts: made in %.0f s%n",
                    students,
                    college.number("SELECT COUNT(*) FROM work"),
                    college.number("SELECT COUNT(*) FROM fact"),
                    (System.nanoTime() - began) / 1e9);
        }
        try (Running navlo = Running.on(data, "start")) {
            guardian = Client.joining(navlo.address(), "The Mentor", "").id();
            navlo.stop();
        }
        try (College college = opened(data)) {
            college.entrust(guardian, Math.min(students, ENTRUSTED), apart);
        }
        System.out.printf(Locale.ROOT, "the file: %.0f MB%n", Files.size(Path.of(database + ".mv.db")) / MEGABYTE);
        return apart;
    }

    /** What was written beside Navlo doesn't bear its seal. */
    private static College opened(Path data) throws Exception {
        Files.deleteIfExists(data.resolve("navlo.seal"));
        return new College(data.resolve("navlo"));
    }

    /** One student after another who was never asked for since the start. */
    private static void first(Running navlo, long students, long apart) throws Exception {
        for (String path : PATHS) {
            double[] millis = new double[LOOKS];
            for (int i = 0; i < LOOKS; i++) {
                Client student = signedIn(navlo, 1 + (path.equals("/board") ? i : students / 2 + i) % students, apart);
                long began = System.nanoTime();
                student.get(student.own(path));
                millis[i] = (System.nanoTime() - began) / 1e6;
            }
            Figures figures = new Figures(millis);
            Figures.print("a student's first " + path + " after the start, median", figures.median(), "-");
            Figures.print("... p95", figures.percentile(95), path.equals("/board") ? "at most 40" : "-");
        }
    }

    private static Client signedIn(Running navlo, long student, long apart) throws IOException, InterruptedException {
        return Client.again(navlo.address(), College.email(student), College.id(student, apart));
    }

    private static List<Client> signedIn(Running navlo, long students, long apart, int clients)
            throws IOException, InterruptedException {
        List<Client> all = new ArrayList<>();
        for (int i = 0; i < clients; i++) {
            all.add(signedIn(navlo, 1 + students / 4 + i, apart));
        }
        return all;
    }

    private static void atOnce(List<Client> all, long seconds, String when) throws Exception {
        for (String path : PATHS) {
            LoadBench.Tally tally = new LoadBench.Tally();
            LoadBench.readers(all, List.of(path), seconds, tally);
            tally.print(all.size() + " students at once on " + path + ", " + when);
        }
    }

    private static void mentor(Running navlo) throws Exception {
        Client mentor = Client.again(navlo.address(), FaultsBench.email("The Mentor"), 0);
        double[] millis = new double[LOOKS];
        for (int i = -1; i < LOOKS; i++) {
            long began = System.nanoTime();
            mentor.get("/api/household");
            double took = (System.nanoTime() - began) / 1e6;
            if (i < 0) {
                Figures.print("a mentor of " + ENTRUSTED + ", first look", took, "-");
            } else {
                millis[i] = took;
            }
        }
        Figures.print("... p95 of the next", new Figures(millis).percentile(95), "at most 300");
    }
}

package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A night: the clock of a demo with many students goes on by fourteen hours, and every link of theirs is asked at the simulated school,
 * which returned work meanwhile; how long that takes, what memory, and how long students wait who look at their boards then.
 */
final class NightBench {
    private static final long STUDENTS = 1_000;
    private static final int LOOKING = 5;
    private static final long PAUSE = 1_000;
    private static final long PART = 10;
    private static final int MOST_PARTS = 720;
    private static final int HOURS = 14;
    private static final String HEAP = "512";
    private static final String MIRAS_PASSWORD = "garden-gate-24";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private NightBench() {}

    /** {@code --students N --seed S --clients N --heap MEGABYTES}. */
    static void run(Options options) throws Exception {
        long students = options.whole("students", STUDENTS);
        Path data = Files.createTempDirectory("navlo-night");
        Running.on(data, "demo").stop();
        Files.deleteIfExists(data.resolve("navlo-demo.seal"));
        long apart;
        long links;
        try (College college = new College(data.resolve("navlo-demo"))) {
            college.only();
            apart = college.grow(students, options.whole("seed", 1));
            links = college.number("SELECT COUNT(*) FROM link WHERE next_ask_at IS NOT NULL");
        }
        Map<String, String> heap = Map.of("JAVA_TOOL_OPTIONS", "-Xmx" + options.text("heap", HEAP) + "m");
        try (Running navlo = Running.on(data, heap, "demo", "--keep")) {
            List<Client> looking = new ArrayList<>();
            for (int i = 0; i < options.whole("clients", LOOKING); i++) {
                looking.add(signedIn(navlo, 2 + i, apart));
            }
            Client last = signedIn(navlo, students, apart);
            LoadBench.Pace pace = new LoadBench.Pace(PART, PAUSE);
            LoadBench.readers(looking, List.of("/board"), new LoadBench.Pace(3 * PART, 0), new LoadBench.Tally());
            LoadBench.Tally before = new LoadBench.Tally();
            LoadBench.readers(looking, List.of("/board"), pace, before);
            before.print(looking.size() + " who look once a second, before");
            night(navlo, looking, last, links, pace);
        }
        FaultsBench.delete(data);
    }

    private static void night(Running navlo, List<Client> looking, Client last, long links, LoadBench.Pace pace)
            throws Exception {
        TreeSet<String> asked = asked(last);
        LoadBench.Tally meanwhile = new LoadBench.Tally();
        new Client(navlo.address()).post("/api/demo/clock", "{\"minutes\":" + HOURS * 60 + "}");
        long began = System.nanoTime();
        long most = navlo.megabytes();
        for (int part = 0; part < MOST_PARTS && asked(last).stream().anyMatch(asked::contains); part++) {
            LoadBench.readers(looking, List.of("/board"), pace, meanwhile);
            most = Math.max(most, navlo.megabytes());
        }
        System.out.printf(
                Locale.ROOT,
                "%d links asked after %d hours: %.0f s, at most %d MB in memory%n",
                links,
                HOURS,
                (System.nanoTime() - began) / 1e9,
                most);
        meanwhile.print(looking.size() + " who look once a second, meanwhile");
    }

    private static Client signedIn(Running navlo, long student, long apart) throws IOException, InterruptedException {
        return Client.again(navlo.address(), College.email(student), MIRAS_PASSWORD, College.id(student, apart));
    }

    /** When each link of a student that is asked by itself was asked last. */
    private static TreeSet<String> asked(Client student) throws IOException, InterruptedException {
        TreeSet<String> asked = new TreeSet<>();
        for (JsonNode link : JSON.readTree(student.read(student.own("/links"))).findParents("askedAt")) {
            if (!link.get("nextAskAt").isNull()) {
                asked.add(link.get("id") + " " + link.get("askedAt"));
            }
        }
        return asked;
    }
}

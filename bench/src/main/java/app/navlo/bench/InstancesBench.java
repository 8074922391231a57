package app.navlo.bench;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * One instance, then several, on one PostgreSQL behind a proxy that sends each connection to the next: how many answers a second, and
 * what becomes of them while one of the instances is killed. All of it on one machine, so that clients, proxy, database and
 * instances share its cores.
 */
final class InstancesBench {
    private static final int INSTANCES = 2;
    private static final int CLIENTS = 20;
    private static final int SECONDS = 15;
    private static final int COURSES = 6;
    private static final int PIECES = 160;
    private static final List<String> PATHS = List.of("/board", "/next");

    private InstancesBench() {}

    /** {@code --instances N --clients N --seconds N}. */
    static void run(Options options) throws Exception {
        int most = (int) options.whole("instances", INSTANCES);
        int clients = (int) options.whole("clients", CLIENTS);
        long seconds = options.whole("seconds", SECONDS);
        OwnPostgres postgres = new OwnPostgres();
        List<Running> all = new ArrayList<>();
        try {
            Map<String, String> shared = Map.of(
                    "NAVLO_DB", postgres.url(),
                    "NAVLO_DB_USER", "navlo",
                    "NAVLO_KEY", Base64.getEncoder().encodeToString(new byte[32]));
            for (int i = 0; i < most; i++) {
                all.add(Running.on(Files.createTempDirectory("navlo-instance"), shared, "start"));
            }
            Client ida = Client.first(all.get(0).address());
            ida.fillTerm(COURSES, PIECES);
            for (int many : IntStream.of(1, most).distinct().toArray()) {
                measure(all.subList(0, many), many + (many == 1 ? " instance" : " instances"), clients, seconds);
            }
            if (most > 1) {
                killed(all, clients, seconds);
            }
        } finally {
            all.forEach(Running::close);
            postgres.stop();
        }
    }

    private static void measure(List<Running> instances, String name, int clients, long seconds) throws Exception {
        try (RoundRobin proxy =
                new RoundRobin(instances.stream().map(Running::port).toList())) {
            Client ida = new Client(proxy.address(), "ida@example.org", "a-long-password");
            for (String path : PATHS) {
                LoadBench.Tally alone = new LoadBench.Tally();
                LoadBench.load(ida, Collections.nCopies(clients, List.of(path)), 0, LoadBench.Pace.of(seconds), alone);
                alone.print(name + ", " + clients + " connections on " + path);
            }
            LoadBench.Tally mixed = new LoadBench.Tally();
            LoadBench.load(ida, Collections.nCopies(clients, PATHS), 2, LoadBench.Pace.of(seconds), mixed);
            mixed.print(name + ", both, and two who write");
        }
    }

    /** Connections to it break, and the next ones go to the others: what is refused is what was on its way. */
    private static void killed(List<Running> instances, int clients, long seconds) throws Exception {
        try (RoundRobin proxy =
                new RoundRobin(instances.stream().map(Running::port).toList())) {
            Client ida = new Client(proxy.address(), "ida@example.org", "a-long-password");
            Thread killing = new Thread(() -> {
                try {
                    Thread.sleep(seconds * 500);
                } catch (InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                }
                instances.get(instances.size() - 1).close();
            });
            killing.start();
            LoadBench.Tally tally = new LoadBench.Tally();
            LoadBench.load(ida, Collections.nCopies(clients, List.of("/board")), 2, LoadBench.Pace.of(seconds), tally);
            killing.join();
            tally.print("one of " + instances.size() + " is killed half-way, on /board");
        }
    }
}

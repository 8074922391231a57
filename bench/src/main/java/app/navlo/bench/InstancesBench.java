package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * One instance, then several, on the same data (in one PostgreSQL, or in a file that one more process has open) behind a proxy that
 * sends each connection to the next: how many answers a second, and what becomes of them while one of the instances is killed. All of
 * it on one machine, so that clients, proxy, database and instances share its cores.
 */
final class InstancesBench {
    private static final int INSTANCES = 2;
    private static final int CLIENTS = 20;
    private static final int SECONDS = 15;
    private static final int COURSES = 6;
    private static final int PIECES = 160;
    private static final List<String> PATHS = List.of("/board", "/next");

    private InstancesBench() {}

    /** Data that nothing is in. @param environment by which an instance finds them */
    private record Shared(Map<String, String> environment, AutoCloseable end) {
        static Shared of(String kind) throws IOException, InterruptedException {
            Map<String, String> key = Map.of("NAVLO_KEY", Base64.getEncoder().encodeToString(new byte[32]));
            Map<String, String> environment = new HashMap<>(key);
            switch (kind) {
                case "postgres" -> {
                    OwnPostgres postgres = new OwnPostgres();
                    environment.put("NAVLO_DB", postgres.url());
                    environment.put("NAVLO_DB_USER", "navlo");
                    return new Shared(environment, postgres::stop);
                }
                case "served" -> {
                    Running database = Running.on(Files.createTempDirectory("navlo-database"), key, "database");
                    environment.put("NAVLO_DB", "jdbc:h2:tcp://localhost:" + database.port() + "/navlo");
                    return new Shared(environment, database);
                }
                default -> throw new IllegalArgumentException("--data is postgres or served, not " + kind);
            }
        }
    }

    /** {@code --data postgres|served --instances N --clients N --seconds N}. */
    static void run(Options options) throws Exception {
        int most = (int) options.whole("instances", INSTANCES);
        int clients = (int) options.whole("clients", CLIENTS);
        long seconds = options.whole("seconds", SECONDS);
        Shared data = Shared.of(options.text("data", "postgres"));
        List<Running> all = new ArrayList<>();
        try {
            for (int i = 0; i < most; i++) {
                all.add(Running.on(Files.createTempDirectory("navlo-instance"), data.environment(), "start"));
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
            data.end().close();
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

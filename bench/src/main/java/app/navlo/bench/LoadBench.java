package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/**
 * Many browsers at once on the demo: each path alone, then a mix of them with some who write. Printed are answers a second, how long
 * they took, and what was refused.
 */
final class LoadBench {
    private static final int CLIENTS = 50;
    private static final int WRITERS = 5;
    private static final int SECONDS = 20;
    private static final int PARTS = 5;
    private static final String HEAP = "512";
    private static final String NOTE = "Under load";
    private static final List<String> PATHS = List.of("/board", "/next", "/works/57");

    private LoadBench() {}

    /** {@code --clients N --writers N --seconds N --mixed SECONDS --parts N --pause MILLISECONDS --heap MEGABYTES}. */
    static void run(Options options) throws Exception {
        int clients = (int) options.whole("clients", CLIENTS);
        int writers = (int) options.whole("writers", WRITERS);
        long seconds = options.whole("seconds", SECONDS);
        Map<String, String> heap = Map.of("JAVA_TOOL_OPTIONS", "-Xmx" + options.text("heap", HEAP) + "m");
        try (Running navlo = Running.on(Files.createTempDirectory("navlo-bench"), heap, "demo")) {
            Client mira = new Client(navlo.address());
            for (String path : PATHS) {
                Tally alone = new Tally();
                load(mira, Collections.nCopies(clients, List.of(path)), 0, Pace.of(seconds), alone);
                alone.print(clients + " connections on " + path);
            }
            System.out.println(clients + " connections on all of them, " + writers + " who write:");
            int parts = (int) options.whole("parts", PARTS);
            long each = Math.max(1, options.whole("mixed", seconds) / parts);
            mixed(navlo, new Crowd(mira, clients, writers), parts, new Pace(each, options.whole("pause", 0)));
        }
    }

    /** @param first whose session all have, each over a connection of its own */
    private record Crowd(Client first, int readers, int writers) {}

    /**
     * For how long everybody goes on.
     *
     * @param pause milliseconds that each waits after an answer
     */
    record Pace(long seconds, long pause) {
        static Pace of(long seconds) {
            return new Pace(seconds, 0);
        }
    }

    /** In parts, so that it is seen whether it stays as it is; then what was confirmed is counted. */
    private static void mixed(Running navlo, Crowd crowd, int parts, Pace pace) throws Exception {
        long written = 0;
        for (int part = 1; part <= parts; part++) {
            Tally tally = new Tally();
            load(crowd.first(), Collections.nCopies(crowd.readers(), PATHS), crowd.writers(), pace, tally);
            tally.print("part " + part + " of " + parts + ", " + navlo.megabytes() + " MB in memory");
            written += tally.writes.size();
        }
        Client first = crowd.first();
        long there = first.read(first.own("/notes")).split(NOTE, -1).length - 1L;
        System.out.println("notes that were confirmed: " + written + ", that are there: " + there);
    }

    /** What came of it. */
    static final class Tally {
        private final List<Double> reads = Collections.synchronizedList(new ArrayList<>());
        private final List<Double> writes = Collections.synchronizedList(new ArrayList<>());
        private final Map<String, Integer> refused = Collections.synchronizedMap(new TreeMap<>());
        private double seconds;

        void print(String what) {
            System.out.printf(Locale.ROOT, "%-52s %s%n", what, words(reads));
            if (!writes.isEmpty()) {
                System.out.printf(Locale.ROOT, "%-52s %s%n", "... written meanwhile", words(writes));
            }
            if (!refused.isEmpty()) {
                System.out.printf(Locale.ROOT, "%-52s %s%n", "... refused", refused);
            }
        }

        private String words(List<Double> millis) {
            Figures figures =
                    new Figures(millis.stream().mapToDouble(Double::doubleValue).toArray());
            return String.format(
                    Locale.ROOT,
                    "%7.1f a second, median %7.1f ms, p95 %7.1f, p99 %7.1f",
                    millis.size() / seconds,
                    figures.median(),
                    figures.percentile(95),
                    figures.percentile(99));
        }
    }

    /** @param first whose session all have, each over a connection of its own */
    static void load(Client first, List<List<String>> readers, int writers, Pace pace, Tally tally) throws Exception {
        for (List<String> paths : readers.stream().distinct().toList()) {
            for (String path : paths) {
                first.get(first.own(path));
            }
        }
        List<Asking> all = new ArrayList<>();
        readers.forEach(paths -> all.add(new Asking(first.again(), paths)));
        for (int i = 0; i < writers; i++) {
            all.add(new Asking(first.again(), List.of()));
        }
        load(all, pace, tally);
    }

    /** Different people, each of whom asks for what is their own. */
    static void readers(List<Client> people, List<String> paths, long seconds, Tally tally) throws Exception {
        readers(people, paths, Pace.of(seconds), tally);
    }

    static void readers(List<Client> people, List<String> paths, Pace pace, Tally tally) throws Exception {
        load(people.stream().map(one -> new Asking(one, paths)).toList(), pace, tally);
    }

    /** @param paths in turn; none for somebody who writes */
    private record Asking(Client client, List<String> paths) {}

    private static void load(List<Asking> all, Pace pace, Tally tally) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(all.size());
        long began = System.nanoTime();
        long until = began + TimeUnit.SECONDS.toNanos(pace.seconds());
        List<Future<?>> ended = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Asking one = all.get(i);
            long later = pace.pause() * i / all.size();
            ended.add(threads.submit(() -> ask(one, new Turns(later, pace.pause(), until), tally)));
        }
        for (Future<?> one : ended) {
            one.get();
        }
        tally.seconds += (System.nanoTime() - began) / 1e9;
        threads.shutdown();
    }

    /**
     * When somebody asks.
     *
     * @param later milliseconds before the first time, so that not all come together
     * @param pause milliseconds after each answer
     * @param until the end, by the running time of this process in nanoseconds
     */
    private record Turns(long later, long pause, long until) {}

    private static void ask(Asking one, Turns turns, Tally tally) {
        try {
            Thread.sleep(turns.later());
            for (int i = 0; System.nanoTime() < turns.until(); i++) {
                ask(one, i, tally);
                Thread.sleep(turns.pause());
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    private static void ask(Asking one, int i, Tally tally) throws InterruptedException {
        Client client = one.client();
        boolean writes = one.paths().isEmpty();
        long began = System.nanoTime();
        try {
            if (writes) {
                client.post(client.own("/courses/1/notes"), "{\"tag\":null,\"body\":\"" + NOTE + "\"}");
            } else {
                client.get(client.own(one.paths().get(i % one.paths().size())));
            }
            (writes ? tally.writes : tally.reads).add((System.nanoTime() - began) / 1e6);
        } catch (IOException answered) {
            tally.refused.merge(String.valueOf(answered.getMessage()).split(" ")[0], 1, Integer::sum);
        }
    }
}

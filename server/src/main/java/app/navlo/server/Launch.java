package app.navlo.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.util.FileSystemUtils;

/**
 * How the server was asked to start.
 *
 * @param demo with the made-up college
 * @param keep keep the demo's data of the last run
 * @param data the folder of the database
 * @param host to listen on: localhost for this machine alone, 0.0.0.0 for the network that it is in
 * @param opsPort for health and metrics, on this machine alone; below 0 for none
 * @param still let the demo's clock stand still
 * @param shared where the data are that several instances share; null for a file of their own in the folder, as a demo's always are
 */
record Launch(
        boolean demo,
        boolean keep,
        Path data,
        String host,
        int port,
        int opsPort,
        boolean still,
        @Nullable Shared shared) {
    /** Names the file of a demo that was filled when Navlo was built; filling it takes a while. */
    private static final String FILLED_DEMO = "navlo.demo.filled";

    /** As {@code application.yaml} has it. */
    static final String USER = "navlo";

    private static final int DEFAULT_PORT = 8080;

    /** @throws IllegalArgumentException with a line for the person who typed it */
    static Launch of(List<String> args) {
        return of(args, System.getenv());
    }

    /** @param environment of the process */
    static Launch of(List<String> args, Map<String, String> environment) {
        Deque<String> left = new ArrayDeque<>(args);
        String verb = left.isEmpty() ? "" : left.pop();
        if (!verb.equals("demo") && !verb.equals("start")) {
            throw new IllegalArgumentException("say 'demo' or 'start', not '" + verb + "'");
        }
        boolean demo = verb.equals("demo");
        boolean keep = false;
        boolean still = false;
        Path data = Path.of("data");
        String host = environment.getOrDefault("NAVLO_HOST", "localhost");
        int port = DEFAULT_PORT;
        int opsPort = -1;
        while (!left.isEmpty()) {
            String option = left.pop();
            switch (option) {
                case "--keep" -> keep = true;
                case "--still" -> still = true;
                case "--data" -> data = Path.of(value(option, left));
                case "--host" -> host = value(option, left);
                case "--port" -> port = port(option, value(option, left));
                case "--ops-port" -> opsPort = port(option, value(option, left));
                default ->
                    throw new IllegalArgumentException("there is no option '" + option
                            + "'; there are --host H, --port N, --ops-port N, --data DIR and, for demo, --keep");
            }
        }
        Shared shared = demo ? null : Shared.of(environment).orElse(null);
        return new Launch(demo, keep, data, host, port, opsPort, still, shared);
    }

    private static String value(String option, Deque<String> left) {
        if (left.isEmpty()) {
            throw new IllegalArgumentException(option + " wants a value after it");
        }
        return left.pop();
    }

    private static int port(String option, String text) {
        if (!text.matches("\\d{1,5}") || Integer.parseInt(text) > 65_535) {
            throw new IllegalArgumentException(option + " wants a number from 0 to 65535, not '" + text + "'");
        }
        return Integer.parseInt(text);
    }

    /** The stores of the simulated schools, which are systems of their own. */
    private List<Path> schools() {
        return Stream.of("school-demo", "lower-school-demo")
                .map(name -> data.toAbsolutePath().normalize().resolve(name))
                .toList();
    }

    private static String schoolUrl(Path school) {
        return "jdbc:h2:file:" + school + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE";
    }

    /** Of the data of this name: a demo that starts anew takes the one along with which it was filled. */
    Path key() {
        return Path.of(database() + ".key");
    }

    /** In which all data are. */
    Path file() {
        return Path.of(database() + ".mv.db");
    }

    /** The file without its ending. */
    Path database() {
        return data.toAbsolutePath().normalize().resolve(demo ? "navlo-demo" : "navlo");
    }

    /**
     * Brings the data up to date. A demo that isn't kept starts anew: from a copy of one that was filled before, where there
     * is one.
     */
    void prepare() throws IOException {
        Files.createDirectories(data);
        closeToOthers();
        System.setProperty("java.io.tmpdir", uploads().toString());
        if (shared != null) {
            Shared.claim(data);
            shared.fits();
            emptyUploads();
            return;
        }
        if (!demo || keep) {
            seal().claim();
            migrate();
            emptyUploads();
            return;
        }
        seal().claimAnew();
        emptyUploads();
        Path file = file();
        Files.deleteIfExists(Path.of(database() + ".trace.db"));
        Files.deleteIfExists(file);
        for (Path school : schools()) {
            Files.deleteIfExists(Path.of(school + ".mv.db"));
        }
        Path filled = Path.of(System.getProperty(FILLED_DEMO, ""));
        if (Files.isRegularFile(filled)) {
            Files.copy(filled, file);
            Files.copy(
                    Path.of(filled.toString().replace(".mv.db", ".key")), key(), StandardCopyOption.REPLACE_EXISTING);
        } else {
            migrate();
        }
    }

    /** Where what comes lies until it is stored; beside the data, so that it fits where they do. */
    private Path uploads() {
        return data.toAbsolutePath().normalize().resolve("uploads");
    }

    /** A server that was killed left behind what was on its way. Called once it is sure that no other is running. */
    private void emptyUploads() throws IOException {
        FileSystemUtils.deleteRecursively(uploads());
        Files.createDirectories(uploads());
    }

    /** What is in the folder is for who runs Navlo alone. */
    private void closeToOthers() throws IOException {
        if (!data.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            return;
        }
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        try (Stream<Path> files = Files.list(data)) {
            for (Path file : files.filter(one -> one.getFileName().toString().startsWith("navlo"))
                    .filter(Files::isRegularFile)
                    .toList()) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
        }
    }

    private void migrate() throws IOException {
        new Upgrade(file(), Launch::url).bring();
    }

    Seal seal() {
        return new Seal(file());
    }

    /** Every commit reaches the file before it is answered: WRITE_DELAY=0. */
    String url() {
        return url(database());
    }

    /** @param database its file, without the ending */
    static String url(Path database) {
        return "jdbc:h2:file:" + database
                + ";WRITE_DELAY=0;QUERY_CACHE_SIZE=100;LOCK_TIMEOUT=20000;DB_CLOSE_ON_EXIT=FALSE";
    }

    Map<String, Object> properties() {
        Map<String, Object> properties = new HashMap<>();
        properties.put("server.address", host);
        properties.put("server.port", port);
        if (shared == null) {
            properties.put("spring.datasource.url", url());
        } else {
            properties.putAll(shared.properties());
        }
        properties.put("navlo.ops.port", opsPort);
        properties.put("navlo.key-file", key().toString());
        properties.put("navlo.ops.data", data.toString());
        properties.put("navlo.demo", demo);
        properties.put("navlo.demo.mail-page", port == 0 ? 0 : port + 1);
        properties.put("navlo.demo.calendars", port == 0 ? 0 : port + 2);
        properties.put("navlo.demo.school", port == 0 ? 0 : port + 3);
        properties.put("navlo.demo.school-store", schoolUrl(schools().get(0)));
        properties.put("navlo.demo.lower-school-store", schoolUrl(schools().get(1)));
        properties.put("navlo.demo.clock", still ? "still" : "running");
        return properties;
    }
}

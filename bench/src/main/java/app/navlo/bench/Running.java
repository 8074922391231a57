package app.navlo.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** A Navlo of its own, started as {@code ./navlo} starts it. */
final class Running implements AutoCloseable {
    private static final Path APP = Path.of(".navlo", "app");
    private static final int KILOBYTES = 1024;

    private final Process process;
    private final int port;
    private final double startMillis;

    private Running(Process process, int port, double startMillis) {
        this.process = process;
        this.port = port;
        this.startMillis = startMillis;
    }

    /** That it ended before it was ready. */
    static final class Refused extends IOException {
        private static final long serialVersionUID = 1;

        private Refused(String said) {
            super(said);
        }
    }

    static Running start(String... verb) throws IOException {
        return on(Files.createTempDirectory("navlo-bench"), verb);
    }

    /** @throws Refused with all that it said, if it ends before it is ready */
    static Running on(Path data, String... verb) throws IOException {
        return on(data, Map.of(), verb);
    }

    /** @param environment beside that of every bench */
    static Running on(Path data, Map<String, String> environment, String... verb) throws IOException {
        long began = System.nanoTime();
        Process process = begun(data, environment, verb);
        StringBuilder said = new StringBuilder();
        BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            said.append(line).append('\n');
            if (line.contains("Navlo is ready") || line.contains("The data are ready")) {
                double millis = (System.nanoTime() - began) / 1e6;
                readOn(lines);
                return new Running(process, Integer.parseInt(line.replaceAll(".*//localhost:(\\d+).*", "$1")), millis);
            }
        }
        throw new Refused(said.toString());
    }

    /** A Navlo that nobody waits for. */
    static Process begun(Path data, String... verb) throws IOException {
        return begun(data, Map.of(), verb);
    }

    private static Process begun(Path data, Map<String, String> environment, String... verb) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:SharedArchiveFile=" + APP.resolve("navlo.jsa"),
                "-XX:+UseSerialGC",
                "-Xlog:cds=off",
                "-Xlog:cds+dynamic=off",
                "-Dspring.aot.enabled=true",
                "-Dnavlo.demo.filled=" + APP.resolve("demo.mv.db"),
                "-jar",
                APP.resolve("navlo.jar").toString()));
        command.addAll(Arrays.asList(verb));
        command.addAll(List.of("--port", "0", "--data", data.toString()));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("NAVLO_FIRST_CODE", "BENCH");
        builder.environment().put("NAVLO_SIGN_UP", "open");
        builder.environment().putAll(environment);
        return builder.start();
    }

    /** What nobody reads fills the pipe, and then the server waits. */
    private static void readOn(BufferedReader lines) {
        Thread reader = new Thread(() -> {
            try (lines) {
                while (lines.readLine() != null) {
                    // Nothing is done with it.
                }
            } catch (IOException ended) {
                // The server was ended.
            }
        });
        reader.setDaemon(true);
        reader.start();
    }

    String address() {
        return "http://localhost:" + port;
    }

    int port() {
        return port;
    }

    /** What it has in memory, by the system's own word; 0 where that has no {@code /proc}. */
    long megabytes() throws IOException {
        Path status = Path.of("/proc", Long.toString(process.pid()), "status");
        if (!Files.exists(status)) {
            return 0;
        }
        return Files.readAllLines(status).stream()
                .filter(line -> line.startsWith("VmRSS:"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / KILOBYTES)
                .sum();
    }

    double startMillis() {
        return startMillis;
    }

    /** As it is stopped by hand: it may tidy up. */
    void stop() {
        process.destroy();
        process.onExit().join();
    }

    /** Waits until it has ended by itself. */
    void ended() {
        process.onExit().join();
    }

    @Override
    public void close() {
        process.destroyForcibly();
        process.onExit().join();
    }
}

package app.navlo.server;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A server in a process of its own, on a folder of its own; its port is free. */
final class OtherProcess implements AutoCloseable {
    private final Process process;
    private final int port;
    private final StringBuilder seen = new StringBuilder();

    /** One that is about to be. */
    interface Starting {
        OtherProcess start() throws Exception;
    }

    /** @param verb with its options: demo, start or database */
    OtherProcess(Path data, String... verb) throws IOException {
        this(data, Map.of(), verb);
    }

    /** @param environment beside that of this process */
    OtherProcess(Path data, Map<String, String> environment, String... verb) throws IOException {
        this(data, environment, 0, verb);
    }

    /** @param wanted the port; 0 for any that is free */
    OtherProcess(Path data, Map<String, String> environment, int wanted, String... verb) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Dnavlo.demo.cohort=false",
                "-cp",
                System.getProperty("java.class.path"),
                "app.navlo.server.NavloApplication"));
        command.addAll(List.of(verb));
        command.addAll(List.of("--port", String.valueOf(wanted), "--data", data.toString()));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().putAll(environment);
        process = builder.start();
        BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        port = readyPort(lines);
    }

    private int readyPort(BufferedReader lines) throws IOException {
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            seen.append(line).append('\n');
            if (line.startsWith("Navlo is ready") || line.startsWith("The data are ready")) {
                return Integer.parseInt(line.replaceAll(".*//localhost:(\\d+).*", "$1"));
            }
        }
        throw new IllegalStateException("the server ended before it was ready:\n" + seen);
    }

    /** What it said until it was ready. */
    String said() {
        return seen.toString();
    }

    int port() {
        return port;
    }

    TestClient mira() {
        return TestClient.signedIn(port, TestSettings.MIRA, TestSettings.MIRAS_PASSWORD);
    }

    /** As a service is stopped. */
    void stop() {
        process.destroy();
        process.onExit().join();
    }

    /** As {@code kill -9} does: no time to tidy up. */
    void kill() {
        process.destroyForcibly();
        process.onExit().join();
    }

    @Override
    public void close() {
        kill();
    }
}

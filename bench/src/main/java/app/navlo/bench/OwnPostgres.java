package app.navlo.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Debian's PostgreSQL on a folder of its own, with all it promises of what was committed. */
final class OwnPostgres {
    private static final Path INSTALLED = Path.of("/usr/lib/postgresql");
    private static final String SERVANT = "postgres";

    private final Path programs;
    private final Path folder;
    private final int port;

    OwnPostgres() throws IOException, InterruptedException {
        if (!Files.isDirectory(INSTALLED)) {
            throw new IOException("no PostgreSQL is installed (on Debian, as root: apt-get install postgresql)");
        }
        try (Stream<Path> versions = Files.list(INSTALLED)) {
            programs = versions.max(Comparator.naturalOrder()).orElseThrow().resolve("bin");
        }
        folder = Files.createTempDirectory("navlo-bench-postgres");
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        if (isRoot()) {
            run(List.of("chown", SERVANT, folder.toString()));
        }
        String data = folder.resolve("data").toString();
        asServant("initdb", "-D", data, "-A", "trust", "-U", "navlo", "--locale=C", "-E", "UTF8");
        String options = "-p " + port + " -k " + folder + " -c listen_addresses=localhost";
        asServant("pg_ctl", "-D", data, "-w", "-l", folder.resolve("log").toString(), "-o", options, "start");
    }

    String url() {
        return "jdbc:postgresql://localhost:" + port + "/postgres";
    }

    void stop() throws IOException, InterruptedException {
        asServant("pg_ctl", "-D", folder.resolve("data").toString(), "-m", "fast", "stop");
        if (isRoot()) {
            run(List.of("rm", "-rf", folder.toString()));
        }
    }

    private static boolean isRoot() {
        return System.getProperty("user.name").equals("root");
    }

    private void asServant(String program, String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(isRoot() ? List.of("runuser", "-u", SERVANT, "--") : List.of());
        command.add(programs.resolve(program).toString());
        command.addAll(List.of(arguments));
        run(command);
    }

    private static void run(List<String> command) throws IOException, InterruptedException {
        int ended = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start()
                .waitFor();
        if (ended != 0) {
            throw new IOException(String.join(" ", command) + " ended with " + ended);
        }
    }
}

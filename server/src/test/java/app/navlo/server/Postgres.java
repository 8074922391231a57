package app.navlo.server;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;

/** A PostgreSQL of Debian's, started on a folder of its own for who tests with it. */
final class Postgres implements AutoCloseable {
    private static final Path INSTALLED = Path.of("/usr/lib/postgresql");

    /** Who never may be the one that all of a machine belongs to. */
    private static final String SERVANT = "postgres";

    private static final boolean IS_ROOT = System.getProperty("user.name").equals("root");

    private static final long PATIENCE = 60;

    private final Path programs;
    private final Path folder;
    private final int port;

    Postgres() throws IOException, InterruptedException {
        programs =
                programs().orElseThrow(() -> new IllegalStateException("no PostgreSQL is installed in " + INSTALLED));
        folder = Files.createTempDirectory("navlo-postgres");
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        if (IS_ROOT) {
            run("chown", "-R", SERVANT, folder.toString());
        }
        asServant("initdb", "-D", data(), "-A", "trust", "-U", "navlo", "--locale=C", "-E", "UTF8");
        asServant(
                "pg_ctl",
                "-D",
                data(),
                "-w",
                "-l",
                folder.resolve("log").toString(),
                "-o",
                "-p " + port + " -k " + folder + " -c fsync=off -c listen_addresses=localhost",
                "start");
    }

    static boolean isInstalled() throws IOException {
        return programs().isPresent();
    }

    private static Optional<Path> programs() throws IOException {
        if (!Files.isDirectory(INSTALLED)) {
            return Optional.empty();
        }
        try (Stream<Path> versions = Files.list(INSTALLED)) {
            return versions.map(one -> one.resolve("bin"))
                    .filter(bin -> Files.isExecutable(bin.resolve("initdb")))
                    .max(Comparator.naturalOrder());
        }
    }

    /** Where it is, as {@link OnOtherData} wants it. */
    String where() {
        return "localhost:" + port;
    }

    private String data() {
        return folder.resolve("data").toString();
    }

    private void asServant(String program, String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>();
        if (IS_ROOT) {
            command.addAll(List.of("runuser", "-u", SERVANT, "--"));
        }
        command.add(programs.resolve(program).toString());
        command.addAll(List.of(arguments));
        run(command.toArray(String[]::new));
    }

    private void run(String... command) throws IOException, InterruptedException {
        Path said = Files.createTempFile("navlo-postgres", ".log");
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        if (!process.waitFor(PATIENCE, TimeUnit.SECONDS) || process.exitValue() != 0) {
            throw new IllegalStateException(String.join(" ", command) + ":\n" + Files.readString(said));
        }
        Files.delete(said);
    }

    @Override
    public void close() {
        try {
            asServant("pg_ctl", "-D", data(), "-m", "immediate", "stop");
            FileSystemUtils.deleteRecursively(folder);
        } catch (IOException | InterruptedException left) {
            throw new IllegalStateException("a PostgreSQL was left running in " + folder, left);
        }
    }
}

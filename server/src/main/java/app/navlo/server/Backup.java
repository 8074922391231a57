package app.navlo.server;

import app.navlo.server.store.Copies;
import app.navlo.server.store.CopyCheck;
import app.navlo.server.time.ServerClock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * A copy of all data as one file, read back before it counts as one, and the way back from it. While Navlo runs, it makes the copy
 * itself: it is asked by a file in its folder, which nobody else can write to.
 */
final class Backup {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);
    private static final long A_WHILE = Duration.ofMillis(200).toNanos();

    private final Duration patience;

    /** @param patience for a Navlo that runs */
    Backup(Duration patience) {
        this.patience = patience;
    }

    /** @throws IllegalArgumentException with a line for the person who typed it */
    private record Call(Path file, Launch launch) {
        static Call of(String verb, List<String> args) {
            if (args.isEmpty() || args.get(0).startsWith("--")) {
                throw new IllegalArgumentException("say which file: ./navlo " + verb + " FILE [--data DIR]");
            }
            List<String> start = new ArrayList<>(List.of("start"));
            start.addAll(args.subList(1, args.size()));
            Launch launch = Launch.of(start);
            if (launch.shared() != null) {
                throw new IllegalArgumentException(
                        launch.shared().isPostgres()
                                ? "the data are in the PostgreSQL that NAVLO_DB names: copies of it are made there, with pg_dump"
                                : "the data are where ./navlo database runs: say so there, without NAVLO_DB and with --data");
            }
            return new Call(Path.of(args.get(0)).toAbsolutePath(), launch);
        }
    }

    /** @return what was done, in a line */
    String backup(List<String> args) throws IOException {
        Call call = Call.of("backup", args);
        if (Files.exists(call.file())) {
            throw new IllegalArgumentException(call.file() + " is there already; give another name");
        }
        if (!Files.isRegularFile(call.launch().file())) {
            throw new IllegalArgumentException("there is no data in that folder; choose another with --data");
        }
        Path part = Path.of(call.file() + ".part");
        Seal seal = call.launch().seal();
        boolean free = seal.isClosed();
        if (free) {
            seal.claim();
        }
        try {
            if (free) {
                new Copies(open(call.launch())).write(part);
            } else {
                Files.copy(asked(call.launch()), part, StandardCopyOption.REPLACE_EXISTING);
            }
            CopyCheck.Held held = CopyCheck.look(part, Launch.USER);
            Files.move(part, call.file());
            return call.file() + " holds " + words(held) + ", read back whole"
                    + (held.damaged() == 0 ? "" : " but for " + held.damaged() + " files that were damaged before")
                    + ". Keep " + call.launch().key() + " apart from it: it opens the keys of links.";
        } finally {
            Files.deleteIfExists(part);
            if (free) {
                seal.put();
            }
        }
    }

    /** What was there stays beside it under another name. @return what was done, in a line */
    String restore(List<String> args) throws IOException {
        Call call = Call.of("restore", args);
        if (!Files.isRegularFile(call.file())) {
            throw new IllegalArgumentException("there is no " + call.file());
        }
        CopyCheck.Held held = CopyCheck.look(call.file(), Launch.USER);
        Path data = call.launch().file();
        String kept = "";
        Files.createDirectories(data.getParent());
        Path part = Path.of(data + ".part");
        CopyCheck.unpack(call.file(), part);
        if (Files.exists(data)) {
            if (!isReadable(call.launch())) {
                Files.deleteIfExists(part);
                throw new IllegalArgumentException("a Navlo uses this data; stop it first");
            }
            Path before = Path.of(data.toString()
                    .replace(
                            ".mv.db",
                            "-before-" + STAMP.format(ServerClock.ofMachine().instant()) + ".mv.db"));
            Files.move(data, before);
            kept = " What was there is " + before + ".";
        }
        call.launch().seal().claimAnew();
        Files.move(part, data);
        call.launch().seal().put();
        return data + " is back from " + call.file() + ": " + words(held) + "." + kept;
    }

    private static String words(CopyCheck.Held held) {
        return held.people() + " people, " + held.works() + " pieces of work and " + held.files() + " files";
    }

    private static JdbcClient open(Launch launch) {
        return JdbcClient.create(new DriverManagerDataSource(launch.url() + ";IFEXISTS=TRUE", Launch.USER, ""));
    }

    /** Damaged data can't be opened either, and may be put aside all the same. */
    private static boolean isReadable(Launch launch) {
        try {
            return isFree(launch);
        } catch (DataAccessException damaged) {
            return true;
        }
    }

    private static boolean isFree(Launch launch) {
        try {
            new Copies(open(launch)).canBeMade();
            return true;
        } catch (DataAccessException failed) {
            if (Failures.inUse(failed)) {
                return false;
            }
            throw failed;
        }
    }

    /** Has the running Navlo make a copy. @return where it is */
    private Path asked(Launch launch) throws IOException {
        Path folder = launch.file().resolveSibling("copies");
        Path wanted = folder.resolve("wanted");
        Path made = folder.resolve("made");
        Files.createDirectories(folder);
        Files.deleteIfExists(made);
        Files.writeString(wanted, "");
        long until = System.nanoTime() + patience.toNanos();
        while (!Files.exists(made)) {
            if (System.nanoTime() > until) {
                Files.deleteIfExists(wanted);
                throw new IOException(
                        "the Navlo that uses this data made no copy; look into its log, or stop it first");
            }
            LockSupport.parkNanos(A_WHILE);
        }
        Path copy = folder.resolve(Files.readString(made).strip());
        Files.delete(made);
        return copy;
    }
}

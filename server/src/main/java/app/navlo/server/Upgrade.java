package app.navlo.server;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.function.Function;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.jspecify.annotations.Nullable;
import org.slf4j.LoggerFactory;

/**
 * Brings stored data up to the schema of this version, whole or not at all: on a copy, which takes their place once it is done. H2
 * has no transaction around what changes tables, so what is cut off in the middle could neither go on nor be taken back.
 */
final class Upgrade {
    private static final String DATA = ".mv.db";

    private final Path data;
    private final Function<Path, String> url;

    /**
     * @param data the file of the database
     * @param url by which a database is opened, from its path without an ending
     */
    Upgrade(Path data, Function<Path, String> url) {
        this.data = data;
        this.url = url;
    }

    /**
     * Closes the data again, before the server opens them: H2 checks what a row may hold by the connection that made its table, and
     * takes no more rows once that one is closed.
     *
     * @throws IllegalArgumentException in words, if another Navlo is at the same
     */
    void bring() throws IOException {
        bring(null);
    }

    /** It would tell where the data are, and that can be what opens them. The server's own settings of the log aren't read yet. */
    static void quiet() {
        ((Logger) LoggerFactory.getLogger("org.flywaydb")).setLevel(Level.ERROR);
    }

    /** @param target the last migration; null for all */
    void bring(@Nullable String target) throws IOException {
        quiet();
        Path alone = sibling(".upgrading");
        try (FileChannel channel = FileChannel.open(alone, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = lock(channel)) {
            if (lock == null) {
                throw new IllegalArgumentException(
                        "another Navlo is starting on this data; wait for it, or choose another folder with --data");
            }
            Path next = sibling("-next" + DATA);
            Files.deleteIfExists(next);
            if (!Files.isRegularFile(data)) {
                migrate(next, target);
            } else if (isToDo(target)) {
                room();
                Files.copy(data, next, StandardCopyOption.COPY_ATTRIBUTES);
                migrate(next, target);
            } else {
                return;
            }
            Files.move(next, data, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** @throws Seal.DamagedData where there is a file of data and nothing is left in it: an empty Navlo would begin in its place */
    private boolean isToDo(@Nullable String target) throws IOException {
        MigrationInfoService info = flyway(data, target).info();
        MigrationInfo current = info.current();
        if (current == null) {
            throw Seal.DamagedData.empty(data);
        }
        if (current.getState() == MigrationState.FUTURE_SUCCESS) {
            throw new IllegalArgumentException(
                    "the data in " + data.getParent() + " were written by a newer Navlo than this one; start"
                            + " that one, or go back to a copy of before: ./navlo restore FILE [--data DIR]");
        }
        return info.pending().length > 0;
    }

    private void migrate(Path next, @Nullable String target) throws IOException {
        flyway(next, target).migrate();
        try (FileChannel written = FileChannel.open(next, StandardOpenOption.WRITE)) {
            written.force(true);
        }
    }

    private void room() throws IOException {
        long wanted = Files.size(data) + Files.size(data) / 2;
        if (Files.getFileStore(data).getUsableSpace() < wanted) {
            throw new IllegalArgumentException(
                    "the data are brought up to date on a copy, and there is no room for one: make " + (wanted >> 20)
                            + " MB free beside " + data);
        }
    }

    private Flyway flyway(Path file, @Nullable String target) {
        FluentConfiguration configuration = Flyway.configure()
                .dataSource(url.apply(Path.of(file.toString().replace(DATA, ""))), Launch.USER, "")
                .locations("classpath:db/migration");
        return (target == null ? configuration : configuration.target(target)).load();
    }

    private Path sibling(String ending) {
        return Path.of(data.toString().replace(DATA, ending));
    }

    private static @Nullable FileLock lock(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException here) {
            return null;
        }
    }
}

package app.navlo.server;

import app.navlo.server.store.InPostgres;
import app.navlo.server.store.Keyring;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * Where data are that one instance or several beside each other share: in a PostgreSQL, or in the file that a {@link Database} has
 * open.
 *
 * @param url as JDBC has it, without who signs in
 * @param user null for who the address names
 * @param password null for none
 */
record Shared(String url, @Nullable String user, @Nullable String password) {
    private static final String ADDRESS = "NAVLO_DB";
    private static final String KEY = "NAVLO_KEY";
    private static final String PREFIX = "jdbc:postgresql://";
    private static final String SERVED = "jdbc:h2:tcp://";

    /** As {@link Database} says it; what the data are called there is made from the key. */
    private static final Pattern OF_A_FILE = Pattern.compile("(" + SERVED + "[^/;?\\s]+)(?:/navlo)?");

    /** Connections are made anew now and then, as a database on another machine and what lies between want it. */
    private static final long CONNECTION_MILLIS = 30 * 60_000L;

    /** Whoever asks is told that the data don't answer, rather than kept waiting. */
    private static final long PATIENCE_MILLIS = 10_000;

    /** Held as long as this process runs. */
    @SuppressWarnings("unused")
    private static @Nullable FileChannel claimed;

    /**
     * What the environment says.
     *
     * @throws IllegalArgumentException in words for who runs Navlo
     */
    static Optional<Shared> of(Map<String, String> environment) {
        String address = environment.getOrDefault(ADDRESS, "").strip();
        if (address.isEmpty()) {
            return Optional.empty();
        }
        Matcher file = OF_A_FILE.matcher(address);
        if (!address.startsWith(PREFIX) && !file.matches()) {
            throw new IllegalArgumentException(ADDRESS + " wants the address of a PostgreSQL, like " + PREFIX
                    + "db.school.example/navlo, with NAVLO_DB_USER and NAVLO_DB_PASSWORD beside it, or the one that"
                    + " ./navlo database said, like " + SERVED + "localhost:9092/navlo");
        }
        if (environment.getOrDefault(KEY, "").isBlank()) {
            throw new IllegalArgumentException("with " + ADDRESS + " each instance needs the same key: set " + KEY
                    + " to 32 bytes in Base64, as 'openssl rand -base64 32' makes them, and keep it");
        }
        return Optional.of(
                file.matches()
                        ? served(file.group(1), environment.get(KEY))
                        : new Shared(address, environment.get("NAVLO_DB_USER"), environment.get("NAVLO_DB_PASSWORD")));
    }

    /** A lock is waited for as long as in a file of one's own; the rest is set by who has it open. */
    private static Shared served(String address, String key) {
        return new Shared(address + "/" + Database.name(Keyring.of(key, "")) + ";LOCK_TIMEOUT=20000", Launch.USER, "");
    }

    /**
     * What comes lies in the folder until it is stored, so that each instance has one of its own.
     *
     * @throws IllegalArgumentException if another instance on this machine has it
     */
    static void claim(Path data) throws IOException {
        FileChannel channel =
                FileChannel.open(data.resolve("instance.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                claimed = channel;
                return;
            }
        } catch (OverlappingFileLockException here) {
            // Told below, as of another process.
        }
        channel.close();
        throw new IllegalArgumentException(
                "another Navlo uses this folder for what is on its way; give each instance its own with --data");
    }

    /** For who looks at the data without starting Navlo. */
    DataSource data() {
        return isPostgres() ? InPostgres.at(url, user, password) : new DriverManagerDataSource(url, Launch.USER, "");
    }

    /** Whether {@code ./navlo move} can bring data there; else they are in a file already. */
    boolean isPostgres() {
        return url.startsWith(PREFIX);
    }

    /**
     * A PostgreSQL is brought up to date by whoever comes first. What is served isn't: its tables are those of the Navlo that serves it.
     *
     * @throws IllegalArgumentException in words, if they are others than this one's
     */
    void fits() {
        if (isPostgres()) {
            return;
        }
        Upgrade.quiet();
        MigrationInfoService info = Flyway.configure()
                .dataSource(url, Launch.USER, "")
                .locations("classpath:db/migration")
                .load()
                .info();
        MigrationInfo current = info.current();
        if (current == null || current.getState() == MigrationState.FUTURE_SUCCESS || info.pending().length > 0) {
            throw new IllegalArgumentException(
                    "the data that " + ADDRESS + " names are served by another version of Navlo:"
                            + " stop all instances, start ./navlo database and them with the same one");
        }
    }

    Map<String, Object> properties() {
        Map<String, Object> properties = new HashMap<>();
        properties.put("spring.datasource.url", url);
        properties.put("spring.datasource.username", Objects.requireNonNullElse(user, ""));
        properties.put("spring.datasource.password", Objects.requireNonNullElse(password, ""));
        properties.put("spring.datasource.hikari.connection-timeout", PATIENCE_MILLIS);
        properties.put("spring.datasource.hikari.max-lifetime", CONNECTION_MILLIS);
        properties.put("spring.flyway.locations", isPostgres() ? "classpath:db/postgresql" : "classpath:db/migration");
        // Data of a newer Navlo are refused, rather than written to.
        properties.put("spring.flyway.ignore-migration-patterns", "");
        return properties;
    }
}

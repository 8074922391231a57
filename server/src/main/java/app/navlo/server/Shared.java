package app.navlo.server;

import app.navlo.server.store.InPostgres;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;

/**
 * A PostgreSQL in which the data are, for one instance or several beside each other.
 *
 * @param url as JDBC has it, without who signs in
 * @param user null for who the address names
 * @param password null for none
 */
record Shared(String url, @Nullable String user, @Nullable String password) {
    private static final String ADDRESS = "NAVLO_DB";
    private static final String KEY = "NAVLO_KEY";
    private static final String PREFIX = "jdbc:postgresql://";

    /** Connections are made anew now and then, as a database on another machine and what lies between want it. */
    private static final long CONNECTION_MILLIS = 30 * 60_000L;

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
        if (!address.startsWith(PREFIX)) {
            throw new IllegalArgumentException(ADDRESS + " wants the address of a PostgreSQL, like " + PREFIX
                    + "db.school.example/navlo, with NAVLO_DB_USER and NAVLO_DB_PASSWORD beside it");
        }
        if (environment.getOrDefault(KEY, "").isBlank()) {
            throw new IllegalArgumentException("with " + ADDRESS + " each instance needs the same key: set " + KEY
                    + " to 32 bytes in Base64, as 'openssl rand -base64 32' makes them, and keep it");
        }
        return Optional.of(new Shared(address, environment.get("NAVLO_DB_USER"), environment.get("NAVLO_DB_PASSWORD")));
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
        return InPostgres.at(url, user, password);
    }

    Map<String, Object> properties() {
        Map<String, Object> properties = new HashMap<>();
        properties.put("spring.datasource.url", url);
        properties.put("spring.datasource.username", Objects.requireNonNullElse(user, ""));
        properties.put("spring.datasource.password", Objects.requireNonNullElse(password, ""));
        properties.put("spring.datasource.hikari.max-lifetime", CONNECTION_MILLIS);
        properties.put("spring.flyway.locations", "classpath:db/postgresql");
        // Data of a newer Navlo are refused, rather than written to.
        properties.put("spring.flyway.ignore-migration-patterns", "");
        return properties;
    }
}

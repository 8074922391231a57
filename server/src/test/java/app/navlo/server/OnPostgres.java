package app.navlo.server;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.MapPropertySource;
import org.testng.SkipException;

/**
 * Runs the same tests on PostgreSQL: where {@code -Dnavlo.test.postgres=localhost:5432} names one, each context gets a database of
 * its own there instead of one in memory. Whoever signs in there may make databases, and needs no password. With {@code own} one of
 * Debian's is started for them.
 */
public final class OnPostgres implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    private static final String WHERE = System.getProperty("navlo.test.postgres", "");
    private static final String OWN = "own";

    private static @Nullable Postgres started;
    private static final String USER = "navlo";

    static boolean isOn() {
        return !WHERE.isEmpty();
    }

    /** For tests of what only the file database has. */
    static void skip() {
        if (isOn()) {
            throw new SkipException("of the file database alone");
        }
    }

    private static synchronized String where() {
        if (!WHERE.equals(OWN)) {
            return WHERE;
        }
        if (started == null) {
            try {
                Postgres own = new Postgres();
                Runtime.getRuntime().addShutdownHook(new Thread(own::close));
                started = own;
            } catch (IOException | InterruptedException failed) {
                throw new IllegalStateException(failed);
            }
        }
        return started.where();
    }

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        if (isOn()) {
            context.getEnvironment()
                    .getPropertySources()
                    .addFirst(new MapPropertySource(
                            "postgres",
                            Map.of(
                                    "spring.datasource.url",
                                    made(),
                                    "spring.datasource.username",
                                    USER,
                                    "spring.flyway.locations",
                                    "classpath:db/postgresql")));
        }
    }

    /** @return the address of a database that nothing is in */
    static String made() {
        String name = "navlo_" + UUID.randomUUID().toString().replace("-", "");
        String server = "jdbc:postgresql://" + where() + "/";
        try (Connection connection = DriverManager.getConnection(server + "postgres", USER, "");
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE DATABASE " + name);
        } catch (SQLException unreachable) {
            throw new IllegalStateException("no PostgreSQL makes databases at " + WHERE, unreachable);
        }
        return server + name;
    }
}

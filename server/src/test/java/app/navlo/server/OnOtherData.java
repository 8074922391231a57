package app.navlo.server;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.UUID;
import org.h2.tools.Server;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.MapPropertySource;
import org.testng.SkipException;

/**
 * Runs the same tests on other data than those in memory: each context gets a database of its own. With
 * {@code -Dnavlo.test.data=postgres} in a PostgreSQL of Debian's that is started for them, with {@code postgres:localhost:5432} in
 * one that is there, where whoever signs in may make databases and needs no password; with {@code served} behind a server of H2, so
 * that every statement, row and file goes over the net.
 */
public final class OnOtherData implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    private static final String DATA = System.getProperty("navlo.test.data", "");
    private static final String POSTGRES = "postgres";
    private static final String SERVED = "served";
    private static final String USER = "navlo";

    private static @Nullable Postgres started;
    private static @Nullable Server server;

    static boolean isOn() {
        return !DATA.isEmpty();
    }

    /** For tests of what only the file database has. */
    static void skip() {
        if (isOn()) {
            throw new SkipException("of the file database alone");
        }
    }

    private static synchronized String postgres() {
        if (!DATA.equals(POSTGRES)) {
            return DATA.substring(POSTGRES.length() + 1);
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

    private static synchronized String served() {
        if (server == null) {
            try {
                server = Server.createTcpServer("-tcpPort", "0", "-tcpDaemon", "-ifNotExists")
                        .start();
            } catch (SQLException failed) {
                throw new IllegalStateException(failed);
            }
        }
        return "jdbc:h2:tcp://localhost:" + server.getPort() + "/mem:" + UUID.randomUUID()
                + ";DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=20000";
    }

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        if (isOn()) {
            context.getEnvironment()
                    .getPropertySources()
                    .addFirst(new MapPropertySource(
                            "other data",
                            DATA.equals(SERVED)
                                    ? Map.of("spring.datasource.url", served())
                                    : Map.of(
                                            "spring.datasource.url",
                                            made(),
                                            "spring.datasource.username",
                                            USER,
                                            "spring.flyway.locations",
                                            "classpath:db/postgresql")));
        }
    }

    /** @return the address of a database that nothing is in */
    private static String made() {
        String name = "navlo_" + UUID.randomUUID().toString().replace("-", "");
        String where = "jdbc:postgresql://" + postgres() + "/";
        try (Connection connection = DriverManager.getConnection(where + "postgres", USER, "");
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE DATABASE " + name);
        } catch (SQLException unreachable) {
            throw new IllegalStateException("no PostgreSQL makes databases at " + where, unreachable);
        }
        return where + name;
    }
}

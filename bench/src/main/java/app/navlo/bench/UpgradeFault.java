package app.navlo.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;

/** An old store, and what brings it up to date killed half-way. */
final class UpgradeFault {
    private static final int PEOPLE = 50;
    private static final int LONGEST_MILLIS = 2_500;
    private static final String STORE = "navlo.mv.db";
    private static final String OLD_VERSION = "11";
    private static final Path MIGRATIONS = Path.of("server", "src", "main", "resources", "db", "migration");

    private final int rounds;
    private final Random random;

    UpgradeFault(int rounds, Random random) {
        this.rounds = rounds;
        this.random = random;
    }

    void run() throws Exception {
        Path old = Files.createTempDirectory("navlo-bench").resolve("old");
        Flyway.configure()
                .dataSource("jdbc:h2:file:" + old, "navlo", "")
                .locations("filesystem:" + MIGRATIONS)
                .target(OLD_VERSION)
                .load()
                .migrate();
        for (int person = 1; person <= PEOPLE; person++) {
            Stored.sql(old, """
                    INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                    VALUES ('p%1$d@example.org', 'p%1$d@example.org', 'x', 'P', 'STUDENT', 'UTC', '2026-09-07 08:00:00+00')
                    """.formatted(person));
        }
        Map<String, Integer> outcomes = new TreeMap<>();
        for (int round = 0; round < rounds; round++) {
            Path data = Files.createTempDirectory("navlo-bench");
            Files.copy(Path.of(old + ".mv.db"), data.resolve(STORE));
            Process killed = Running.begun(data, "start");
            TimeUnit.MILLISECONDS.sleep(random.nextInt(LONGEST_MILLIS));
            killed.destroyForcibly().onExit().join();
            outcomes.merge(upgradedAfterAll(data), 1, Integer::sum);
            FaultsBench.delete(data);
        }
        FaultsBench.say("an upgrade from version " + OLD_VERSION + " killed half-way", outcomes.toString());
    }

    private static String upgradedAfterAll(Path data) throws SQLException {
        try (Running navlo = Running.on(data, "start")) {
            navlo.stop();
        } catch (IOException refused) {
            return "BROKEN";
        }
        long people = Stored.number(data.resolve("navlo"), "SELECT COUNT(*) FROM person");
        return people == PEOPLE ? "starts the next time, all there" : "starts the next time, NOT ALL THERE";
    }
}

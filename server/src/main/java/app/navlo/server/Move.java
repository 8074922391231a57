package app.navlo.server;

import app.navlo.server.store.AllRows;
import java.io.IOException;
import java.nio.file.Files;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * Brings the data of one Navlo from its file to the PostgreSQL that {@code NAVLO_DB} names, where several instances can share them. The
 * file stays as it is.
 */
final class Move {
    private final Map<String, String> environment;

    /** @param environment of the process */
    Move(Map<String, String> environment) {
        this.environment = environment;
    }

    /**
     * @return what was done, in a line or two
     * @throws IllegalArgumentException with a line for the person who typed it
     */
    String move(List<String> args) throws IOException, SQLException {
        Launch launch = ofFile(args);
        Shared shared = Shared.of(environment)
                .orElseThrow(
                        () -> new IllegalArgumentException(
                                "say where to: set NAVLO_DB, like"
                                        + " jdbc:postgresql://db.school.example/navlo, with NAVLO_DB_USER, NAVLO_DB_PASSWORD and NAVLO_KEY"));
        if (!shared.isPostgres()) {
            throw new IllegalArgumentException(
                    "the data that NAVLO_DB names are in a file already: NAVLO_DB wants a PostgreSQL to move to");
        }
        if (!Files.isRegularFile(launch.file())) {
            throw new IllegalArgumentException("there is no data in that folder; choose another with --data");
        }
        sameKey(launch);
        Seal seal = launch.seal();
        seal.claim();
        try {
            new Upgrade(launch.file(), Launch::url).bring();
            DataSource there = shared.data();
            tables(shared);
            if (AllRows.isInUse(there)) {
                throw new IllegalArgumentException("there are people in " + shared.url()
                        + " already; name a database that nothing is in. Nothing was changed");
            }
            AllRows.Brought brought =
                    AllRows.bring(new DriverManagerDataSource(launch.url() + ";IFEXISTS=TRUE", Launch.USER, ""), there);
            return brought.people() + " people, " + brought.works() + " pieces of work and " + brought.files()
                    + " files are in " + shared.url() + " now, " + brought.rows() + " rows in all.\n" + launch.file()
                    + " stays as it is, and nothing more is written to it by a Navlo that has NAVLO_DB.";
        } finally {
            seal.put();
        }
    }

    /** The folder alone matters: where the data go to is no file. */
    private Launch ofFile(List<String> args) {
        List<String> start = new ArrayList<>(List.of("start"));
        start.addAll(args);
        Map<String, String> without = new HashMap<>(environment);
        without.remove("NAVLO_DB");
        return Launch.of(start, without);
    }

    /** With another key, no link could be opened any more. */
    private void sameKey(Launch launch) throws IOException {
        if (Files.isRegularFile(launch.key())
                && !Files.readString(launch.key())
                        .strip()
                        .equals(environment.getOrDefault("NAVLO_KEY", "").strip())) {
            throw new IllegalArgumentException(
                    "NAVLO_KEY has to be the key of these data, or their links can't be opened any"
                            + " more: NAVLO_KEY=$(cat " + launch.key() + ")");
        }
    }

    private static void tables(Shared shared) {
        Flyway.configure()
                .dataSource(shared.url(), shared.user(), shared.password())
                .locations("classpath:db/postgresql")
                .load()
                .migrate();
    }
}

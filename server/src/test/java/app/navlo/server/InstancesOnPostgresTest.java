package app.navlo.server;

import java.util.Map;
import org.testng.SkipException;

/** Two instances whose data are in a PostgreSQL. */
public class InstancesOnPostgresTest extends Instances {
    private Postgres postgres;

    @Override
    Map<String, String> data() throws Exception {
        if (!Postgres.isInstalled()) {
            throw new SkipException("no PostgreSQL is installed");
        }
        postgres = new Postgres();
        return Map.of(
                "NAVLO_DB",
                "jdbc:postgresql://" + postgres.where() + "/postgres",
                "NAVLO_DB_USER",
                "navlo",
                "NAVLO_KEY",
                KEY);
    }

    @Override
    void endOfData() {
        if (postgres != null) {
            postgres.close();
        }
    }
}

package app.navlo.server;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.springframework.util.FileSystemUtils;

/** Two instances whose data are in a file that a third process has open for them. */
public class InstancesOnDatabaseTest extends Instances {
    private Path folder;
    private OtherProcess database;

    @Override
    Map<String, String> data() throws Exception {
        folder = Files.createTempDirectory("navlo-database");
        database = new OtherProcess(folder, Map.of("NAVLO_KEY", KEY), "database");
        return Map.of("NAVLO_DB", "jdbc:h2:tcp://localhost:" + database.port() + "/navlo", "NAVLO_KEY", KEY);
    }

    @Override
    void endOfData() throws Exception {
        if (database != null) {
            database.close();
            FileSystemUtils.deleteRecursively(folder);
        }
    }
}

package app.navlo.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Data of a Navlo that doesn't run, by themselves. */
final class Stored {
    private Stored() {}

    static void sql(Path database, String sql) throws SQLException {
        try (Connection db = DriverManager.getConnection("jdbc:h2:file:" + database, "navlo", "");
                Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    static long number(Path database, String sql) throws SQLException {
        try (Connection db = DriverManager.getConnection("jdbc:h2:file:" + database, "navlo", "");
                Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }
}

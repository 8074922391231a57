package app.navlo.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.springframework.util.FileSystemUtils;

/** Reads a copy of the data back, whole: what can't be read now can't be brought back later. */
public final class CopyCheck {
    private static final String DATA = ".mv.db";

    private CopyCheck() {}

    /**
     * What a copy holds.
     *
     * @param damaged how many files in it aren't what was stored
     */
    public record Held(int people, int works, int files, int damaged) {}

    /** @throws IOException in words, if it can't be read or can't be opened */
    public static Held look(Path zip, String user) throws IOException {
        Path folder = java.nio.file.Files.createTempDirectory("navlo-check");
        try {
            unpack(zip, folder.resolve("copy" + DATA));
            return read("jdbc:h2:file:" + folder.resolve("copy") + ";ACCESS_MODE_DATA=r;IFEXISTS=TRUE", user);
        } catch (SQLException broken) {
            throw new IOException(zip + " is no copy that can be brought back: the data in it can't be read", broken);
        } finally {
            FileSystemUtils.deleteRecursively(folder);
        }
    }

    /** Takes the data out of a copy. @throws IOException in words, if it is none */
    public static void unpack(Path zip, Path into) throws IOException {
        try (ZipFile file = new ZipFile(zip.toFile())) {
            List<? extends ZipEntry> data = Collections.list(file.entries()).stream()
                    .filter(entry -> entry.getName().endsWith(DATA))
                    .toList();
            if (data.size() != 1) {
                throw new IOException(zip + " is no copy of Navlo's data");
            }
            try (InputStream in = file.getInputStream(data.get(0))) {
                java.nio.file.Files.copy(in, into, StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (ZipException broken) {
            throw new IOException(zip + " is no copy of Navlo's data, or only the first part of one", broken);
        }
    }

    private static Held read(String url, String user) throws SQLException, IOException {
        try (Connection db = DriverManager.getConnection(url, user, "");
                Statement statement = db.createStatement()) {
            int files = 0;
            int damaged = 0;
            try (ResultSet rows =
                    statement.executeQuery("SELECT sha256, content FROM stored_file WHERE content IS NOT NULL")) {
                while (rows.next()) {
                    files++;
                    damaged += isWhole(rows) ? 0 : 1;
                }
            }
            return new Held(count(statement, "person"), count(statement, "work"), files, damaged);
        }
    }

    private static boolean isWhole(ResultSet row) throws SQLException, IOException {
        try (InputStream in = row.getBinaryStream("content")) {
            return Sha256.of(in).equals(row.getString("sha256"));
        }
    }

    private static int count(Statement statement, String table) throws SQLException {
        try (ResultSet rows = statement.executeQuery("SELECT COUNT(*) FROM " + table)) {
            rows.next();
            return rows.getInt(1);
        }
    }
}

package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;

/**
 * A file with its name, kept once by what is in it.
 *
 * @param name only ever a name, never a path
 * @param sha256 of its content, 64 hexadecimal digits
 */
public record StoredFile(String name, String mediaType, long size, String sha256) {
    /** Of the columns of its own names. */
    static StoredFile of(ResultSet row) throws SQLException {
        return new StoredFile(
                row.getString("name"), row.getString("media_type"), row.getLong("size"), row.getString("sha256"));
    }
}

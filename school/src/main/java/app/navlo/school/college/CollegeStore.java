package app.navlo.school.college;

import java.io.Closeable;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What the school keeps: the deeds, the files that were handed in, and what it answered to which request. */
final class CollegeStore implements Closeable {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String TABLES = """
            CREATE TABLE IF NOT EXISTS deed (
                id   BIGINT PRIMARY KEY,
                at   TIMESTAMP(9) WITH TIME ZONE NOT NULL,
                kind VARCHAR(30)   NOT NULL,
                item VARCHAR(500)  NOT NULL,
                by   VARCHAR(200)  NOT NULL,
                body CHARACTER VARYING(1000000) NOT NULL
            );
            CREATE TABLE IF NOT EXISTS kept_file (sha256 CHAR(64) PRIMARY KEY, content BLOB NOT NULL);
            CREATE TABLE IF NOT EXISTS answered (
                request_key VARCHAR(200) PRIMARY KEY,
                status      INT NOT NULL,
                body        CHARACTER VARYING(1000000) NOT NULL
            );
            """;

    private final Connection db;

    /** @param url of H2, of a database of its own */
    CollegeStore(String url) {
        try {
            db = DriverManager.getConnection(url);
            try (Statement statement = db.createStatement()) {
                statement.execute(TABLES);
            }
        } catch (SQLException e) {
            throw new IllegalStateException("the school's store can't be opened: " + e.getMessage(), e);
        }
    }

    List<Deed> deeds() {
        try (PreparedStatement query =
                        db.prepareStatement("SELECT id, at, kind, item, by, body FROM deed ORDER BY id");
                ResultSet row = query.executeQuery()) {
            List<Deed> deeds = new ArrayList<>();
            while (row.next()) {
                deeds.add(new Deed(
                        row.getLong("id"),
                        row.getObject("at", OffsetDateTime.class).toInstant(),
                        Deed.Kind.valueOf(row.getString("kind")),
                        row.getString("item"),
                        row.getString("by"),
                        (ObjectNode) JSON.readTree(row.getString("body"))));
            }
            return deeds;
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    void add(List<Deed> deeds) {
        try (PreparedStatement insert =
                db.prepareStatement("INSERT INTO deed (id, at, kind, item, by, body) VALUES (?, ?, ?, ?, ?, ?)")) {
            for (Deed deed : deeds) {
                insert.setLong(1, deed.id());
                insert.setObject(2, at(deed.at()));
                insert.setString(3, deed.kind().name());
                insert.setString(4, deed.item());
                insert.setString(5, deed.by());
                insert.setString(6, deed.body().toString());
                insert.addBatch();
            }
            insert.executeBatch();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }

    void keep(String sha256, byte[] content) {
        update("MERGE INTO kept_file (sha256, content) KEY (sha256) VALUES (?, ?)", sha256, content);
    }

    Optional<byte[]> file(String sha256) {
        try (PreparedStatement query = db.prepareStatement("SELECT content FROM kept_file WHERE sha256 = ?")) {
            query.setString(1, sha256);
            try (ResultSet row = query.executeQuery()) {
                return row.next() ? Optional.of(row.getBytes("content")) : Optional.empty();
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    record Answer(int status, String body) {}

    Optional<Answer> answer(String key) {
        try (PreparedStatement query = db.prepareStatement("SELECT status, body FROM answered WHERE request_key = ?")) {
            query.setString(1, key);
            try (ResultSet row = query.executeQuery()) {
                return row.next()
                        ? Optional.of(new Answer(row.getInt("status"), row.getString("body")))
                        : Optional.empty();
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    void answered(String key, Answer answer) {
        update(
                "INSERT INTO answered (request_key, status, body) VALUES (?, ?, ?)",
                key,
                answer.status(),
                answer.body());
    }

    private void update(String sql, Object... values) {
        try (PreparedStatement update = db.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                update.setObject(i + 1, values[i]);
            }
            update.executeUpdate();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        try {
            db.close();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}

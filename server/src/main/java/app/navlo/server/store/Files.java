package app.navlo.server.store;

import app.navlo.server.problem.Refusal;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Contents of files, each kept once under its SHA-256, in the same transaction as what refers to it. */
@Repository
public class Files {
    private static final Logger LOG = LoggerFactory.getLogger(Files.class);

    private final JdbcClient db;

    Files(JdbcClient db) {
        this.db = db;
    }

    public void keep(String sha256, long size, Path content) throws IOException {
        try (InputStream in = java.nio.file.Files.newInputStream(content)) {
            keep(sha256, size, in);
        }
    }

    public void keep(String sha256, byte[] content) {
        keep(sha256, content.length, new ByteArrayInputStream(content));
    }

    private void keep(String sha256, long size, InputStream content) {
        boolean known = db.sql("SELECT COUNT(*) FROM stored_file WHERE sha256 = :sha")
                        .param("sha", sha256)
                        .query(Long.class)
                        .single()
                > 0;
        if (known) {
            return;
        }
        try {
            db.sql("MERGE INTO stored_file (sha256, size, content) KEY (sha256) VALUES (:sha, :size, :content)")
                    .param("sha", sha256)
                    .param("size", size)
                    .param("content", content)
                    .update();
        } catch (DuplicateKeyException sameInstant) {
            // Somebody else brought the same content in the meantime; one of it is enough.
        }
    }

    /** Keeps the place of a content that is missing, for what names it. */
    public void keepPlace(String sha256) {
        db.sql("""
                INSERT INTO stored_file (sha256, size, content)
                SELECT :sha, 1, NULL WHERE NOT EXISTS (SELECT 1 FROM stored_file WHERE sha256 = :sha)
                """).param("sha", sha256).update();
    }

    /** Whether a content is there and is what it was. Must be called within a transaction. */
    public boolean isWhole(String sha256) {
        return db.sql("SELECT content FROM stored_file WHERE sha256 = :sha AND content IS NOT NULL")
                .param("sha", sha256)
                .query((row, n) -> isWhole(sha256, row))
                .optional()
                .orElse(false);
    }

    private static boolean isWhole(String sha256, ResultSet row) {
        try (InputStream in = Objects.requireNonNull(row.getBinaryStream("content"))) {
            return Sha256.of(in).equals(sha256);
        } catch (IOException | SQLException unreadable) {
            LOG.error("the content {} can't be read: {}", sha256, unreadable.getMessage());
            return false;
        }
    }

    /** Must be called within a transaction. @throws Refusal if a content isn't what was stored */
    public void check(String sha256) {
        if (!isWhole(sha256)) {
            LOG.error("the content {} isn't what was stored", sha256);
            throw Refusal.of(
                    HttpStatus.GONE,
                    "This file is damaged",
                    "",
                    "What is stored isn't what was put in, so it isn't given out. Who runs this Navlo can bring it back"
                            + " from a copy of the data.");
        }
    }

    /**
     * Copies a content to {@code out}. Must be called within a transaction.
     *
     * @throws Refusal if it isn't what was stored; nothing of it is copied then
     */
    public void copy(String sha256, OutputStream out) {
        check(sha256);
        write(sha256, out);
    }

    /** The same, of what was checked. */
    public void write(String sha256, OutputStream out) {
        db.sql("SELECT content FROM stored_file WHERE sha256 = :sha")
                .param("sha", sha256)
                .query(row -> {
                    try (InputStream in = Objects.requireNonNull(row.getBinaryStream("content"))) {
                        in.transferTo(out);
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                });
    }
}

package app.navlo.server.store;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.sql.Blob;
import java.util.Objects;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Contents of files, each kept once under its SHA-256, in the same transaction as what refers to it. */
@Repository
public class Files {
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
            db.sql("INSERT INTO stored_file (sha256, size, content) VALUES (:sha, :size, :content)")
                    .param("sha", sha256)
                    .param("size", size)
                    .param("content", content)
                    .update();
        } catch (DuplicateKeyException sameInstant) {
            // Somebody else brought the same content in the meantime; one of it is enough.
        }
    }

    /** Copies a content to {@code out}. Must be called within a transaction. */
    public void copy(String sha256, OutputStream out) {
        db.sql("SELECT content FROM stored_file WHERE sha256 = :sha")
                .param("sha", sha256)
                .query(row -> {
                    Blob content = Objects.requireNonNull(row.getBlob("content"));
                    try (InputStream in = content.getBinaryStream()) {
                        in.transferTo(out);
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                });
    }
}

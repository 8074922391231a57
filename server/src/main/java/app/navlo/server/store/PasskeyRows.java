package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Passkeys, and the handle by which a device knows whose they are. Bytes are in base64url. */
@Repository
public class PasskeyRows {
    private static final String ALL = """
            SELECT p.id, p.person_id, h.handle, p.credential, p.name, p.public_key, p.attestation, p.transports,
                p.signature_count, p.uv_initialized, p.backup_eligible, p.backed_up, p.made_at, p.used_at
            FROM passkey p JOIN passkey_holder h ON h.person_id = p.person_id
            """;

    private final JdbcClient db;

    PasskeyRows(JdbcClient db) {
        this.db = db;
    }

    /**
     * What a device said of its key when it was made.
     *
     * @param transports by which it is reached, parted by commas
     */
    public record Key(
            String credential,
            String publicKey,
            String attestation,
            String transports,
            long signatureCount,
            boolean uvInitialized,
            boolean backupEligible,
            boolean backedUp) {}

    /** @param usedAt null for never */
    public record Passkey(
            long id,
            long person,
            String handle,
            String name,
            Key key,
            Instant madeAt,
            @Nullable Instant usedAt) {}

    /** By which devices know this person; made when it is first asked for. @param fresh one that nobody has */
    public String handle(long person, String fresh) {
        return handle(person).orElseGet(() -> {
            db.sql("INSERT INTO passkey_holder (person_id, handle) VALUES (:person, :handle)")
                    .param("person", person)
                    .param("handle", fresh)
                    .update();
            return fresh;
        });
    }

    public Optional<String> handle(long person) {
        return db.sql("SELECT handle FROM passkey_holder WHERE person_id = :person")
                .param("person", person)
                .query(String.class)
                .optional();
    }

    public Optional<Long> personOf(String handle) {
        return db.sql("SELECT person_id FROM passkey_holder WHERE handle = :handle")
                .param("handle", handle)
                .query(Long.class)
                .optional();
    }

    public long add(long person, String name, Key key, Instant at) {
        db.sql("""
                INSERT INTO passkey (person_id, credential, name, public_key, attestation, transports, signature_count,
                    uv_initialized, backup_eligible, backed_up, made_at)
                VALUES (:person, :credential, :name, :publicKey, :attestation, :transports, :signatures, :uv, :eligible,
                    :backedUp, :at)
                """)
                .param("person", person)
                .param("credential", key.credential())
                .param("name", name)
                .param("publicKey", key.publicKey())
                .param("attestation", key.attestation())
                .param("transports", key.transports())
                .param("signatures", key.signatureCount())
                .param("uv", key.uvInitialized())
                .param("eligible", key.backupEligible())
                .param("backedUp", key.backedUp())
                .param("at", at)
                .update();
        return find(key.credential()).orElseThrow().id();
    }

    public void used(Key key, Instant at) {
        db.sql("""
                UPDATE passkey SET signature_count = :signatures, uv_initialized = :uv, backed_up = :backedUp, used_at = :at
                WHERE credential = :credential
                """)
                .param("signatures", key.signatureCount())
                .param("uv", key.uvInitialized())
                .param("backedUp", key.backedUp())
                .param("at", at)
                .param("credential", key.credential())
                .update();
    }

    public Optional<Passkey> find(String credential) {
        return db.sql(ALL + "WHERE p.credential = :credential")
                .param("credential", credential)
                .query(PasskeyRows::passkey)
                .optional();
    }

    /** The oldest first. */
    public List<Passkey> of(long person) {
        return db.sql(ALL + "WHERE p.person_id = :person ORDER BY p.id")
                .param("person", person)
                .query(PasskeyRows::passkey)
                .list();
    }

    /** @return false if this person has no such */
    public boolean remove(long person, long id) {
        return db.sql("DELETE FROM passkey WHERE id = :id AND person_id = :person")
                        .param("id", id)
                        .param("person", person)
                        .update()
                == 1;
    }

    private static Passkey passkey(ResultSet row, int n) throws SQLException {
        return new Passkey(
                row.getLong("id"),
                row.getLong("person_id"),
                row.getString("handle"),
                row.getString("name"),
                new Key(
                        row.getString("credential"),
                        row.getString("public_key"),
                        row.getString("attestation"),
                        row.getString("transports"),
                        row.getLong("signature_count"),
                        row.getBoolean("uv_initialized"),
                        row.getBoolean("backup_eligible"),
                        row.getBoolean("backed_up")),
                Rows.instant(row, "made_at"),
                Rows.instantOrNull(row, "used_at"));
    }
}

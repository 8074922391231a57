package app.navlo.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Access for a person's own scripts. Tokens are kept as hashes alone. */
@Repository
public class AccessTokens {
    private final JdbcClient db;

    AccessTokens(JdbcClient db) {
        this.db = db;
    }

    /** What a token lets its bearer do of what its person may do. */
    public enum Scope {
        READ,
        WRITE
    }

    /** @param usedAt to the hour; null for never */
    public record AccessToken(
            long id,
            String name,
            Scope scope,
            Instant createdAt,
            @Nullable Instant usedAt) {}

    /** Whose token it is, and what it may do. */
    public record Bearer(
            long token,
            People.PersonRow person,
            Scope scope,
            @Nullable Instant usedAt) {}

    /** Those that aren't revoked, the latest first. */
    public List<AccessToken> of(long person) {
        return db.sql("""
                SELECT id, name, scope, created_at, used_at FROM access_token
                WHERE person_id = :person AND revoked_at IS NULL ORDER BY id DESC
                """)
                .param("person", person)
                .query((row, n) -> new AccessToken(
                        row.getLong("id"),
                        row.getString("name"),
                        Scope.valueOf(row.getString("scope")),
                        Rows.instant(row, "created_at"),
                        Rows.instantOrNull(row, "used_at")))
                .list();
    }

    public long add(long person, String name, Scope scope, String hash, Instant at) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO access_token (person_id, name, scope, hash, created_at)
                VALUES (:person, :name, :scope, :hash, :at)
                """)
                .param("person", person)
                .param("name", name)
                .param("scope", scope.name())
                .param("hash", hash)
                .param("at", at)
                .update(key, "id");
        return Rows.newId(key);
    }

    /** @return whether this person had such a token that wasn't revoked */
    public boolean revoke(long person, long id, Instant at) {
        return db.sql("""
                UPDATE access_token SET revoked_at = :at
                WHERE id = :id AND person_id = :person AND revoked_at IS NULL
                """)
                        .param("at", at)
                        .param("id", id)
                        .param("person", person)
                        .update()
                == 1;
    }

    /** Empty where it is none that stands. */
    public Optional<Bearer> bearer(String hash) {
        return db.sql("""
                SELECT t.id AS token, t.scope, t.used_at, p.id, p.email, p.name, p.role, p.zone
                FROM access_token t JOIN person p ON p.id = t.person_id
                WHERE t.hash = :hash AND t.revoked_at IS NULL AND p.disabled_at IS NULL
                """)
                .param("hash", hash)
                .query((row, n) -> new Bearer(
                        row.getLong("token"),
                        new People.PersonRow(
                                row.getLong("id"),
                                row.getString("email"),
                                row.getString("name"),
                                Role.valueOf(row.getString("role")),
                                row.getString("zone"),
                                ""),
                        Scope.valueOf(row.getString("scope")),
                        Rows.instantOrNull(row, "used_at")))
                .optional();
    }

    public void used(long id, Instant at) {
        db.sql("UPDATE access_token SET used_at = :at WHERE id = :id")
                .param("at", at)
                .param("id", id)
                .update();
    }
}

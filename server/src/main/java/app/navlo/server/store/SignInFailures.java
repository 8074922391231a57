package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How often a sign-in failed since the last that didn't, by address. */
@Repository
public class SignInFailures {
    private final JdbcClient db;

    SignInFailures(JdbcClient db) {
        this.db = db;
    }

    /** @param last when it failed last */
    public record Failures(int count, Instant last) {}

    public Optional<Failures> of(String subject) {
        return db.sql("SELECT failures, last_failure FROM sign_in_failure WHERE subject = :subject")
                .param("subject", subject)
                .query((row, n) -> new Failures(row.getInt("failures"), Rows.instant(row, "last_failure")))
                .optional();
    }

    public void add(String subject, Instant at) {
        int known = db.sql("""
                UPDATE sign_in_failure SET failures = failures + 1, last_failure = :now WHERE subject = :subject
                """).param("now", at).param("subject", subject).update();
        if (known == 0) {
            db.sql("INSERT INTO sign_in_failure (subject, failures, last_failure) VALUES (:subject, 1, :now)")
                    .param("subject", subject)
                    .param("now", at)
                    .update();
        }
    }

    public void forget(String subject) {
        db.sql("DELETE FROM sign_in_failure WHERE subject = :subject")
                .param("subject", subject)
                .update();
    }
}

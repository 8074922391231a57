package app.navlo.server.account;

import app.navlo.server.store.Rows;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows down guessing. The first failures are free; then each doubles the wait, whether or not the address exists. Goes
 * by the machine's clock, which no demo can move.
 */
@Component
public class SignInBrake {
    private static final int FREE_FAILURES = 5;
    private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);

    private final JdbcClient db;
    private final InstantSource machine = InstantSource.system();

    SignInBrake(JdbcClient db) {
        this.db = db;
    }

    private record Failures(int count, Instant last) {}

    /** How long to wait before the next try; zero if at once. */
    public Duration wait(String email) {
        return db.sql("SELECT failures, last_failure FROM sign_in_failure WHERE subject = :subject")
                .param("subject", People.key(email))
                .query((row, n) -> new Failures(row.getInt("failures"), Rows.instant(row, "last_failure")))
                .optional()
                .map(this::left)
                .orElse(Duration.ZERO);
    }

    private Duration left(Failures failures) {
        int beyond = failures.count() - FREE_FAILURES;
        if (beyond < 0) {
            return Duration.ZERO;
        }
        Duration wait = beyond > 9 ? LONGEST_WAIT : Duration.ofSeconds(1L << (beyond + 1));
        Duration left = Duration.between(machine.instant(), failures.last().plus(wait));
        return left.isNegative() ? Duration.ZERO : left;
    }

    @Transactional
    public void failed(String email) {
        String subject = People.key(email);
        int known = db.sql("""
                UPDATE sign_in_failure SET failures = failures + 1, last_failure = :now WHERE subject = :subject
                """)
                .param("now", machine.instant())
                .param("subject", subject)
                .update();
        if (known == 0) {
            db.sql("INSERT INTO sign_in_failure (subject, failures, last_failure) VALUES (:subject, 1, :now)")
                    .param("subject", subject)
                    .param("now", machine.instant())
                    .update();
        }
    }

    @Transactional
    public void succeeded(String email) {
        db.sql("DELETE FROM sign_in_failure WHERE subject = :subject")
                .param("subject", People.key(email))
                .update();
    }
}

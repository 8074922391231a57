package app.navlo.server.account;

import app.navlo.server.store.People;
import app.navlo.server.store.SignInFailures;
import java.time.Duration;
import java.time.InstantSource;
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

    private final SignInFailures failures;
    private final InstantSource machine = InstantSource.system();

    SignInBrake(SignInFailures failures) {
        this.failures = failures;
    }

    /** How long to wait before the next try; zero if at once. */
    public Duration wait(String email) {
        return failures.of(People.key(email)).map(this::left).orElse(Duration.ZERO);
    }

    private Duration left(SignInFailures.Failures so) {
        int beyond = so.count() - FREE_FAILURES;
        if (beyond < 0) {
            return Duration.ZERO;
        }
        Duration wait = beyond > 9 ? LONGEST_WAIT : Duration.ofSeconds(1L << (beyond + 1));
        Duration left = Duration.between(machine.instant(), so.last().plus(wait));
        return left.isNegative() ? Duration.ZERO : left;
    }

    @Transactional
    public void failed(String email) {
        failures.add(People.key(email), machine.instant());
    }

    @Transactional
    public void succeeded(String email) {
        failures.forget(People.key(email));
    }
}

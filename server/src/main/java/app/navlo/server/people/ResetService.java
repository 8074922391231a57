package app.navlo.server.people;

import app.navlo.server.account.PasswordRules;
import app.navlo.server.account.Secrets;
import app.navlo.server.account.SignedIn;
import app.navlo.server.notices.Letters;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.PasswordResets;
import app.navlo.server.store.PasswordResets.Whose;
import app.navlo.server.store.People;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A new password for who forgot theirs, by a mail to the address with which they sign in. */
@Service
@Transactional
public class ResetService {
    private static final Logger LOG = LoggerFactory.getLogger(ResetService.class);
    private static final Duration HOLDS = Duration.ofHours(1);
    private static final Duration HANDED_OVER = Duration.ofDays(1);
    private static final int MOST_AN_HOUR = 3;

    private final PasswordResets resets;
    private final People people;
    private final Letters letters;
    private final PasswordEncoder passwords;
    private final PasswordRules rules;
    private final SignedIn signedIn;
    private final ServerClock clock;
    private final Secrets secrets;

    ResetService(
            PasswordResets resets,
            People people,
            Letters letters,
            PasswordEncoder passwords,
            PasswordRules rules,
            SignedIn signedIn,
            ServerClock clock,
            Secrets secrets) {
        this.secrets = secrets;
        this.resets = resets;
        this.people = people;
        this.letters = letters;
        this.passwords = passwords;
        this.rules = rules;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    /**
     * Mails the way to a new password, if somebody signs in with this address; nobody is told whether somebody does. A few an hour
     * at most.
     *
     * @throws Refusal where no mail can be sent
     */
    void ask(String email) {
        if (!letters.canSend()) {
            throw Refusal.conflict(
                    "No mail can be sent from here",
                    "Ask who runs this Navlo: they set a new password with ./navlo password.");
        }
        Instant now = clock.instant();
        people.find(email)
                .filter(person -> person.email().contains("@"))
                .filter(person -> resets.madeSince(person.id(), now.minus(HOLDS)) < MOST_AN_HOUR)
                .ifPresent(person -> {
                    String secret = secrets.next();
                    resets.add(Sha256.of(secret), person.id(), now, now.plus(HOLDS));
                    letters.send(person.id(), "Navlo: a new password", """
                            Somebody, perhaps you, asked for a new password for the sign-in with this address.

                            Choose it here, within an hour:
                            %s/reset/%s

                            If it wasn't you, nothing has to be done: your password stays as it is.
                            """.formatted(letters.address(), secret));
                    LOG.info("person {} asked for a new password", person.id());
                });
    }

    /** A way to a new password, for who administers to hand to somebody. */
    public SecretWay makeFor(long person) {
        Instant now = clock.instant();
        String secret = secrets.next();
        Instant ends = now.plus(HANDED_OVER);
        resets.add(Sha256.of(secret), person, now, ends);
        return new SecretWay(secret, ends);
    }

    /** @throws Refusal if it doesn't hold any more, or the password isn't one */
    void set(String secret, String password) {
        Instant now = clock.instant();
        Whose whose = resets.find(Sha256.of(secret), now)
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.GONE,
                        "This way to a new password doesn't hold any more",
                        "",
                        "It was used, or is too old. Ask for another."));
        rules.fault("password", password, List.of(whose.name(), whose.email())).ifPresent(fault -> {
            throw Refusal.invalid(List.of(fault));
        });
        people.setPassword(whose.person(), Objects.requireNonNull(passwords.encode(password)));
        resets.end(whose.person(), now);
        signedIn.endAll(whose.person());
        LOG.info("person {} set a new password", whose.person());
    }
}

package app.navlo.server.people;

import app.navlo.server.account.Secrets;
import app.navlo.server.notices.Letters;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Confirmations;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Proves by mail that an address is its person's. Where no mail is sent, everybody is believed. */
@Service
@Transactional
public class AddressService {
    private static final Logger LOG = LoggerFactory.getLogger(AddressService.class);
    private static final Duration HOLDS = Duration.ofDays(7);
    private static final Duration HOUR = Duration.ofHours(1);
    private static final int MOST_AN_HOUR = 3;

    private final Confirmations confirmations;
    private final Letters letters;
    private final Secrets secrets;
    private final ServerClock clock;

    AddressService(Confirmations confirmations, Letters letters, Secrets secrets, ServerClock clock) {
        this.confirmations = confirmations;
        this.letters = letters;
        this.secrets = secrets;
        this.clock = clock;
    }

    /** Whether it stands open that this is their address. @param email a name, where a guardian keeps the account */
    public boolean isOpen(long person, String email) {
        return letters.canSend() && email.contains("@") && !confirmations.isConfirmed(person);
    }

    /** Asks of a new person, or of one whose address is new. */
    public void begin(long person, String email) {
        confirmations.forget(person);
        if (isOpen(person, email)) {
            send(person, email);
        }
    }

    /** Sends the mail once more. @throws Refusal where there is nothing to prove, or it was sent too often */
    void again(long person, String email) {
        if (!isOpen(person, email)) {
            throw Refusal.conflict("There is nothing to confirm", "Your address is known to be yours.");
        }
        if (confirmations.madeSince(person, clock.instant().minus(HOUR)) >= MOST_AN_HOUR) {
            throw Refusal.conflict(
                    "The mail was sent " + MOST_AN_HOUR + " times within an hour",
                    "Look where your mail program puts what it takes for advertising, or try again later.");
        }
        send(person, email);
    }

    private void send(long person, String email) {
        Instant now = clock.instant();
        String secret = secrets.next();
        confirmations.add(Sha256.of(secret), person, email, now, now.plus(HOLDS));
        letters.send(person, "Navlo: is this your address?", """
                Somebody, surely you, signs in to Navlo with this address.

                Say that it is yours, within seven days:
                %s/confirm/%s

                If it isn't you, do nothing: no other mail will come.
                """.formatted(letters.address(), secret));
    }

    /** The secret came by mail, so who has it reads what is sent there. @throws Refusal if it doesn't hold any more */
    void confirm(String secret) {
        Instant now = clock.instant();
        long person = confirmations
                .find(Sha256.of(secret), now)
                .orElseThrow(
                        () -> Refusal.of(
                                HttpStatus.GONE,
                                "This link doesn't hold any more",
                                "",
                                "It is older than seven days, or the address was changed since. Send another from the line on top of each page."));
        proved(person);
    }

    /** What came by mail to their address was followed. */
    void proved(long person) {
        confirmations.confirm(person, clock.instant());
        LOG.info("person {} confirmed their address", person);
    }
}

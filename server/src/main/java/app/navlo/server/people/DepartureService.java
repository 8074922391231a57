package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.account.SignedIn;
import app.navlo.server.notices.Letters;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Departures;
import app.navlo.server.store.Instance;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Leaving Navlo: everything of a person is deleted, some days after they said so, unless they take it back. */
@Service
public class DepartureService {
    private static final Logger LOG = LoggerFactory.getLogger(DepartureService.class);
    private static final Duration THOUGHT_OVER = Duration.ofDays(7);
    private static final String WORD = "delete";
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);

    private final Departures departures;
    private final Instance instance;
    private final KeptService kept;
    private final SignedIn signedIn;
    private final Letters letters;
    private final TransactionTemplate transaction;
    private final ServerClock clock;

    DepartureService(
            Departures departures,
            Instance instance,
            KeptService kept,
            SignedIn signedIn,
            Letters letters,
            TransactionTemplate transaction,
            ServerClock clock) {
        this.departures = departures;
        this.instance = instance;
        this.kept = kept;
        this.signedIn = signedIn;
        this.letters = letters;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** When everything of a person is deleted; empty for who stays. */
    public Optional<Instant> of(long person) {
        return departures.of(person);
    }

    /**
     * Says that a person leaves. They are signed out everywhere else.
     *
     * @param here the session that stays; null for none
     * @return when everything of theirs is deleted
     * @throws Refusal if the word isn't the one, if nobody would administer this Navlo, or if an account is kept
     */
    @Transactional
    public Instant leave(Person person, String word, @Nullable String here) {
        if (!word.strip().equalsIgnoreCase(WORD)) {
            throw Refusal.invalid("word", "Type the word " + WORD + ".");
        }
        kept.checkFreeToLeave(person.id());
        if (instance.needs(person.id())) {
            throw Refusal.conflict(
                    "Nobody else administers this Navlo", "Make somebody else an administrator, and leave then.");
        }
        Instant at = departures.of(person.id()).orElseGet(() -> clock.instant().plus(THOUGHT_OVER));
        departures.set(person.id(), at);
        signedIn.endOthers(person, here);
        if (letters.canSend()) {
            letters.send(person.id(), "Navlo: you leave", """
                    You said that you leave. On %s everything of yours is deleted.

                    To stay, sign in before then and press “Stay”:
                    %s
                    """.formatted(
                            DAY.format(at.atZone(ZoneId.of(person.zone()))), letters.address()));
        }
        LOG.info("person {} leaves", person.id());
        return at;
    }

    @Transactional
    public void stay(Person person) {
        departures.set(person.id(), null);
        LOG.info("person {} stays", person.id());
    }

    /** Deletes those whose time has come. One that can't be deleted keeps no other. */
    @Scheduled(fixedDelayString = "${navlo.departures.round:60s}", initialDelayString = "${navlo.departures.round:60s}")
    void round() {
        for (long person : departures.due(clock.instant())) {
            try {
                delete(person);
            } catch (DataAccessException broken) {
                LOG.error("person {} couldn't be deleted", person, broken);
            }
        }
    }

    private void delete(long person) {
        List<String> contents = Objects.requireNonNull(transaction.execute(status -> departures.delete(person)));
        signedIn.endAll(person);
        for (String digest : contents) {
            try {
                departures.forget(digest);
            } catch (DataAccessException taken) {
                LOG.info("a file of person {} stays, for somebody hands in the same", person);
            }
        }
        LOG.info("person {} is deleted, with all that was theirs", person);
    }
}

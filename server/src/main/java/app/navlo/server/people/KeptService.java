package app.navlo.server.people;

import app.navlo.server.account.PasswordRules;
import app.navlo.server.account.Person;
import app.navlo.server.account.Secrets;
import app.navlo.server.account.SignedIn;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Departures;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.KeptAccounts;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The account of a young child, which a guardian keeps until the child takes it over. */
@Service
@Transactional
public class KeptService {
    private static final Logger LOG = LoggerFactory.getLogger(KeptService.class);
    private static final int MOST = 10;
    private static final Duration HOLDS = Duration.ofDays(7);

    private final KeptAccounts kept;
    private final AddressService addresses;
    private final Departures departures;
    private final PersonService persons;
    private final People people;
    private final Guardianships guardianships;
    private final PasswordEncoder passwords;
    private final PasswordRules rules;
    private final SignedIn signedIn;
    private final ServerClock clock;
    private final Secrets secrets;

    KeptService(
            KeptAccounts kept,
            AddressService addresses,
            Departures departures,
            PersonService persons,
            People people,
            Guardianships guardianships,
            PasswordEncoder passwords,
            PasswordRules rules,
            SignedIn signedIn,
            ServerClock clock,
            Secrets secrets) {
        this.secrets = secrets;
        this.kept = kept;
        this.addresses = addresses;
        this.departures = departures;
        this.persons = persons;
        this.people = people;
        this.guardianships = guardianships;
        this.passwords = passwords;
        this.rules = rules;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    /** Whether a guardian keeps this account. */
    public boolean isKept(long person) {
        return kept.keeper(person).isPresent();
    }

    /** @throws Refusal for who keeps a child's account, and for the child */
    void checkFreeToLeave(long person) {
        if (isKept(person)) {
            throw Refusal.conflict(
                    "Your account is kept by your guardian", "Ask them to hand it over to you; then you can leave.");
        }
        List<KeptAccounts.Child> children = kept.of(person);
        if (!children.isEmpty()) {
            throw Refusal.conflict(
                    "You keep the account of " + children.get(0).name(), "Hand it over first; then you can leave.");
        }
    }

    /** @throws Refusal where this guardian keeps the student's account */
    void checkFree(long guardian, long student) {
        if (kept.keeper(student).filter(keeper -> keeper == guardian).isPresent()) {
            throw Refusal.conflict(
                    "This guardian keeps the account", "It has to be handed over first, by the guardian.");
        }
    }

    List<KeptAccounts.Child> of(Person keeper) {
        return kept.of(keeper.id());
    }

    /**
     * @param child with the name that they sign in with in place of an address
     * @throws Refusal naming what doesn't fit, or of who leaves
     */
    long add(Person keeper, PersonService.NewPerson child) {
        if (kept.of(keeper.id()).size() >= MOST) {
            throw Refusal.conflict("You keep " + MOST + " accounts already", "Hand one over first.");
        }
        if (departures.of(keeper.id()).isPresent()) {
            throw Refusal.conflict("You leave", "Stay first; a child's account needs somebody who keeps it.");
        }
        if (people.knows(child.email())) {
            throw Refusal.invalid("signsInAs", "Somebody signs in with this name already. Choose another.");
        }
        Person person = persons.add(child, Role.STUDENT);
        kept.keep(person.id(), keeper.id());
        guardianships.accept(person.id(), keeper.id(), Sight.ALL, clock.instant());
        LOG.info("person {} keeps the account of {}", keeper.id(), person.id());
        return person.id();
    }

    /** Sets the child's password anew and signs them out everywhere. @throws Refusal naming what doesn't fit */
    void setPassword(Person keeper, long child, String password) {
        KeptAccounts.Child one = child(keeper, child);
        check(password, one.name(), one.signsInAs());
        people.setPassword(child, Objects.requireNonNull(passwords.encode(password)));
        signedIn.endAll(child);
        LOG.info("person {} set the password of {}", keeper.id(), child);
    }

    /** The link by which the child takes the account over. */
    SecretWay handOver(Person keeper, long child) {
        child(keeper, child);
        Instant now = clock.instant();
        String secret = secrets.next();
        kept.addHandOver(Sha256.of(secret), child, now, now.plus(HOLDS));
        LOG.info("person {} hands the account of {} over", keeper.id(), child);
        return new SecretWay(secret, now.plus(HOLDS));
    }

    /** @throws Refusal if it doesn't hold any more */
    KeptAccounts.HandOver look(String secret) {
        return kept.handOver(Sha256.of(secret), clock.instant())
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.GONE,
                        "This account can't be taken over by this link",
                        "",
                        "It was used, or is older than seven days. Ask your guardian for a new one."));
    }

    /** The account is the child's own; the guardian goes on seeing their work until the child ends it. */
    void takeOver(String secret, String email, String password) {
        KeptAccounts.HandOver way = look(secret);
        check(password, way.name(), email);
        try {
            kept.takeOver(way.child(), email, Objects.requireNonNull(passwords.encode(password)));
        } catch (DuplicateKeyException taken) {
            throw Refusal.invalid("email", "Somebody signs in with this address already. Choose another.");
        }
        addresses.begin(way.child(), email);
        signedIn.endAll(way.child());
        LOG.info("person {} took their account over", way.child());
    }

    private KeptAccounts.Child child(Person keeper, long child) {
        return kept.of(keeper.id()).stream()
                .filter(one -> one.id() == child)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("child"));
    }

    private void check(String password, String... about) {
        rules.fault("password", password, List.of(about)).ifPresent(fault -> {
            throw Refusal.invalid(List.of(fault));
        });
    }
}

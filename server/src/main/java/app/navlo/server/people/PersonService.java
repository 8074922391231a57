package app.navlo.server.people;

import app.navlo.server.account.PasswordRules;
import app.navlo.server.account.Person;
import app.navlo.server.account.SignUp;
import app.navlo.server.account.SignUpMode;
import app.navlo.server.account.SignedIn;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Instance;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.time.ServerClock;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Becoming a person here, and one's password. */
@Service
@Transactional
public class PersonService {
    private static final Logger LOG = LoggerFactory.getLogger(PersonService.class);

    private final People people;
    private final Instance instance;
    private final SignUp signUp;
    private final PasswordEncoder passwords;
    private final PasswordRules rules;
    private final SignedIn signedIn;
    private final ServerClock clock;

    PersonService(
            People people,
            Instance instance,
            SignUp signUp,
            PasswordEncoder passwords,
            PasswordRules rules,
            SignedIn signedIn,
            ServerClock clock) {
        this.people = people;
        this.instance = instance;
        this.signUp = signUp;
        this.passwords = passwords;
        this.rules = rules;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    /** What somebody says of themselves who becomes a person here. */
    public record NewPerson(String name, String email, String password, String zone) {}

    /**
     * The first person, with the code that was printed, who then administers; or, where sign-up is open, anybody.
     *
     * @param code null where none was given
     * @throws Refusal naming what doesn't fit, or where people are only invited
     */
    public Person signUp(NewPerson form, @Nullable String code) {
        boolean first = signUp.isFirst();
        if (first) {
            signUp.check(code);
        } else if (signUp.mode() != SignUpMode.OPEN) {
            throw Refusal.conflict("Somebody has signed up here already", "Sign in, or ask them for an invitation.");
        }
        Person person = add(form, Role.STUDENT);
        if (first && !instance.first(person.id())) {
            throw Refusal.conflict(
                    "Somebody else has just signed up as the first", "Sign in, or ask them for an invitation.");
        }
        LOG.info("person {} signed up{}", person.id(), first ? " as the first" : "");
        return person;
    }

    /** @throws Refusal naming what doesn't fit */
    Person add(NewPerson form, Role role) {
        ZoneId zone = zone(form.zone());
        List<Refusal.Fault> faults = new ArrayList<>();
        rules.fault("password", form.password(), List.of(form.name(), form.email()))
                .ifPresent(faults::add);
        if (people.knows(form.email())) {
            faults.add(new Refusal.Fault("email", "Somebody signs in with this address already. Choose another."));
        }
        if (!faults.isEmpty()) {
            throw Refusal.invalid(faults);
        }
        try {
            long id = people.add(new People.NewPerson(
                    form.email(), hash(form.password()), form.name(), role, zone.getId(), clock.instant()));
            return new Person(id, form.email().strip(), form.name().strip(), role, zone.getId(), "");
        } catch (DuplicateKeyException taken) {
            throw Refusal.invalid("email", "Somebody signs in with this address already. Choose another.");
        }
    }

    /**
     * Everywhere else one is signed out.
     *
     * @param here the session that stays; null for none
     * @throws Refusal naming what doesn't fit
     */
    void changePassword(Person person, String current, String next, @Nullable String here) {
        checkPassword(person, "current", current);
        rules.fault("next", next, List.of(person.name(), person.email())).ifPresent(fault -> {
            throw Refusal.invalid(List.of(fault));
        });
        people.setPassword(person.id(), hash(next));
        signedIn.endOthers(person, here);
        LOG.info("person {} changed their password", person.id());
    }

    /** @param field that it was typed into @throws Refusal if it isn't this person's */
    void checkPassword(Person person, String field, String password) {
        if (!passwords.matches(password, people.passwordOf(person.id()))) {
            throw Refusal.invalid(field, "This isn't your password now.");
        }
    }

    private String hash(String password) {
        return Objects.requireNonNull(passwords.encode(password));
    }

    /** @throws Refusal if there is no such zone */
    public static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw Refusal.invalid("zone", "'" + name + "' is no time zone; one looks like Europe/Copenhagen.");
        }
    }
}

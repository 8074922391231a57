package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.account.Secrets;
import app.navlo.server.notices.Letters;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Invitations;
import app.navlo.server.store.Invitations.Invitation;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes invitations, and lets in who comes by one. */
@Service
@Transactional
class InvitationService {
    private static final Logger LOG = LoggerFactory.getLogger(InvitationService.class);
    private static final Duration STANDS = Duration.ofDays(7);
    private static final int MOST_OPEN = 20;

    private final Invitations invitations;
    private final Guardianships guardianships;
    private final PersonService people;
    private final ServerClock clock;
    private final Secrets secrets;
    private final Letters letters;
    private final AddressService addresses;

    InvitationService(
            Invitations invitations,
            Guardianships guardianships,
            PersonService people,
            ServerClock clock,
            Secrets secrets,
            Letters letters,
            AddressService addresses) {
        this.letters = letters;
        this.addresses = addresses;
        this.secrets = secrets;
        this.invitations = invitations;
        this.guardianships = guardianships;
        this.people = people;
        this.clock = clock;
    }

    /** @param secret of its link; it is never shown again */
    record MadeInvitation(long id, String secret, Instant endsAt) {}

    /**
     * @param student whose guardian is let in by it; null for a person of their own
     * @param sees what they will see of this student
     * @param email to whom it is mailed; null for nobody
     * @throws Refusal if too many are open
     */
    MadeInvitation make(Person maker, Role role, @Nullable Long student, Sight sees, @Nullable String email) {
        Instant now = clock.instant();
        long open = invitations.madeBy(maker.id()).stream()
                .filter(one -> one.isOpen(now))
                .count();
        if (open >= MOST_OPEN) {
            throw Refusal.conflict(
                    MOST_OPEN + " of your invitations are still open", "Take back one that isn't needed.");
        }
        if (email != null && !letters.canSend()) {
            throw Refusal.invalid("email", "No mail can be sent from here. Leave it empty, and hand the link over.");
        }
        String secret = secrets.next();
        Instant ends = now.plus(STANDS);
        long id = invitations.add(
                new Invitations.NewInvitation(Sha256.of(secret), maker.id(), role, student, sees, email, now, ends));
        if (email != null) {
            letters.sendTo(
                    email, "Navlo: " + maker.name().replaceAll("\\p{Cntrl}", " ") + " invites you", """
                    %s invites you to Navlo%s.

                    Follow this link within seven days; it works once:
                    %s/join/%s

                    If you don't know them, do nothing.
                    """.formatted(
                                    maker.name(),
                                    student == null
                                            ? ""
                                            : ", to see their work at school: you would read it and change nothing",
                                    letters.address(),
                                    secret));
        }
        LOG.info("person {} made invitation {}", maker.id(), id);
        return new MadeInvitation(id, secret, ends);
    }

    /** Those that somebody made and that can still be used. @param student whose guardian they let in; null for nobody's */
    public List<Invitation> open(Person maker, @Nullable Long student) {
        Instant now = clock.instant();
        return invitations.madeBy(maker.id()).stream()
                .filter(one -> one.isOpen(now) && Objects.equals(one.studentId(), student))
                .toList();
    }

    /** @throws Refusal if this person made no such invitation, or it was used */
    void withdraw(Person maker, long id) {
        if (!invitations.withdraw(id, maker.id(), clock.instant())) {
            throw Refusal.notFound("invitation");
        }
        LOG.info("person {} took invitation {} back", maker.id(), id);
    }

    /** @throws Refusal if nobody can join by it any more, or it never was one */
    public Invitation look(String secret) {
        return invitations
                .find(Sha256.of(secret))
                .filter(one -> one.isOpen(clock.instant()))
                .orElseThrow(InvitationService::over);
    }

    /** Lets somebody in who is a person here. @throws Refusal if nobody can join by it any more, or it is of nobody's work */
    Invitation join(String secret, Person person) {
        Invitation invitation = look(secret);
        Long student = invitation.studentId();
        if (student == null) {
            throw Refusal.conflict(
                    "You are here already",
                    "This invitation is for somebody new. Sign out to use it for another person.");
        }
        if (student == person.id()) {
            throw Refusal.conflict(
                    "This is your own work", "The invitation is for somebody who may see it. Send them its link.");
        }
        return use(invitation, person);
    }

    record Joined(Invitation invitation, Person person) {}

    /** Makes somebody a person here and lets them in, all or nothing. @throws Refusal as {@link #join}, or naming what doesn't fit */
    Joined joinAsNew(String secret, PersonService.NewPerson form) {
        Invitation invitation = look(secret);
        Person person = people.add(form, invitation.role());
        addresses.begin(person.id(), person.email());
        if (People.key(person.email()).equals(invitation.emailKey())) {
            addresses.proved(person.id());
        }
        return new Joined(use(invitation, person), person);
    }

    private Invitation use(Invitation invitation, Person person) {
        Instant now = clock.instant();
        if (!invitations.use(invitation.id(), person.id(), now)) {
            throw over();
        }
        Long student = invitation.studentId();
        if (student != null) {
            guardianships.accept(student, person.id(), invitation.sees(), now);
        }
        LOG.info("person {} joined by invitation {}", person.id(), invitation.id());
        return invitation;
    }

    private static Refusal over() {
        return Refusal.of(
                HttpStatus.GONE,
                "This invitation can't be used",
                "",
                "It was used, taken back, or is older than seven days. Ask for a new one.");
    }
}

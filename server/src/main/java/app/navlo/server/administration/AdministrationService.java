package app.navlo.server.administration;

import app.navlo.server.account.Person;
import app.navlo.server.account.SignUp;
import app.navlo.server.account.SignedIn;
import app.navlo.server.administration.AdministrationView.CopiesView;
import app.navlo.server.administration.AdministrationView.PersonEntry;
import app.navlo.server.administration.AdministrationView.SpaceView;
import app.navlo.server.administration.AdministrationView.TiedTo;
import app.navlo.server.files.Quota;
import app.navlo.server.health.Health;
import app.navlo.server.notices.Letters;
import app.navlo.server.people.ResetService;
import app.navlo.server.people.SecretWay;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Roll;
import app.navlo.server.time.ServerClock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What who administers sees of this Navlo and does in it. */
@Service
@Transactional
class AdministrationService {
    private static final Logger LOG = LoggerFactory.getLogger(AdministrationService.class);
    private static final int MOST = 200;

    private final Roll roll;
    private final Guardianships guardianships;
    private final SignUp signUp;
    private final SignedIn signedIn;
    private final ResetService resets;
    private final Letters letters;
    private final Health health;
    private final Quota quota;
    private final CopyService copies;
    private final ServerClock clock;

    AdministrationService(
            Roll roll,
            Guardianships guardianships,
            SignUp signUp,
            SignedIn signedIn,
            ResetService resets,
            Letters letters,
            Health health,
            Quota quota,
            CopyService copies,
            ServerClock clock) {
        this.roll = roll;
        this.guardianships = guardianships;
        this.signUp = signUp;
        this.signedIn = signedIn;
        this.resets = resets;
        this.letters = letters;
        this.health = health;
        this.quota = quota;
        this.copies = copies;
        this.clock = clock;
    }

    /** @param sought in names and addresses; everybody for an empty text */
    AdministrationView view(String sought) {
        List<Roll.Enrolled> found = roll.people(sought.strip(), MOST);
        List<Roll.Tie> ties = roll.ties(found.stream().map(Roll.Enrolled::id).toList());
        Map<Long, String> names = roll.names(ties.stream()
                .flatMap(tie -> Stream.of(tie.guardian(), tie.student()))
                .collect(Collectors.toSet()));
        Health.State state = health.now();
        return new AdministrationView(
                signUp.mode(),
                letters.canSend(),
                letters.address(),
                new SpaceView(roll.contents(), state.freeDiskBytes(), quota.bytes()),
                state,
                new CopiesView(copies.canBeMade(), copies.folder(), copies.days(), copies.all()),
                roll.count(),
                found.stream().map(entry -> entry(entry, ties, names)).toList());
    }

    private static PersonEntry entry(Roll.Enrolled entry, List<Roll.Tie> ties, Map<Long, String> names) {
        return new PersonEntry(
                entry,
                ties.stream()
                        .filter(tie -> tie.student() == entry.id())
                        .map(tie -> new TiedTo(tie.guardian(), name(names, tie.guardian()), tie.since()))
                        .toList(),
                ties.stream()
                        .filter(tie -> tie.guardian() == entry.id())
                        .map(tie -> new TiedTo(tie.student(), name(names, tie.student()), tie.since()))
                        .toList());
    }

    private static String name(Map<Long, String> names, long person) {
        return Objects.requireNonNull(names.get(person));
    }

    /**
     * Says whether somebody administers and whether they can sign in. Who can't is signed out everywhere.
     *
     * @throws Refusal of oneself, for somebody has to administer
     */
    void set(Person me, long person, boolean administrator, boolean disabled) {
        check(person);
        if (person == me.id()) {
            throw Refusal.conflict(
                    "You administer this Navlo yourself", "Make somebody else an administrator, and have them do it.");
        }
        roll.set(person, administrator, disabled ? clock.instant() : null);
        if (disabled) {
            signedIn.endAll(person);
        }
        LOG.info(
                "person {} set person {}: {}, {}",
                me.id(),
                person,
                administrator ? "administers" : "doesn't administer",
                disabled ? "disabled" : "can sign in");
    }

    SecretWay help(Person me, long person) {
        check(person);
        LOG.info("person {} made a way to a new password for person {}", me.id(), person);
        return resets.makeFor(person);
    }

    void endGuardianship(Person me, long guardian, long student) {
        if (!guardianships.end(guardian, student)) {
            throw Refusal.notFound("guardian");
        }
        LOG.info("person {} ended that person {} sees the work of {}", me.id(), guardian, student);
    }

    /** @throws Refusal where no mail can be sent */
    void testMail(Person me) {
        if (!letters.canSend()) {
            throw Refusal.conflict("No mail server is set up", "Set NAVLO_MAIL_HOST and start Navlo again.");
        }
        letters.send(me.id(), "Navlo: a test", """
                This is the mail that you asked for. Mail from this Navlo arrives.
                """);
    }

    private void check(long person) {
        if (!roll.knows(person)) {
            throw Refusal.notFound("person");
        }
    }
}

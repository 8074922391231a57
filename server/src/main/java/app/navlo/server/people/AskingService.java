package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.notices.Letters;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.GuardianRequests;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Guardians who ask to see a student's work. Nobody learns who signs in here by asking. */
@Service
@Transactional
public class AskingService {
    private static final Logger LOG = LoggerFactory.getLogger(AskingService.class);
    private static final int MOST_OPEN = 10;

    private final GuardianRequests requests;
    private final Guardianships guardianships;
    private final People people;
    private final Letters letters;
    private final ServerClock clock;

    AskingService(
            GuardianRequests requests, Guardianships guardianships, People people, Letters letters, ServerClock clock) {
        this.requests = requests;
        this.guardianships = guardianships;
        this.people = people;
        this.letters = letters;
        this.clock = clock;
    }

    /** Those whom a student can answer. */
    public List<GuardianRequests.Asking> to(long student) {
        return requests.to(student);
    }

    List<GuardianRequests.Asked> by(Person guardian) {
        return requests.by(guardian.id());
    }

    /** @throws Refusal if too many are open */
    void ask(Person guardian, String email) {
        if (requests.by(guardian.id()).size() >= MOST_OPEN) {
            throw Refusal.conflict(
                    MOST_OPEN + " of your requests aren't answered yet", "Take back one that isn't needed.");
        }
        if (!requests.add(guardian.id(), email, clock.instant())) {
            return;
        }
        LOG.info("person {} asks to see somebody's work", guardian.id());
        if (letters.canSend()) {
            people.find(email)
                    .filter(person -> person.role() == Role.STUDENT && person.id() != guardian.id())
                    .ifPresent(
                            person -> letters.send(person.id(), "Navlo: somebody asks to see your work", """
                            %s (%s) asks to see your work in Navlo: they would read it and change nothing.

                            Say yes or no here, under your name, “Who may see your work”:
                            %s

                            If you don't know them, say no. They aren't told.
                            """.formatted(
                                            guardian.name(), guardian.email(), letters.address())));
        }
    }

    void withdraw(Person guardian, long id) {
        if (!requests.withdraw(guardian.id(), id)) {
            throw Refusal.notFound("request");
        }
    }

    void accept(long student, long id, Sight sees) {
        GuardianRequests.Asking asking = asking(student, id);
        guardianships.accept(student, asking.guardian(), sees, clock.instant());
        requests.remove(id);
        LOG.info("person {} may see the work of {}, as they asked", asking.guardian(), student);
    }

    void decline(long student, long id) {
        requests.remove(asking(student, id).id());
    }

    private GuardianRequests.Asking asking(long student, long id) {
        return requests.to(student, id).orElseThrow(() -> Refusal.notFound("request"));
    }
}

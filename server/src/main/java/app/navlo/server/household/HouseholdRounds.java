package app.navlo.server.household;

import app.navlo.server.account.Person;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Reads the rows that changed before those who look after many ask again: overnight most of three hundred students change, and to
 * read all of them takes seconds. After a start none has been read, so whoever was here of late counts as having asked.
 */
@Component
class HouseholdRounds {
    private static final Logger LOG = LoggerFactory.getLogger(HouseholdRounds.class);

    private final HouseholdService households;
    private final Askings askings;
    private final Guardianships guardianships;
    private final People people;
    private boolean begun;

    HouseholdRounds(HouseholdService households, Askings askings, Guardianships guardianships, People people) {
        this.households = households;
        this.askings = askings;
        this.guardianships = guardianships;
        this.people = people;
    }

    @Scheduled(fixedDelayString = "${navlo.household.round:120s}", initialDelayString = "${navlo.household.first:30s}")
    void round() {
        if (!begun) {
            begun = true;
            whoWasHere();
        }
        for (Asking asking : askings.ofLate()) {
            try {
                households.of(asking);
            } catch (RuntimeException broken) {
                LOG.warn(
                        "the students of person {} couldn't be read",
                        asking.reader().id(),
                        broken);
            }
        }
    }

    /** By the clock of this machine, as sign-ins are. */
    private void whoWasHere() {
        Instant since = ServerClock.ofMachine().instant().minus(Askings.OF_LATE);
        for (long reader : guardianships.ofMany(askings.many(), since)) {
            people.byId(reader)
                    .map(row -> new Person(row.id(), row.email(), row.name(), row.role(), row.zone(), ""))
                    .ifPresent(person -> askings.note(new Asking(person, Spanning.PERIOD, null), askings.many()));
        }
    }
}

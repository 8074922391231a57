package app.navlo.server.household;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Reads the rows that changed before those who look after many ask again: overnight most of three hundred students change, and to
 * read all of them takes seconds.
 */
@Component
class HouseholdRounds {
    private static final Logger LOG = LoggerFactory.getLogger(HouseholdRounds.class);

    private final HouseholdService households;
    private final Askings askings;

    HouseholdRounds(HouseholdService households, Askings askings) {
        this.households = households;
        this.askings = askings;
    }

    @Scheduled(fixedDelayString = "${navlo.household.round:120s}", initialDelayString = "${navlo.household.round:120s}")
    void round() {
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
}

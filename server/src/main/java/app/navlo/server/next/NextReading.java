package app.navlo.server.next;

import app.navlo.server.account.Person;
import app.navlo.server.store.HeldPlans.Turned;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;

/** Reads the plan for somebody; as the student reads it, it holds from then on. */
@Service
class NextReading {
    private static final Logger LOG = LoggerFactory.getLogger(NextReading.class);

    private final NextService next;
    private final PlanHolding holding;

    NextReading(NextService next, PlanHolding holding) {
        this.next = next;
        this.holding = holding;
    }

    /** @param budgetMinutes that today has from now on, whatever its free hours; null for those */
    NextView read(long student, Person reader, @Nullable Integer budgetMinutes, Instant now) {
        NextService.Made made = next.make(student, ZoneId.of(reader.zone()), budgetMinutes, now);
        Turned turned = budgetMinutes == null
                ? holding.turned(made.holding(), made.plan(), now).orElse(null)
                : null;
        if (budgetMinutes == null && reader.id() == student) {
            keep(student, made, turned, now);
        }
        return new PlanWriting(made.board(), made.wishes()).view(made.plan(), made.free(), budgetMinutes, turned);
    }

    /** What can't be kept, on a full disk for example, is planned anew the next time; reading goes on. */
    private void keep(long student, NextService.Made made, @Nullable Turned turned, Instant now) {
        try {
            holding.keep(student, made.holding(), made.plan(), turned, now);
        } catch (DataAccessException | TransactionException fault) {
            LOG.warn("the plan of student {} couldn't be kept", student, fault);
        }
    }
}

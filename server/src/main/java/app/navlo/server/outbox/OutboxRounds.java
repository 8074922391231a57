package app.navlo.server.outbox;

import app.navlo.server.ops.Workers;
import app.navlo.server.outbox.SchoolBox.Undelivered;
import app.navlo.server.store.Outbox;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Takes what lies in the outbox to the school again, until it is known what came of it. One that fails ends no round. */
@Component
class OutboxRounds {
    private static final Logger LOG = LoggerFactory.getLogger(OutboxRounds.class);
    private static final Duration IN_HAND = Duration.ofSeconds(90);
    private static final int AT_ONCE = 4;
    private static final int MOST = 100;

    private final Outbox outbox;
    private final SchoolCommands commands;
    private final ServerClock clock;
    private final Workers workers = new Workers("outbox", AT_ONCE);

    OutboxRounds(Outbox outbox, SchoolCommands commands, ServerClock clock) {
        this.outbox = outbox;
        this.commands = commands;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.outbox.round:3s}")
    void round() {
        Instant now = clock.instant();
        for (long id : outbox.due(now, MOST)) {
            workers.take(id, () -> deliver(id));
        }
    }

    private void deliver(long id) {
        Instant now = clock.instant();
        Outbox.Parcel parcel =
                outbox.claim(id, now, now.plus(IN_HAND)) ? outbox.find(id).orElse(null) : null;
        if (parcel == null) {
            return;
        }
        try {
            commands.deliver(parcel);
        } catch (Undelivered fault) {
            LOG.debug("a parcel for {} didn't get through: {}", fault.school(), fault.getMessage());
        }
    }

    @PreDestroy
    void close() {
        workers.close();
    }
}

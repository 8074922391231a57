package app.navlo.server.people;

import app.navlo.server.store.Leftovers;
import app.navlo.server.time.ServerClock;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Sweeps out what nobody has any use for, some times a day. */
@Component
class Sweeping {
    private static final Logger LOG = LoggerFactory.getLogger(Sweeping.class);

    private final Leftovers leftovers;
    private final ServerClock clock;

    Sweeping(Leftovers leftovers, ServerClock clock) {
        this.leftovers = leftovers;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.sweeping.round:6h}", initialDelayString = "${navlo.sweeping.first:10m}")
    void round() {
        Map<String, Integer> gone = leftovers.sweep(clock.instant());
        if (!gone.isEmpty()) {
            LOG.info("swept out {}", gone);
        }
    }
}

package app.navlo.server.people;

import app.navlo.server.store.Departures;
import app.navlo.server.store.Leftovers;
import app.navlo.server.time.ServerClock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Sweeps out what nobody has any use for, some times a day. */
@Component
class Sweeping {
    private static final Logger LOG = LoggerFactory.getLogger(Sweeping.class);

    private final Leftovers leftovers;
    private final Departures departures;
    private final ServerClock clock;
    private Set<String> unnamed = Set.of();

    Sweeping(Leftovers leftovers, Departures departures, ServerClock clock) {
        this.departures = departures;
        this.leftovers = leftovers;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.sweeping.round:6h}", initialDelayString = "${navlo.sweeping.first:10m}")
    void round() {
        Map<String, Integer> gone = leftovers.sweep(clock.instant());
        if (!gone.isEmpty()) {
            LOG.info("swept out {}", gone);
        }
        contents();
    }

    /** Of what nothing named a round ago either: what is just being put in is named in a moment. */
    private void contents() {
        Set<String> now = leftovers.unnamed();
        List<String> old = now.stream().filter(unnamed::contains).toList();
        old.forEach(departures::forget);
        if (!old.isEmpty()) {
            LOG.info("swept out the contents of {} files that nothing names", old.size());
        }
        unnamed = now;
    }
}

package app.navlo.server.links;

import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.live.ClockMoved;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Asks the links whose time has come, every minute and when the clock of the demo is moved. */
@Component
class LinkRounds {
    private static final Logger LOG = LoggerFactory.getLogger(LinkRounds.class);
    /** Longer than an answer takes: who holds a link that long has been stopped in the middle. */
    private static final Duration IN_HAND = Duration.ofMinutes(5);
    /** After which it is seen whether the removal of a link was undone. */
    private static final Duration REMOVED = Duration.ofDays(1);
    /** That a round in hand has to end when the server does. */
    private static final int LAST_SECONDS = 10;

    private final LinkService service;
    private final Links links;
    private final ServerClock clock;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "links");
        thread.setDaemon(true);
        return thread;
    });

    private final boolean followsClock;

    /** @param followsClock whether links are asked when the demo's clock is moved, too */
    LinkRounds(
            LinkService service,
            Links links,
            ServerClock clock,
            @Value("${navlo.feeds.follow-clock:true}") boolean followsClock) {
        this.followsClock = followsClock;
        this.service = service;
        this.links = links;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.feeds.round:60s}")
    void round() {
        Instant now = clock.instant();
        for (long student : links.studentsToAsk(now)) {
            try {
                round(student, now);
            } catch (RuntimeException broken) {
                LOG.error("the links of student {} couldn't be asked", student, broken);
            }
        }
    }

    private void round(long student, Instant now) {
        List<Link> asked = service.standing(student).stream()
                .filter(link -> !link.paused())
                .toList();
        asked.stream()
                .filter(link -> link.faring().nextAskAt() != null
                        && !link.faring().nextAskAt().isAfter(now))
                .filter(link -> links.claim(link.id(), now, now.plus(IN_HAND)))
                .forEach(link -> ask(link, service.zone(student)));
        links.rest(student, asked.stream().map(Link::id).toList(), now, now.plus(REMOVED));
    }

    private void ask(Link link, String zone) {
        try {
            service.ask(link, zone, null);
        } catch (LinkFault | AskingNow.Stopped known) {
            LOG.debug("{} wasn't read: {}", link.name(), known.getMessage());
        } catch (RuntimeException broken) {
            LOG.error("what {} told couldn't be written down", link.name(), broken);
        }
    }

    @EventListener
    void clockMoved(ClockMoved moved) {
        if (followsClock) {
            worker.execute(this::round);
        }
    }

    @PreDestroy
    void close() throws InterruptedException {
        worker.shutdown();
        worker.awaitTermination(LAST_SECONDS, TimeUnit.SECONDS);
    }
}

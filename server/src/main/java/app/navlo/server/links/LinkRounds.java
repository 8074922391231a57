package app.navlo.server.links;

import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.live.ClockMoved;
import app.navlo.server.ops.Workers;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
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

    private static final int AT_ONCE = 4;

    private final LinkService service;
    private final Links links;
    private final ServerClock clock;
    private final Workers workers = new Workers("links", AT_ONCE);

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
                .forEach(link -> workers.takeGently(link.id(), () -> ask(link, service.zone(student))));
        links.rest(student, asked.stream().map(Link::id).toList(), now, now.plus(REMOVED));
    }

    private void ask(Link link, String zone) {
        Instant now = clock.instant();
        if (!links.claim(link.id(), now, now.plus(IN_HAND))) {
            return;
        }
        try {
            service.ask(link, zone, null);
        } catch (LinkFault | AskingNow.Stopped known) {
            LOG.debug("{} wasn't read: {}", link.name(), known.getMessage());
        }
    }

    @EventListener
    void clockMoved(ClockMoved moved) {
        if (followsClock) {
            workers.take("the round of a moved clock", this::round);
        }
    }

    @PreDestroy
    void close() {
        workers.close();
    }
}

package app.navlo.server.live;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArraySet;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Server-sent events to the pages that are open on a student. What this instance writes is told at once, after it is
 * committed; what another instance wrote is found by looking at the log of changes.
 */
@Component
public class LiveFeed {
    private static final long NEVER = 0L;

    private final JdbcClient db;
    private final Map<Long, Set<SseEmitter>> open = new ConcurrentHashMap<>();
    private final AtomicLong lastSeen = new AtomicLong(-1);

    LiveFeed(JdbcClient db) {
        this.db = db;
    }

    public SseEmitter open(long student) {
        SseEmitter page = new SseEmitter(NEVER);
        Set<SseEmitter> pages = open.computeIfAbsent(student, s -> new CopyOnWriteArraySet<>());
        pages.add(page);
        page.onCompletion(() -> pages.remove(page));
        page.onTimeout(() -> pages.remove(page));
        page.onError(e -> pages.remove(page));
        send(pages, page, SseEmitter.event().name("hello").data("open"));
        return page;
    }

    /** Tells the pages of a student, once the current transaction is committed. */
    public void changed(long student) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            tell(student, "board");
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                tell(student, "board");
            }
        });
    }

    /** Tells every page that the clock was moved. */
    public void clockMoved() {
        open.keySet().forEach(student -> tell(student, "clock"));
    }

    @Scheduled(fixedDelay = 2000)
    void lookForOthers() {
        long before = lastSeen.get();
        Map<Long, Long> latest = new HashMap<>();
        db.sql("SELECT student_id, MAX(id) AS last FROM change WHERE id > :before GROUP BY student_id")
                .param("before", before)
                .query(row -> {
                    latest.put(row.getLong("student_id"), row.getLong("last"));
                });
        latest.values().stream().max(Long::compare).ifPresent(lastSeen::set);
        if (before >= 0) {
            latest.keySet().forEach(student -> tell(student, "board"));
        }
    }

    /** Keeps connections from being taken for dead, and finds those that are. */
    @Scheduled(fixedDelay = 20_000)
    void beat() {
        open.values()
                .forEach(pages -> pages.forEach(
                        page -> send(pages, page, SseEmitter.event().comment("beat"))));
    }

    private void tell(long student, String what) {
        Set<SseEmitter> pages = open.getOrDefault(student, Set.of());
        pages.forEach(page -> send(pages, page, SseEmitter.event().name(what).data("")));
    }

    private static void send(Set<SseEmitter> pages, SseEmitter page, SseEmitter.SseEventBuilder event) {
        try {
            page.send(event);
        } catch (IOException | IllegalStateException gone) {
            pages.remove(page);
        }
    }
}

package app.navlo.server.live;

import app.navlo.server.store.Changes;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArraySet;
import java.util.concurrent.atomic.AtomicLong;
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
    /** Tabs of one person that listen at the same time. */
    private static final int MOST_PAGES = 24;

    /**
     * So many changes are looked at again: of two that are made at once at different instances, the one with the lower number may
     * be committed last. Those of one student never are.
     */
    private static final long OVERLAP = 200;

    private final Changes changes;
    private final Map<Long, Set<SseEmitter>> open = new ConcurrentHashMap<>();
    /** The pages of each person, the oldest first. */
    private final Map<String, Deque<SseEmitter>> readers = new ConcurrentHashMap<>();

    /** The last change that the pages of a student were told of. */
    private final Map<Long, Long> told = new ConcurrentHashMap<>();

    private final AtomicLong lastSeen = new AtomicLong(-1);

    LiveFeed(Changes changes) {
        this.changes = changes;
    }

    /** @param reader who listens; of so many pages of one person the oldest ends */
    public SseEmitter open(long student, String reader) {
        SseEmitter page = new SseEmitter(NEVER);
        readers.compute(reader, (r, pages) -> {
            Deque<SseEmitter> all = pages == null ? new ArrayDeque<>() : pages;
            all.addLast(page);
            if (all.size() > MOST_PAGES) {
                all.removeFirst().complete();
            }
            return all;
        });
        told.putIfAbsent(student, changes.last(student));
        open.compute(student, (s, pages) -> {
            Set<SseEmitter> all = pages == null ? new CopyOnWriteArraySet<>() : pages;
            all.add(page);
            return all;
        });
        page.onCompletion(() -> {
            leave(student, page);
            readers.computeIfPresent(reader, (r, pages) -> {
                pages.remove(page);
                return pages.isEmpty() ? null : pages;
            });
        });
        page.onTimeout(() -> leave(student, page));
        page.onError(e -> leave(student, page));
        send(student, page, SseEmitter.event().name("hello").data("open"));
        return page;
    }

    /**
     * Tells the pages of a student, once the current transaction is committed: once, however much of it there was. Without a
     * transaction it tells at once.
     */
    public void changed(long student) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            tellOfBoard(student);
            return;
        }
        boolean known = TransactionSynchronizationManager.getSynchronizations().stream()
                .anyMatch(one -> one instanceof Told told && told.student == student);
        if (!known) {
            TransactionSynchronizationManager.registerSynchronization(new Told(student));
        }
    }

    /** What is told of a student when the transaction is committed. */
    private final class Told implements TransactionSynchronization {
        private final long student;

        Told(long student) {
            this.student = student;
        }

        @Override
        public void afterCommit() {
            tellOfBoard(student);
        }
    }

    /** The last change is asked for first: what is committed after it is told of by the next look. */
    private void tellOfBoard(long student) {
        if (open.containsKey(student)) {
            long last = changes.last(student);
            told.merge(student, last, Math::max);
            tell(student, "board", String.valueOf(last));
        }
    }

    /** Tells every page that the clock was moved. */
    public void clockMoved() {
        open.keySet().forEach(student -> tell(student, "clock", ""));
    }

    /** What this instance wrote was told of already. */
    @Scheduled(fixedDelay = 2000)
    void lookForOthers() {
        long before = lastSeen.get();
        Map<Long, Long> latest = changes.latestAfter(before - OVERLAP);
        latest.values().stream().max(Long::compare).ifPresent(lastSeen::set);
        if (before < 0) {
            return;
        }
        latest.forEach((student, last) -> {
            if (open.containsKey(student) && last > told.getOrDefault(student, 0L)) {
                told.put(student, last);
                tell(student, "board", String.valueOf(last));
            }
        });
    }

    /** Keeps connections from being taken for dead, and finds those that are. */
    @Scheduled(fixedDelay = 20_000)
    void beat() {
        open.forEach((student, pages) ->
                pages.forEach(page -> send(student, page, SseEmitter.event().comment("beat"))));
    }

    private void tell(long student, String what, String data) {
        open.getOrDefault(student, Set.of())
                .forEach(page ->
                        send(student, page, SseEmitter.event().name(what).data(data)));
    }

    private void send(long student, SseEmitter page, SseEmitter.SseEventBuilder event) {
        try {
            page.send(event);
        } catch (IOException | IllegalStateException gone) {
            leave(student, page);
        }
    }

    /** Nothing is kept of a student once no page is open on them. */
    private void leave(long student, SseEmitter page) {
        open.computeIfPresent(student, (s, pages) -> {
            pages.remove(page);
            if (pages.isEmpty()) {
                told.remove(student);
                return null;
            }
            return pages;
        });
    }
}

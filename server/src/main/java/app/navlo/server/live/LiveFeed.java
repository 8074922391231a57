package app.navlo.server.live;

import app.navlo.server.store.Changes;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArraySet;
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

    private final Changes changes;
    private final Map<Long, Set<SseEmitter>> open = new ConcurrentHashMap<>();
    private final Map<Long, Changes.Mark> told = new ConcurrentHashMap<>();

    LiveFeed(Changes changes) {
        this.changes = changes;
    }

    public SseEmitter open(long student) {
        SseEmitter page = new SseEmitter(NEVER);
        Set<SseEmitter> pages = open.computeIfAbsent(student, s -> new CopyOnWriteArraySet<>());
        pages.add(page);
        told.putIfAbsent(student, changes.mark(student));
        page.onCompletion(() -> pages.remove(page));
        page.onTimeout(() -> pages.remove(page));
        page.onError(e -> pages.remove(page));
        send(pages, page, SseEmitter.event().name("hello").data("open"));
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

    /**
     * The mark is read first: what is committed after it is told of by the next look. What is no change, like a message that
     * was sent, is told of without a number.
     */
    private void tellOfBoard(long student) {
        if (open.containsKey(student)) {
            Changes.Mark mark = changes.mark(student);
            Changes.Mark before = told.put(student, mark);
            tell(student, "board", mark.equals(before) ? "" : String.valueOf(mark.last()));
        }
    }

    /** Tells every page that the clock was moved. */
    public void clockMoved() {
        open.keySet().forEach(student -> tell(student, "clock", ""));
    }

    /** What this instance wrote was told of already, and its mark is known. */
    @Scheduled(fixedDelay = 2000)
    void lookForOthers() {
        for (long student : open.keySet()) {
            Changes.Mark mark = changes.mark(student);
            Changes.Mark before = told.put(student, mark);
            if (before != null && !before.equals(mark)) {
                tell(student, "board", String.valueOf(mark.last()));
            }
        }
    }

    /** Keeps connections from being taken for dead, and finds those that are. */
    @Scheduled(fixedDelay = 20_000)
    void beat() {
        open.values()
                .forEach(pages -> pages.forEach(
                        page -> send(pages, page, SseEmitter.event().comment("beat"))));
    }

    private void tell(long student, String what, String data) {
        Set<SseEmitter> pages = open.getOrDefault(student, Set.of());
        pages.forEach(page -> send(pages, page, SseEmitter.event().name(what).data(data)));
    }

    private static void send(Set<SseEmitter> pages, SseEmitter page, SseEmitter.SseEventBuilder event) {
        try {
            page.send(event);
        } catch (IOException | IllegalStateException gone) {
            pages.remove(page);
        }
    }
}

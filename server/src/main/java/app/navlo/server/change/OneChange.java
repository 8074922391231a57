package app.navlo.server.change;

import app.navlo.server.live.LiveFeed;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.time.ServerClock;
import java.util.function.LongUnaryOperator;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Writes what a student says as one change that can be undone, once for each key, and tells open pages. */
@Component
public class OneChange {
    private final Changes changes;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;

    OneChange(Changes changes, WriteOnce once, LiveFeed live, ServerClock clock) {
        this.changes = changes;
        this.once = once;
        this.live = live;
        this.clock = clock;
    }

    /**
     * What a write comes to once it is known that it may be made.
     *
     * @param rows is given the number of the change, and gives that of what it is about
     */
    public record Intended(ChangeKind kind, String summary, LongUnaryOperator rows) {}

    /**
     * @param asked for, so that one key can't stand for two things
     * @param rows is given the number of the change, and gives that of what it is about
     */
    @Transactional
    public Changed write(Writer writer, String asked, ChangeKind kind, String summary, LongUnaryOperator rows) {
        return write(writer, asked, () -> new Intended(kind, summary, rows));
    }

    /**
     * The same where what it comes to has to be looked up first. A retried write is answered without looking.
     *
     * @param look throws what the writer is refused with
     */
    @Transactional
    public Changed write(Writer writer, String asked, Supplier<Intended> look) {
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, clock.instant());
        return once.run(request, Changed.class, () -> {
            Intended intended = look.get();
            long change = changes.add(new Changes.NewChange(
                    writer.student(),
                    writer.person(),
                    intended.kind(),
                    clock.instant(),
                    Changes.TYPED_IN,
                    intended.summary()));
            long about = intended.rows().applyAsLong(change);
            live.changed(writer.student());
            return new Changed(change, about);
        });
    }
}

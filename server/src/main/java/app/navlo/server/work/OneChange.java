package app.navlo.server.work;

import app.navlo.server.live.LiveFeed;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.time.ServerClock;
import java.util.function.LongUnaryOperator;
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
     * @param asked for, so that one key can't stand for two things
     * @param rows is given the number of the change, and gives that of what it is about
     */
    @Transactional
    public EditedView write(Writer writer, String asked, ChangeKind kind, String summary, LongUnaryOperator rows) {
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, clock.instant());
        return once.run(request, EditedView.class, () -> {
            long change = changes.add(new Changes.NewChange(
                    writer.student(), writer.person(), kind, clock.instant(), Changes.TYPED_IN, summary));
            long about = rows.applyAsLong(change);
            live.changed(writer.student());
            return new EditedView(change, about);
        });
    }
}

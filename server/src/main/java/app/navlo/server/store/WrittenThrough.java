package app.navlo.server.store;

import java.util.concurrent.atomic.AtomicLong;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Has what was committed written through to the disk before anybody is told that it is done. H2 hands what it commits to the
 * operating system, which may keep it for half a minute before the disk has it; a kill loses nothing of that, a power cut does.
 * PostgreSQL does so by itself.
 */
@Component
class WrittenThrough {
    private final Runnable sync;
    private final AtomicLong asked = new AtomicLong();
    private final Object turn = new Object();
    private long through;

    @Autowired
    WrittenThrough(JdbcClient db, @Value("${spring.datasource.url}") String url) {
        // By the connection of who committed: a second one might be waited for in vain.
        this(InPostgres.speaks(url) ? () -> {} : () -> db.sql("CHECKPOINT SYNC").update());
    }

    WrittenThrough(Runnable sync) {
        this.sync = sync;
    }

    /** Once this transaction is committed; outside of one there is nothing to wait for. */
    void onCommit() {
        if (TransactionSynchronizationManager.isSynchronizationActive()
                && TransactionSynchronizationManager.getSynchronizations().stream()
                        .noneMatch(AfterCommit.class::isInstance)) {
            TransactionSynchronizationManager.registerSynchronization(new AfterCommit());
        }
    }

    private final class AfterCommit implements TransactionSynchronization {
        @Override
        public void afterCommit() {
            now();
        }
    }

    /** Who comes while others are being written through is written through with the next ones, all at once. */
    void now() {
        long mine = asked.incrementAndGet();
        synchronized (turn) {
            if (through < mine) {
                long all = asked.get();
                sync.run();
                through = all;
            }
        }
    }
}

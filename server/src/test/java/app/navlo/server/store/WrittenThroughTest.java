package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What is answered as done lies on the disk. */
public class WrittenThroughTest {
    private static final int WRITERS = 40;

    private final AtomicInteger syncs = new AtomicInteger();
    private final DriverManagerDataSource data = new DriverManagerDataSource("jdbc:h2:mem:through;DB_CLOSE_DELAY=-1");
    private final TransactionTemplate transaction = new TransactionTemplate(new DataSourceTransactionManager(data));
    private final WrittenThrough disk = new WrittenThrough(syncs::incrementAndGet);

    @BeforeMethod
    public void none() {
        syncs.set(0);
    }

    @Test
    public void oneCommitIsWrittenThroughOnceAfterItIsCommitted() {
        transaction.executeWithoutResult(status -> {
            disk.onCommit();
            disk.onCommit();
            assertEquals(syncs.get(), 0, "nothing is committed yet");
        });
        assertEquals(syncs.get(), 1);
    }

    @Test
    public void whatIsTakenBackIsntWaitedFor() {
        transaction.executeWithoutResult(status -> {
            disk.onCommit();
            status.setRollbackOnly();
        });
        disk.onCommit();
        assertEquals(syncs.get(), 0);
    }

    /** Many who write at once wait for a few turns, and each for one that began after it had committed. */
    @Test(timeOut = 60_000)
    public void aCrowdIsWrittenThroughTogether() throws Exception {
        CountDownLatch first = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        List<Integer> committed = new ArrayList<>();
        List<Integer> covered = new ArrayList<>();
        WrittenThrough slow = new WrittenThrough(() -> {
            synchronized (committed) {
                covered.clear();
                covered.addAll(committed);
            }
            syncs.incrementAndGet();
            first.countDown();
            await(go);
        });
        ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
        List<Future<Boolean>> done = new ArrayList<>();
        for (int i = 0; i < WRITERS; i++) {
            int writer = i;
            done.add(writers.submit(() -> {
                synchronized (committed) {
                    committed.add(writer);
                }
                slow.now();
                synchronized (committed) {
                    return covered.contains(writer);
                }
            }));
        }
        first.await();
        while (count(committed) < WRITERS) {
            TimeUnit.MILLISECONDS.sleep(5);
        }
        TimeUnit.MILLISECONDS.sleep(100);
        go.countDown();
        for (Future<Boolean> one : done) {
            assertTrue(one.get(), "answered before it was written through");
        }
        writers.shutdown();
        assertTrue(syncs.get() < WRITERS / 2, syncs.get() + " turns for " + WRITERS);
    }

    private static int count(List<Integer> committed) {
        synchronized (committed) {
            return committed.size();
        }
    }

    private static void await(CountDownLatch go) {
        try {
            go.await(10, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    /** The database knows the words by which it is asked. */
    @Test
    public void theDatabaseIsAsked() {
        JdbcClient db = JdbcClient.create(data);
        WrittenThrough real = new WrittenThrough(db, "");
        transaction.executeWithoutResult(status -> {
            db.sql("CREATE TABLE IF NOT EXISTS t (v INT)").update();
            db.sql("INSERT INTO t VALUES (1)").update();
            real.onCommit();
        });
        assertEquals(db.sql("SELECT COUNT(*) FROM t").query(Integer.class).single(), Integer.valueOf(1));
    }
}

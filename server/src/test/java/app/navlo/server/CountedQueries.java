package app.navlo.server;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryCount;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.DataSourceQueryCountListener;
import net.ttddyy.dsproxy.listener.SingleQueryCountHolder;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Counts the statements that reach the database, from whatever thread but those of the rounds, which come by themselves. */
@TestConfiguration
public class CountedQueries {
    private static final SingleQueryCountHolder COUNTS = new SingleQueryCountHolder();
    private static final AtomicInteger WRITES = new AtomicInteger();
    private static final int TIMES = 4;
    private static final String ROUNDS = "scheduling-";

    @Bean
    static BeanPostProcessor countingDataSource() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                if (!(bean instanceof DataSource source)) {
                    return bean;
                }
                DataSourceQueryCountListener listener = new DataSourceQueryCountListener() {
                    @Override
                    public void afterQuery(ExecutionInfo execution, List<QueryInfo> queries) {
                        if (!Thread.currentThread().getName().startsWith(ROUNDS)) {
                            super.afterQuery(execution, queries);
                            WRITES.addAndGet((int) queries.stream()
                                    .filter(one -> !one.getQuery().strip().startsWith("SELECT"))
                                    .count());
                        }
                    }
                };
                listener.setQueryCountStrategy(COUNTS);
                return ProxyDataSourceBuilder.create(source).listener(listener).build();
            }
        };
    }

    /** How many statements were no questions. */
    static int writes(Runnable asked) {
        int before = WRITES.get();
        asked.run();
        return WRITES.get() - before;
    }

    /** The fewest of a few times: now and then something is read for the first time. */
    static long fewest(Runnable asked) {
        long fewest = Long.MAX_VALUE;
        for (int i = 0; i < TIMES; i++) {
            COUNTS.getQueryCountMap().clear();
            asked.run();
            long now = COUNTS.getQueryCountMap().values().stream()
                    .mapToLong(QueryCount::getTotal)
                    .sum();
            fewest = Math.min(fewest, now);
        }
        return fewest;
    }
}

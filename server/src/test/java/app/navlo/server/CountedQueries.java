package app.navlo.server;

import javax.sql.DataSource;
import net.ttddyy.dsproxy.QueryCount;
import net.ttddyy.dsproxy.listener.DataSourceQueryCountListener;
import net.ttddyy.dsproxy.listener.SingleQueryCountHolder;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Counts the statements that reach the database, from whatever thread. */
@TestConfiguration
public class CountedQueries {
    private static final SingleQueryCountHolder COUNTS = new SingleQueryCountHolder();
    private static final int TIMES = 4;

    @Bean
    static BeanPostProcessor countingDataSource() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                if (!(bean instanceof DataSource source)) {
                    return bean;
                }
                DataSourceQueryCountListener listener = new DataSourceQueryCountListener();
                listener.setQueryCountStrategy(COUNTS);
                return ProxyDataSourceBuilder.create(source).listener(listener).build();
            }
        };
    }

    /** The fewest of a few times: now and then the server looks for what other instances wrote. */
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

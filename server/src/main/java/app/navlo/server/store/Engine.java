package app.navlo.server.store;

import com.zaxxer.hikari.HikariDataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.stereotype.Component;

/**
 * Which database holds the data: H2 in a file of its own, one that another process has open for several instances, or PostgreSQL.
 * Decided by the address of the data when the server starts.
 */
@Component
class Engine implements BeanPostProcessor {
    /** How the address of data begins that another process has open. */
    static final String SERVED = "jdbc:h2:tcp:";

    private static final String LOCK_PATIENCE = "SET lock_timeout = '20s'";

    @Override
    public Object postProcessBeforeInitialization(Object bean, String name) {
        if (bean instanceof HikariDataSource pool && InPostgres.speaks(pool.getJdbcUrl())) {
            pool.addDataSourceProperty(InPostgres.TEXTS, InPostgres.UNTYPED);
            pool.setConnectionInitSql(LOCK_PATIENCE);
        }
        return bean;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof HikariDataSource pool && InPostgres.speaks(pool.getJdbcUrl())
                ? new InPostgres(pool)
                : bean;
    }
}

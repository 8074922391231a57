package app.navlo.server.store;

import app.navlo.server.problem.OutOfReach;
import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.HikariPoolMXBean;
import javax.sql.DataSource;
import org.springframework.boot.jdbc.DataSourceUnwrapper;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Where one connection is of no use any more, none that was open beside it is: all are given up, and new ones open the data again. */
@Component
class Reopening {
    private final DataSource data;

    Reopening(DataSource data) {
        this.data = data;
    }

    @EventListener(OutOfReach.Met.class)
    void allAnew() {
        HikariDataSource pooled = DataSourceUnwrapper.unwrap(data, HikariDataSource.class);
        HikariPoolMXBean pool = pooled == null ? null : pooled.getHikariPoolMXBean();
        if (pool != null) {
            pool.softEvictConnections();
        }
    }
}

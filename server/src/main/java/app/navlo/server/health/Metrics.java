package app.navlo.server.health;

import app.navlo.server.store.Pulse;
import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.metrics.micrometer.MicrometerMetricsTrackerFactory;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.Timer;
import io.micrometer.core.instrument.binder.jvm.JvmMemoryMetrics;
import io.micrometer.core.instrument.binder.jvm.JvmThreadMetrics;
import io.micrometer.core.instrument.binder.system.ProcessorMetrics;
import io.micrometer.core.instrument.binder.system.UptimeMetrics;
import io.micrometer.prometheusmetrics.PrometheusConfig;
import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.jdbc.DataSourceUnwrapper;
import org.springframework.stereotype.Component;

/** What the server does, counted: requests, connections, memory, and what waits to leave the process. */
@Component
class Metrics {
    private final PrometheusMeterRegistry registry = new PrometheusMeterRegistry(PrometheusConfig.DEFAULT);
    private final boolean on;

    /** @param port of {@link OpsServer}; where there is none, nothing is counted */
    Metrics(@Value("${navlo.ops.port:-1}") int port, Pulse pulse, DataSource data) {
        on = port >= 0;
        if (on) {
            new JvmMemoryMetrics().bindTo(registry);
            new JvmThreadMetrics().bindTo(registry);
            new ProcessorMetrics().bindTo(registry);
            new UptimeMetrics().bindTo(registry);
            HikariDataSource pool = DataSourceUnwrapper.unwrap(data, HikariDataSource.class);
            if (pool != null) {
                pool.setMetricsTrackerFactory(new MicrometerMetricsTrackerFactory(registry));
            }
            Gauge.builder("navlo.outbox.waiting", pulse, one -> one.counts().outbox())
                    .register(registry);
            Gauge.builder("navlo.messages.waiting", pulse, one -> one.counts().messages())
                    .register(registry);
            Gauge.builder("navlo.links.failing", pulse, one -> one.counts().failingLinks())
                    .register(registry);
            Gauge.builder("navlo.sessions", pulse, one -> one.counts().sessions())
                    .register(registry);
        }
    }

    /** @param route as it is mapped, so that no number of a student is in it */
    void request(String method, String route, int status, Duration took) {
        if (on) {
            Timer.builder("http.server.requests")
                    .tag("method", method)
                    .tag("uri", route)
                    .tag("status", Integer.toString(status))
                    .register(registry)
                    .record(took);
        }
    }

    String text() {
        return registry.scrape();
    }
}

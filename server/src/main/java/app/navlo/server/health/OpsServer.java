package app.navlo.server.health;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers whoever runs the server, on this machine alone: {@code /health} with 200 or 503, and {@code /metrics} in the text
 * format of Prometheus. Without a port there is none.
 */
@Component
public class OpsServer {
    private static final Logger LOG = LoggerFactory.getLogger(OpsServer.class);
    private static final int BACKLOG = 10;

    private final int port;
    private final Health health;
    private final Metrics metrics;
    private final JsonMapper json;
    private @Nullable HttpServer http;

    /** @param port to listen on; 0 for any that is free, below 0 for none */
    OpsServer(@Value("${navlo.ops.port:-1}") int port, Health health, Metrics metrics, JsonMapper json) {
        this.port = port;
        this.health = health;
        this.metrics = metrics;
        this.json = json;
    }

    @EventListener(ApplicationReadyEvent.class)
    void open() throws IOException {
        if (port < 0) {
            return;
        }
        http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), BACKLOG);
        http.createContext("/health", exchange -> {
            Health.State state = health.now();
            send(exchange, state.up() ? 200 : 503, "application/json", json.writeValueAsString(state));
        });
        http.createContext("/metrics", exchange -> send(exchange, 200, "text/plain; version=0.0.4", metrics.text()));
        http.start();
        LOG.info("health and metrics at http://localhost:{}", http.getAddress().getPort());
    }

    /** Where it listens; below 0 for nowhere. */
    public int listensAt() {
        return http == null ? -1 : http.getAddress().getPort();
    }

    @PreDestroy
    void close() {
        if (http != null) {
            http.stop(0);
        }
    }

    private static void send(HttpExchange exchange, int status, String type, String body) throws IOException {
        try (exchange) {
            byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", type);
            exchange.sendResponseHeaders(status, bytes.length);
            exchange.getResponseBody().write(bytes);
        }
    }
}

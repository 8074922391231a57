package app.navlo.server.health;

import app.navlo.server.store.Pulse;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers whoever runs the server, on this machine alone: {@code /health} with 200 or 503, and {@code /metrics} in the text
 * format of Prometheus. Without a port there is none.
 */
@Component
public class OpsServer {
    private static final Logger LOG = LoggerFactory.getLogger(OpsServer.class);
    private static final long LEAST_DISK_BYTES = 100L << 20;
    private static final int BACKLOG = 10;

    private final int port;
    private final Pulse pulse;
    private final Metrics metrics;
    private final JsonMapper json;
    private final Path data;
    private @Nullable HttpServer http;

    /** @param port to listen on; 0 for any that is free, below 0 for none */
    OpsServer(
            @Value("${navlo.ops.port:-1}") int port,
            @Value("${navlo.ops.data:.}") Path data,
            Pulse pulse,
            Metrics metrics,
            JsonMapper json) {
        this.port = port;
        this.data = data;
        this.pulse = pulse;
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
            Health health = health();
            send(exchange, health.up() ? 200 : 503, "application/json", json.writeValueAsString(health));
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

    /**
     * @param counts null where the data doesn't answer
     * @param why it isn't well; empty if it is
     */
    record Health(boolean up, List<String> why, long freeDiskBytes, Pulse.@Nullable Counts counts) {}

    private Health health() {
        List<String> why = new ArrayList<>();
        Pulse.Counts counts = null;
        try {
            counts = pulse.counts();
        } catch (DataAccessException broken) {
            why.add("the data doesn't answer");
        }
        long free = data.toAbsolutePath().toFile().getUsableSpace();
        if (free < LEAST_DISK_BYTES) {
            why.add("the disk is nearly full");
        }
        return new Health(why.isEmpty(), why, free, counts);
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

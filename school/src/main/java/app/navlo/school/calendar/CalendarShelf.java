package app.navlo.school.calendar;

import app.navlo.school.page.OwnHost;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;

/** Offers calendar feeds by HTTP, on this machine only. Says "not modified" to who has them already. */
public final class CalendarShelf implements AutoCloseable {
    /** The rowing club's practice and regattas. */
    public static final String ROWING = "rowing.ics";

    private final Map<String, String> feeds = new ConcurrentHashMap<>();
    private final AtomicInteger sent = new AtomicInteger();
    private final HttpServer server;
    private volatile int fails;

    private CalendarShelf(int port) throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        OwnHost.guard(server.createContext("/", this::answer));
        feeds.put(ROWING, resource(ROWING));
    }

    /**
     * @param port 0 for any that is free
     * @throws IOException if the port is taken
     */
    public static CalendarShelf open(int port) throws IOException {
        CalendarShelf shelf = new CalendarShelf(port);
        shelf.server.start();
        return shelf;
    }

    private static String resource(String name) throws IOException {
        try (InputStream in = Objects.requireNonNull(CalendarShelf.class.getResourceAsStream(name), name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String feed = feeds.get(exchange.getRequestURI().getPath().substring(1));
            if (fails != 0 || feed == null) {
                exchange.sendResponseHeaders(fails == 0 ? 404 : fails, -1);
                return;
            }
            String tag = "\"" + Integer.toHexString(feed.hashCode()) + "\"";
            exchange.getResponseHeaders().set("ETag", tag);
            if (tag.equals(exchange.getRequestHeaders().getFirst("If-None-Match"))) {
                exchange.sendResponseHeaders(304, -1);
                return;
            }
            byte[] body = feed.getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/calendar; charset=utf-8");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
            sent.incrementAndGet();
        }
    }

    /** Where a feed can be fetched. */
    public String address(String feed) {
        return "http://localhost:" + server.getAddress().getPort() + "/" + feed;
    }

    /** From now on the feed says this. */
    public void put(String feed, String calendar) {
        feeds.put(feed, calendar);
    }

    /** @param status that every request is answered with; 0 for none */
    public void fail(int status) {
        fails = status;
    }

    /** How many times a feed was sent in full. */
    public int sent() {
        return sent.get();
    }

    @Override
    public void close() {
        server.stop(0);
    }
}

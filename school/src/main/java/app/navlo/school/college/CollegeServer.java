package app.navlo.school.college;

import app.navlo.school.college.College.Refused;
import app.navlo.school.page.OwnHost;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The school's systems over HTTP, on this machine only: the course site with its hand-in box and calendars, and the
 * gradebook. Each request but those for a calendar names the student by a token.
 */
public final class CollegeServer implements AutoCloseable {
    private static final String PLACE = "/site/work/";
    private static final String PAPER = "/site/papers/";
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_BYTES = 200 << 20;
    private static final int MOST_FORM = 1 << 16;
    private static final long SLOW_MILLIS = 3_000;
    private static final String SITE = "/site/v1/";
    private static final Map<String, Deed.Kind> WRITES = Map.of(
            "hand-ins", Deed.Kind.HANDED_IN,
            "withdrawals", Deed.Kind.WITHDRAWN,
            "requests", Deed.Kind.EXTENSION_ASKED,
            "messages", Deed.Kind.WRITTEN_TO);

    private final School school;
    private final Supplier<College> opening;
    private @Nullable College opened;
    private final CollegeFaults faults = new CollegeFaults();
    private final AtomicInteger answered = new AtomicInteger();
    private final AtomicInteger unchanged = new AtomicInteger();
    private final HttpServer http;
    private final ExecutorService threads = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "school");
        thread.setDaemon(true);
        return thread;
    });

    private CollegeServer(School school, Supplier<College> opening, int port) throws IOException {
        this.school = school;
        this.opening = opening;
        this.http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        OwnHost.guard(this.http.createContext("/", this::answer));
        this.http.setExecutor(threads);
    }

    /**
     * @param opening of the school, at the first request
     * @param port 0 for any that is free
     * @throws IOException if the port is taken
     */
    public static CollegeServer open(School school, Supplier<College> opening, int port) throws IOException {
        CollegeServer server = new CollegeServer(school, opening, port);
        server.http.start();
        return server;
    }

    private synchronized College college() {
        if (opened == null) {
            opened = opening.get();
        }
        return opened;
    }

    private RecordWriter records() {
        return new RecordWriter(college());
    }

    public String address() {
        return "http://localhost:" + http.getAddress().getPort();
    }

    /** From now on, until another. */
    public void fault(Fault fault) {
        faults.now(fault);
    }

    /** Requests that were answered in full. */
    public int answered() {
        return answered.get();
    }

    /** Requests that were answered with "not modified". */
    public int unchanged() {
        return unchanged.get();
    }

    /** @param tag of what is answered; null for what has none */
    private record Answer(
            int status, String type, byte[] body, @Nullable String tag) {
        static Answer json(int status, JsonNode body) {
            return new Answer(status, "application/json", body.toString().getBytes(StandardCharsets.UTF_8), null);
        }

        static Answer fault(int status, String why) {
            return json(status, JSON.createObjectNode().put("why", why));
        }
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            Fault fault = faults.now();
            if (fault == Fault.DOWN) {
                return;
            }
            if (fault == Fault.SLOW) {
                Thread.sleep(SLOW_MILLIS);
            }
            faults.hang();
            Answer answer = fault == Fault.ERROR ? Answer.fault(500, "Something broke here.") : safely(exchange);
            send(exchange, answer, fault == Fault.HALF);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private Answer safely(HttpExchange exchange) throws IOException {
        try {
            return route(exchange);
        } catch (Refused refused) {
            return Answer.fault(refused.status, String.valueOf(refused.getMessage()));
        } catch (JacksonException bad) {
            return Answer.fault(400, "The request is no JSON that can be read.");
        } catch (RuntimeException broken) {
            return Answer.fault(500, "Something broke here: " + broken.getMessage());
        }
    }

    private Answer route(HttpExchange exchange) throws IOException, Refused {
        String path = exchange.getRequestURI().getPath();
        String method = exchange.getRequestMethod();
        if (path.equals("/")) {
            return page();
        }
        if (path.startsWith(PLACE)) {
            return place(exchange);
        }
        if (path.startsWith(PAPER)) {
            return paperNamed(path.substring(PAPER.length()));
        }
        if (path.startsWith("/site/calendar/")) {
            String course = path.substring("/site/calendar/".length()).replaceFirst("\\.ics$", "");
            return tagged(
                    "text/calendar; charset=utf-8", faults.calendar(records().calendar(course)));
        }
        if (!("Bearer " + school.token()).equals(exchange.getRequestHeaders().getFirst("Authorization"))) {
            return Answer.fault(401, "The school doesn't know this token.");
        }
        if (path.equals("/gradebook/oneroster.zip")) {
            return tagged("application/zip", faults.zip(new Gradebook(college()).bundle()));
        }
        if (path.equals("/faults") && method.equals("POST")) {
            fault(Fault.valueOf(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8).strip()));
            return Answer.json(
                    200, JSON.createObjectNode().put("fault", faults.now().name()));
        }
        if (path.equals(SITE + "record")) {
            return tagged("application/json", bytes(faults.record(records().record(after(exchange)))));
        }
        if (path.startsWith(SITE + "files/") && method.equals("PUT")) {
            return keep(path.substring((SITE + "files/").length()), exchange);
        }
        Deed.Kind write =
                path.startsWith(SITE) && method.equals("POST") ? WRITES.get(path.substring(SITE.length())) : null;
        return write == null ? Answer.fault(404, "There is nothing at " + path + ".") : write(write, exchange);
    }

    private static byte[] bytes(JsonNode node) {
        return node.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static Answer tagged(String type, byte[] body) {
        return new Answer(200, type, body, "\"" + sha256(body).substring(0, 32) + "\"");
    }

    private long after(HttpExchange exchange) {
        String query = Optional.ofNullable(exchange.getRequestURI().getQuery()).orElse("");
        String after = query.startsWith("after=") ? query.substring("after=".length()) : "0";
        return after.equals("start") ? college().begunWith() : Long.parseLong(after);
    }

    private Answer keep(String sha256, HttpExchange exchange) throws IOException, Refused {
        byte[] content = exchange.getRequestBody().readNBytes(MOST_BYTES + 1);
        if (content.length > MOST_BYTES) {
            throw new Refused(413, "The school takes files of at most 200 MB.");
        }
        if (!sha256(content).equals(sha256)) {
            throw new Refused(422, "The file came in other than it was sent. Send it again.");
        }
        college().store().keep(sha256, content);
        return Answer.json(200, JSON.createObjectNode().put("sha256", sha256));
    }

    /** The same key gives the same answer, and happens once. */
    private Answer write(Deed.Kind kind, HttpExchange exchange) throws IOException, Refused {
        String key = exchange.getRequestHeaders().getFirst("Idempotency-Key");
        if (key == null || key.isBlank()) {
            throw new Refused(400, "A write needs an Idempotency-Key.");
        }
        College college = college();
        synchronized (college) {
            Optional<CollegeStore.Answer> before = college.store().answer(key);
            if (before.isPresent()) {
                return Answer.json(
                        before.get().status(), JSON.readTree(before.get().body()));
            }
            ObjectNode body =
                    (ObjectNode) JSON.readTree(exchange.getRequestBody().readAllBytes());
            String item = body.path("item").asString("");
            body.remove("item");
            for (JsonNode file : body.path("files")) {
                if (college.store().file(file.path("sha256").asString("")).isEmpty()) {
                    throw new Refused(
                            422, "The file " + file.path("name").asString("") + " hasn't arrived. Send it first.");
                }
            }
            Deed deed = college.student(kind, faults.oldKey(item), body);
            ObjectNode receipt = JSON.createObjectNode()
                    .put("receipt", "%s-%06d".formatted(school.receipts(), deed.id()))
                    .put("deed", deed.id())
                    .put("at", deed.at().toString())
                    .put("attempt", deed.body().path("attempt").asInt(1));
            college.store().answered(key, new CollegeStore.Answer(201, receipt.toString()));
            return Answer.json(201, receipt);
        }
    }

    /** The address of the page of a piece of work, from the root of this server. */
    public static String place(String key) {
        return PLACE + URLEncoder.encode(key, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /** The address of a file that belongs to an announcement, from the root of this server. */
    static String paper(String name) {
        return PAPER + name;
    }

    /** A file that belongs to something that was announced by now. */
    private Answer paperNamed(String name) throws IOException, Refused {
        boolean announced = college().files().announcements().stream()
                .anyMatch(one ->
                        name.equals(one.paper()) && !one.at().isAfter(college().now()));
        if (!announced) {
            throw new Refused(404, "The school has no such paper.");
        }
        try (InputStream in =
                Objects.requireNonNull(CollegeServer.class.getResourceAsStream("/demo/files/" + name), name)) {
            return new Answer(200, "application/pdf", in.readAllBytes(), null);
        }
    }

    /** What a class sees of a piece of work: what is asked, by when, and where it goes; and what is answered there. */
    private Answer place(HttpExchange exchange) throws IOException, Refused {
        String key = URLDecoder.decode(
                exchange.getRequestURI().getRawPath().substring(PLACE.length()), StandardCharsets.UTF_8);
        Item item = college().published().stream()
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new Refused(404, "The school has no such work, or hasn't told of it yet."));
        WorkPage page = new WorkPage(college(), item);
        if (!exchange.getRequestMethod().equals("POST")) {
            return html(page.write());
        }
        String from = exchange.getRequestHeaders().getFirst("Sec-Fetch-Site");
        if (from != null && !from.equals("same-origin")) {
            throw new Refused(403, "Answers are taken from the page of the work alone. Open it, and answer there.");
        }
        Map<String, String> form = form(exchange.getRequestBody().readNBytes(MOST_FORM));
        return html(form.containsKey("begin") ? page.begin() : page.answer(form));
    }

    private static Answer html(String page) {
        return new Answer(200, "text/html; charset=utf-8", page.getBytes(StandardCharsets.UTF_8), null);
    }

    private static Map<String, String> form(byte[] body) {
        Map<String, String> form = new HashMap<>();
        for (String pair : new String(body, StandardCharsets.UTF_8).split("&")) {
            int cut = pair.indexOf('=');
            if (cut > 0) {
                form.put(
                        URLDecoder.decode(pair.substring(0, cut), StandardCharsets.UTF_8),
                        URLDecoder.decode(pair.substring(cut + 1), StandardCharsets.UTF_8));
            }
        }
        return form;
    }

    private Answer page() {
        College college = college();
        StringBuilder page = new StringBuilder("""
                <!doctype html>
                <html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
                <title>%1$s</title>
                <style>
                :root { color-scheme: light dark }
                body { font: 15px/1.5 system-ui, sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem;
                       background: light-dark(#f7f4ec, #0f1f1d); color: light-dark(#14302b, #e9e6da) }
                code { overflow-wrap: anywhere } a { color: inherit }
                </style>
                <main><h1>%1$s</h1>
                <p>A simulated school: nobody is here. It stands in for a course site and a gradebook, and acts by the
                clock of the demo.</p>
                <ul>
                <li>Course site and hand-in box: <code>%2$s/site/v1/</code></li>
                <li>Gradebook, as OneRoster 1.2 CSV: <code>%2$s/gradebook/oneroster.zip</code></li>
                """.formatted(college.name(), address()));
        college.files()
                .courses()
                .values()
                .forEach(course -> page.append("<li>Calendar of %1$s: <a href=\"%2$s\"><code>%3$s%2$s</code></a></li>\n"
                        .formatted(course.name(), "/site/calendar/" + course.key() + ".ics", address())));
        return html(page.append("</ul></main></html>\n").toString());
    }

    private void send(HttpExchange exchange, Answer answer, boolean half) throws IOException {
        String known = exchange.getRequestHeaders().getFirst("If-None-Match");
        if (answer.tag() != null) {
            exchange.getResponseHeaders().set("ETag", answer.tag());
            if (answer.tag().equals(known) && !half) {
                unchanged.incrementAndGet();
                exchange.sendResponseHeaders(304, -1);
                return;
            }
        }
        exchange.getResponseHeaders().set("Content-Type", answer.type());
        exchange.getResponseHeaders()
                .set(
                        "Content-Security-Policy",
                        "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'self'");
        exchange.sendResponseHeaders(answer.status(), answer.body().length);
        OutputStream out = exchange.getResponseBody();
        out.write(half ? Arrays.copyOf(answer.body(), answer.body().length / 2) : answer.body());
        if (!half) {
            answered.incrementAndGet();
        }
    }

    private static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        http.stop(0);
        threads.shutdownNow();
        synchronized (this) {
            if (opened != null) {
                opened.close();
            }
        }
    }
}

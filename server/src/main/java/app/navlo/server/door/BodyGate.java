package app.navlo.server.door;

import app.navlo.server.problem.BodyRefused;
import app.navlo.server.problem.Problems;
import app.navlo.server.problem.Refusal;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.util.MultiValueMap;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/**
 * Bounds what a request may bring before anybody is asked who they are: how large a body is, how long it takes, and how many come from
 * one source at once. Files of nobody are not even begun to be read: they have to bring a token or what a page of ours sends.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class BodyGate extends OncePerRequestFilter {
    /**
     * What a body may be.
     *
     * @param longest until its last byte
     * @param atOnce from one source
     * @param inAll from everybody: fewer than there are threads, so that whoever reads is answered
     */
    record Limits(long form, long json, long corrections, Duration longest, int atOnce, int inAll) {}

    private static final Limits LIMITS = new Limits(8 << 10, 1 << 20, 4 << 20, Duration.ofSeconds(20), 60, 150);

    /** The corrections of a long table: a row each. */
    private static final Pattern CORRECTIONS = Pattern.compile("/api/students/[^/]+/imports(/.*)?");

    private static final Duration MOMENT = Duration.ofSeconds(2);
    /** So often nothing came. */
    private static final int QUIET = 10;

    private static final long A_WHILE = Duration.ofMillis(20).toNanos();
    private static final String PAGE_TOKEN = "X-XSRF-TOKEN";

    private final Problems problems;
    private final Space space;
    private final Limits limits;
    private final Map<String, Integer> coming = new ConcurrentHashMap<>();
    private final AtomicInteger inAll = new AtomicInteger();

    @Autowired
    BodyGate(Problems problems, Space space) {
        this(problems, space, LIMITS);
    }

    BodyGate(Problems problems, Space space, Limits limits) {
        this.problems = problems;
        this.space = space;
        this.limits = limits;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getContentLengthLong() <= 0 && request.getHeader(HttpHeaders.TRANSFER_ENCODING) == null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String source = request.getRemoteAddr();
        int now = coming.merge(source, 1, Integer::sum);
        int all = inAll.incrementAndGet();
        try {
            if (now > limits.atOnce() || all > limits.inAll()) {
                refuse(
                        request,
                        response,
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "Too much at once",
                        "Wait a moment, then try again.");
            } else if (!isSpaceFor(request)) {
                refuse(
                        request,
                        response,
                        HttpStatus.INSUFFICIENT_STORAGE,
                        "There is no space left",
                        "Nothing was changed, and everything can still be read. Who runs this Navlo has to make space on its disk.");
            } else if (isFiles(request)) {
                files(request, response, chain);
            } else {
                text(request, response, chain);
            }
        } finally {
            inAll.decrementAndGet();
            coming.computeIfPresent(source, (key, many) -> many == 1 ? null : many - 1);
        }
    }

    /** Signing in and asking writes next to nothing, and is let through. */
    private boolean isSpaceFor(HttpServletRequest request) {
        if (isFiles(request)) {
            return space.isThereForFiles(request.getContentLengthLong());
        }
        return !request.getRequestURI().startsWith("/api/students/") || space.isThereForText();
    }

    private static String type(HttpServletRequest request) {
        return Objects.requireNonNullElse(request.getContentType(), "").toLowerCase(Locale.ROOT);
    }

    private static boolean isFiles(HttpServletRequest request) {
        return type(request).startsWith("multipart/");
    }

    private void files(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean ours = request.getHeader(PAGE_TOKEN) != null || request.getHeader(HttpHeaders.AUTHORIZATION) != null;
        if (ours && request.getRequestURI().startsWith("/api/students/")) {
            chain.doFilter(request, response);
        } else {
            refuse(
                    request,
                    response,
                    HttpStatus.FORBIDDEN,
                    "No files are taken here",
                    "Sign in, and add them on the page.");
        }
    }

    private void text(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean form = type(request).startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE);
        long most = form ? limits.form() : most(request);
        if (request.getContentLengthLong() > most) {
            readOn(request);
            refuse(request, response, BodyRefused.tooLarge(most).refusal());
            return;
        }
        LimitedBody body = new LimitedBody(request.getInputStream(), most, limits.longest());
        try {
            chain.doFilter(form ? new Form(request, body) : new Text(request, body), response);
        } catch (BodyRefused refused) {
            refuse(request, response, refused.refusal());
        }
    }

    private long most(HttpServletRequest request) {
        return CORRECTIONS.matcher(request.getRequestURI()).matches() ? limits.corrections() : limits.json();
    }

    /** For a moment, as long as something comes: most programs read an answer only once they have sent what they have. */
    private void readOn(HttpServletRequest request) throws IOException {
        long until = System.nanoTime() + MOMENT.toNanos();
        ServletInputStream rest = request.getInputStream();
        int quiet = 0;
        while (quiet < QUIET && System.nanoTime() < until && !rest.isFinished()) {
            if (rest.available() > 0) {
                rest.skip(rest.available());
                quiet = 0;
            } else {
                quiet++;
                LockSupport.parkNanos(A_WHILE);
            }
        }
    }

    private void refuse(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, String title, String cure)
            throws IOException {
        refuse(request, response, Refusal.of(status, title, "", cure));
    }

    /** What wasn't read of the body isn't waited for. */
    private void refuse(HttpServletRequest request, HttpServletResponse response, Refusal refusal) throws IOException {
        UnreadBodies.leave(request);
        response.setHeader(HttpHeaders.CONNECTION, "close");
        problems.write(response, refusal);
    }

    /** A request with a body that is bounded. */
    private static class Text extends HttpServletRequestWrapper {
        private final LimitedBody body;

        Text(HttpServletRequest request, LimitedBody body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            return body;
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(body, StandardCharsets.UTF_8));
        }
    }

    /** A form that is read here, since a container reads it without looking at the clock. */
    private static final class Form extends Text {
        private final Map<String, String[]> fields = new LinkedHashMap<>();

        Form(HttpServletRequest request, LimitedBody body) throws IOException {
            super(request, body);
            read(String.valueOf(Objects.requireNonNullElse(request.getQueryString(), "")));
            read(new String(body.readAllBytes(), StandardCharsets.UTF_8));
        }

        private void read(String text) {
            if (text.isEmpty()) {
                return;
            }
            MultiValueMap<String, String> read = UriComponentsBuilder.newInstance()
                    .query(text.replace("+", "%20"))
                    .build()
                    .getQueryParams();
            read.forEach((name, values) -> fields.putIfAbsent(
                    decoded(name), values.stream().map(Form::decoded).toArray(String[]::new)));
        }

        private static String decoded(@Nullable String text) {
            try {
                return text == null ? "" : UriUtils.decode(text, StandardCharsets.UTF_8);
            } catch (IllegalArgumentException broken) {
                return "";
            }
        }

        @Override
        public @Nullable String getParameter(String name) {
            String[] values = fields.get(name);
            return values == null || values.length == 0 ? null : values[0];
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            return fields.get(name);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(fields.keySet());
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(fields);
        }
    }
}

package app.navlo.server.door;

import app.navlo.server.problem.BodyRefused;
import jakarta.servlet.ServletException;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import java.util.Objects;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Files may take long, but not for ever: who sends them drop by drop is given up. A container reads them by itself, before any filter
 * could look at the clock, so it is looked at where the bytes come in.
 */
@Component
class FilesInTime implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    /**
     * How slowly files may come.
     *
     * @param grace to begin with
     * @param bytesASecond that have to come after it, in the mean
     */
    record Slowest(Duration grace, int bytesASecond) {
        /** @param waited nanoseconds for all that came */
        boolean allows(long bytes, long waited) {
            long late = waited - grace.toNanos();
            return late <= 0 || bytes >= late / 1e9 * bytesASecond;
        }
    }

    /** A tenth of what a poor telephone connection brings. */
    private static final Slowest SLOWEST = new Slowest(Duration.ofSeconds(20), 4 << 10);

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextValves(new Timing(SLOWEST));
    }

    /** Puts the clock under each request that brings files. */
    static final class Timing extends ValveBase {
        private final Slowest slowest;

        Timing(Slowest slowest) {
            super(true);
            this.slowest = slowest;
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            String type = Objects.requireNonNullElse(request.getContentType(), "");
            if (!type.toLowerCase(Locale.ROOT).startsWith("multipart/")) {
                getNext().invoke(request, response);
                return;
            }
            org.apache.coyote.Request bytes = request.getCoyoteRequest();
            InputBuffer untimed = bytes.getInputBuffer();
            bytes.setInputBuffer(new Timed(untimed, slowest));
            try {
                getNext().invoke(request, response);
            } finally {
                bytes.setInputBuffer(untimed);
            }
        }
    }

    /** Counts what comes, and how long it was waited for; what is done with it meanwhile is nobody's slowness. */
    private static final class Timed implements InputBuffer {
        private final InputBuffer inner;
        private final Slowest slowest;
        private long bytes;
        private long waited;

        Timed(InputBuffer inner, Slowest slowest) {
            this.inner = inner;
            this.slowest = slowest;
        }

        @Override
        public int doRead(ApplicationBufferHandler handler) throws IOException {
            long began = System.nanoTime();
            int some = inner.doRead(handler);
            waited += System.nanoTime() - began;
            bytes += Math.max(0, some);
            if (some >= 0 && !slowest.allows(bytes, waited)) {
                throw BodyRefused.tooSlow();
            }
            return some;
        }

        @Override
        public int available() {
            return inner.available();
        }
    }
}

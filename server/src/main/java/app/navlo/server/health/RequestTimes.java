package app.navlo.server.health;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerMapping;

/** Counts requests by their routes, those that are refused too, with the time that they wait for their turn. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 4)
class RequestTimes extends OncePerRequestFilter {
    private final Metrics metrics;

    RequestTimes(Metrics metrics) {
        this.metrics = metrics;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long from = System.nanoTime();
        try {
            chain.doFilter(request, response);
        } finally {
            Object route = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
            metrics.request(
                    request.getMethod(),
                    route == null ? "none" : route.toString(),
                    response.getStatus(),
                    Duration.ofNanos(System.nanoTime() - from));
        }
    }
}

package app.navlo.server.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Gives each request a number, which its answer and every line of the log about it have. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestNumber extends OncePerRequestFilter {
    static final String KEY = "request";
    private static final String HEADER = "X-Request-Id";
    private static final int LENGTH = 12;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String number = UUID.randomUUID().toString().replace("-", "").substring(0, LENGTH);
        MDC.put(KEY, number);
        response.setHeader(HEADER, number);
        try {
            chain.doFilter(request, response);
        } finally {
            MDC.remove(KEY);
        }
    }
}

package app.navlo.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import org.springframework.web.filter.OncePerRequestFilter;

/** However often it is used, a sign-in ends after ninety days: who has stolen one doesn't have it for good. */
final class LongestSignIn extends OncePerRequestFilter {
    static final Duration LONGEST = Duration.ofDays(90);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        if (session != null && isOver(session.getCreationTime(), session.getLastAccessedTime())) {
            session.invalidate();
        }
        chain.doFilter(request, response);
    }

    /** Both as the container counts them, in milliseconds. */
    static boolean isOver(long created, long lastUsed) {
        return lastUsed - created > LONGEST.toMillis();
    }
}

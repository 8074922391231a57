package app.navlo.server.account;

import app.navlo.server.problem.Problems;
import app.navlo.server.problem.Refusal;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.web.filter.OncePerRequestFilter;

/** Stands before the password check, so that a try made too soon isn't checked at all. */
final class SignInBrakeFilter extends OncePerRequestFilter {
    private static final int LONGEST_EMAIL = 254;

    private final SignInBrake brake;
    private final Problems problems;

    SignInBrakeFilter(SignInBrake brake, Problems problems) {
        this.brake = brake;
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getRequestURI().equals(SecurityConfig.SESSION));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String email = request.getParameter("email");
        if (email == null || email.length() > LONGEST_EMAIL) {
            problems.write(response, Refusal.invalid("email", "Type the address that you signed up with."));
            return;
        }
        Duration wait = brake.wait(email);
        if (wait.isZero()) {
            chain.doFilter(request, response);
        } else {
            long seconds = wait.toSeconds() + 1;
            response.setHeader(HttpHeaders.RETRY_AFTER, Long.toString(seconds));
            problems.write(response, Refusal.tooManyTries(seconds));
        }
    }
}

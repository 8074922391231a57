package app.navlo.server.account;

import app.navlo.server.problem.Problems;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.AccessTokens;
import app.navlo.server.store.People;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets a script in that bears a token, for one request and without a session. It may do what its person may do of their
 * students, and nothing of the account itself; a token for reading reads.
 */
final class TokenFilter extends OncePerRequestFilter {
    private static final String BEARER = "Bearer ";
    private static final Set<String> READING = Set.of("GET", "HEAD");
    private static final List<String> NEVER = List.of(
            "/api/session",
            "/api/passkeys",
            "/api/confirmations",
            "/api/people",
            "/api/invitations",
            "/api/administration",
            "/api/demo");
    /** Who may see a student's work is said by the student alone, signed in. */
    private static final Pattern GUARDIANS = Pattern.compile("/api/students/[^/]+/guardians(/.*)?");

    private final TokenService tokens;
    private final Problems problems;

    TokenFilter(TokenService tokens, Problems problems) {
        this.tokens = tokens;
        this.problems = problems;
    }

    static boolean bears(HttpServletRequest request) {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        return header != null && header.startsWith(BEARER);
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !bears(request);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String token = request.getHeader(HttpHeaders.AUTHORIZATION)
                .substring(BEARER.length())
                .strip();
        AccessTokens.Bearer bearer = tokens.bearer(token).orElse(null);
        if (bearer == null) {
            problems.write(
                    response,
                    Refusal.of(
                            HttpStatus.UNAUTHORIZED,
                            "The token isn't known here",
                            "Authorization",
                            "It was revoked, or mistyped. Make one under “You” in Navlo."));
            return;
        }
        Duration wait = tokens.count(bearer.token());
        if (!wait.isZero()) {
            response.setHeader(HttpHeaders.RETRY_AFTER, Long.toString(wait.toSeconds() + 1));
            problems.write(
                    response,
                    Refusal.of(
                            HttpStatus.TOO_MANY_REQUESTS,
                            "This token asks too often",
                            "Authorization",
                            "Wait as long as Retry-After says; about ten requests a second are answered."));
            return;
        }
        boolean writes = !READING.contains(request.getMethod());
        boolean account = NEVER.stream().anyMatch(request.getServletPath()::startsWith)
                || GUARDIANS.matcher(request.getServletPath()).matches();
        if (account || (writes && bearer.scope() == AccessTokens.Scope.READ)) {
            problems.write(
                    response,
                    Refusal.forbidden(
                            "This token may not do that",
                            account
                                    ? "The account itself is changed by its person alone, signed in."
                                    : "It was made for reading. Make one that may write."));
            return;
        }
        People.PersonRow row = bearer.person();
        Person person = new Person(row.id(), row.email(), row.name(), row.role(), row.zone(), "");
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(person, null, person.getAuthorities()));
        SecurityContextHolder.setContext(context);
        try {
            chain.doFilter(request, response);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }
}

package app.navlo.server.door;

import app.navlo.server.account.OwnAddress;
import app.navlo.server.problem.Problems;
import app.navlo.server.problem.Refusal;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only for its own names. A page elsewhere whose name is made to lead here would else be taken for one of ours. Whoever asks
 * by a number was led by no name.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class HostGate extends OncePerRequestFilter {
    private static final Pattern NUMBER = Pattern.compile("\\d{1,3}(\\.\\d{1,3}){3}|\\[?[0-9a-f:.]*:[0-9a-f:.]*\\]?");

    private final OwnNames names;
    private final OwnAddress address;
    private final Problems problems;

    HostGate(OwnNames names, OwnAddress address, Problems problems) {
        this.names = names;
        this.address = address;
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = String.valueOf(request.getServerName()).toLowerCase(Locale.ROOT);
        if (NUMBER.matcher(host).matches()
                || names.has(host)
                || host.equals(address.host().toLowerCase(Locale.ROOT))) {
            chain.doFilter(request, response);
        } else {
            problems.write(
                    response,
                    Refusal.of(
                            HttpStatus.MISDIRECTED_REQUEST,
                            "This isn't the address of this Navlo",
                            "Host",
                            "Open " + address
                                    + ". Who runs it under another name sets NAVLO_ADDRESS, or NAVLO_HOSTS for more."));
        }
    }
}

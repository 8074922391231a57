package app.navlo.server.door;

import app.navlo.server.problem.OutOfReach;
import app.navlo.server.problem.Problems;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Answers in words where the data are closed before a controller is reached: who asks is looked up in them, too. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 3)
class LastWord extends OncePerRequestFilter {
    private final Problems problems;

    LastWord(Problems problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException fault) {
            if (!OutOfReach.in(fault) || response.isCommitted()) {
                throw fault;
            }
            response.reset();
            problems.write(response, problems.outOfReach(fault));
        }
    }
}

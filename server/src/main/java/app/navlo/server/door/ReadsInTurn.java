package app.navlo.server.door;

import app.navlo.server.ops.ReadingTurns;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.web.util.OnCommittedResponseWrapper;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers who reads in turn. A turn is over once an answer begins to be sent: who takes it slowly, downloads or listens on holds
 * none. Who writes waits for nobody here.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class ReadsInTurn extends OncePerRequestFilter {
    private static final Set<String> READING = Set.of("GET", "HEAD");
    /** Where something is worked out for an answer. */
    private static final List<String> WORKED_OUT = List.of("/api/", "/calendar/");

    /** Of which some wait for the database. */
    private static final int TURNS_OF_A_PROCESSOR = 8;

    private static final Duration LONGEST = Duration.ofSeconds(2);

    private final ReadingTurns turns;

    @Autowired
    ReadsInTurn() {
        this(new ReadingTurns(TURNS_OF_A_PROCESSOR * Runtime.getRuntime().availableProcessors(), LONGEST));
    }

    ReadsInTurn(ReadingTurns turns) {
        this.turns = turns;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !READING.contains(request.getMethod())
                || WORKED_OUT.stream().noneMatch(request.getRequestURI()::startsWith);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try (ReadingTurns.Turn turn = turns.take()) {
            chain.doFilter(request, new Sending(response, turn));
        }
    }

    private static final class Sending extends OnCommittedResponseWrapper {
        private final ReadingTurns.Turn turn;

        private Sending(HttpServletResponse response, ReadingTurns.Turn turn) {
            super(response);
            this.turn = turn;
        }

        @Override
        protected void onResponseCommitted() {
            turn.end();
        }
    }
}

package app.navlo.server.account;

import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Instance;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.authorization.AuthorizationResult;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;

/**
 * The one place where access is decided. Everything of a student lives under {@code /api/students/{student}}: the student
 * reads and writes it, a guardian whom the student accepted reads of it what the student shows them, and nobody else gets either.
 */
@Component
public class StudentAccess implements AuthorizationManager<RequestAuthorizationContext> {
    private static final Set<String> READING = Set.of("GET", "HEAD");

    /** When a guardian looked is kept no more exactly than this, so that reading stays reading. */
    private static final Duration EXACT = Duration.ofHours(1);

    private final Guardianships guardianships;
    private final Instance instance;
    private final Sights sights;
    private final ServerClock clock;

    StudentAccess(Guardianships guardianships, Instance instance, Sights sights, ServerClock clock) {
        this.sights = sights;
        this.guardianships = guardianships;
        this.instance = instance;
        this.clock = clock;
    }

    @Override
    public AuthorizationResult authorize(
            Supplier<? extends Authentication> authentication, RequestAuthorizationContext request) {
        return new AuthorizationDecision(allows(
                authentication, request, READING.contains(request.getRequest().getMethod())));
    }

    /** As {@link #authorize}, of who sees a part of it that a student doesn't show everybody. */
    AuthorizationManager<RequestAuthorizationContext> who(Predicate<Sight> sees) {
        return (authentication, request) -> new AuthorizationDecision(allows(
                        authentication,
                        request,
                        READING.contains(request.getRequest().getMethod()))
                && sees(request, sees));
    }

    /** Whoever may read of a student, for what is the reader's own. */
    AuthorizationManager<RequestAuthorizationContext> readers() {
        return readers(any -> true);
    }

    /** Whoever reads that part, for what they write in their own name. */
    AuthorizationManager<RequestAuthorizationContext> readers(Predicate<Sight> sees) {
        return (authentication, request) ->
                new AuthorizationDecision(allows(authentication, request, true) && sees(request, sees));
    }

    private boolean sees(RequestAuthorizationContext request, Predicate<Sight> sees) {
        return sees.test(sights.of(Long.parseLong(student(request))));
    }

    private static String student(RequestAuthorizationContext request) {
        return Objects.requireNonNull(request.getVariables().get("student"));
    }

    private boolean allows(
            Supplier<? extends Authentication> authentication, RequestAuthorizationContext request, boolean reading) {
        return authentication.get().getPrincipal() instanceof Person person
                && allows(person, student(request), reading);
    }

    /** The student alone, for what no guardian is told. */
    AuthorizationManager<RequestAuthorizationContext> own() {
        return (authentication, request) ->
                new AuthorizationDecision(authentication.get().getPrincipal() instanceof Person person
                        && person.role() == Role.STUDENT
                        && Long.toString(person.id())
                                .equals(request.getVariables().get("student")));
    }

    /** Who administers this Navlo, for what is of no student. */
    AuthorizationManager<RequestAuthorizationContext> administrators() {
        return (authentication, request) -> new AuthorizationDecision(
                authentication.get().getPrincipal() instanceof Person person && instance.administers(person.id()));
    }

    private boolean allows(Person person, String student, boolean reading) {
        if (!student.matches("\\d{1,18}")) {
            return false;
        }
        long id = Long.parseLong(student);
        boolean own = person.role() == Role.STUDENT && person.id() == id;
        return own || (reading && guards(person.id(), id));
    }

    private boolean guards(long guardian, long student) {
        Optional<Guardianships.Looked> looked = guardianships.looked(guardian, student);
        Instant now = clock.instant();
        looked.filter(last -> last.at() == null || last.at().plus(EXACT).isBefore(now))
                .ifPresent(last -> guardianships.looks(guardian, student, now));
        return looked.isPresent();
    }
}

package app.navlo.server.account;

import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.authorization.AuthorizationResult;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;

/**
 * The one place where access is decided. Everything of a student lives under {@code /api/students/{student}}: the student
 * reads and writes it, a guardian whom the student accepted reads it, and nobody else gets either.
 */
@Component
public class StudentAccess implements AuthorizationManager<RequestAuthorizationContext> {
    private static final Set<String> READING = Set.of("GET", "HEAD");

    private final People people;

    StudentAccess(People people) {
        this.people = people;
    }

    @Override
    public AuthorizationResult authorize(
            Supplier<? extends Authentication> authentication, RequestAuthorizationContext request) {
        boolean granted = authentication.get().getPrincipal() instanceof Person person
                && allows(
                        person,
                        Objects.requireNonNull(request.getVariables().get("student")),
                        READING.contains(request.getRequest().getMethod()));
        return new AuthorizationDecision(granted);
    }

    /** Whoever may read of a student, for what is the reader's own. */
    AuthorizationManager<RequestAuthorizationContext> readers() {
        return (authentication, request) -> new AuthorizationDecision(authentication
                                .get()
                                .getPrincipal()
                        instanceof Person person
                && allows(person, Objects.requireNonNull(request.getVariables().get("student")), true));
    }

    private boolean allows(Person person, String student, boolean reading) {
        if (!student.matches("\\d{1,18}")) {
            return false;
        }
        long id = Long.parseLong(student);
        boolean own = person.role() == Role.STUDENT && person.id() == id;
        return own || (reading && people.guards(person.id(), id));
    }
}

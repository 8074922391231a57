package app.navlo.server.account;

import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Sight;
import java.util.Map;
import java.util.function.LongFunction;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** What whoever asks now sees of a student: asked wherever words, files or messages are read. */
@Component
public class Sights {
    private static final String HERE = Sights.class.getName() + " ";

    private final Guardianships guardianships;

    Sights(Guardianships guardianships) {
        this.guardianships = guardianships;
    }

    /** All of it for the student, and for Navlo's own rounds, which nobody reads; the least for who is no guardian. */
    public Sight of(long student) {
        Authentication asking = SecurityContextHolder.getContext().getAuthentication();
        if (asking == null || !(asking.getPrincipal() instanceof Person person) || person.id() == student) {
            return Sight.ALL;
        }
        return by(person).getOrDefault(student, Sight.NARROWEST);
    }

    /** What another than who asks now sees of students: for what is read before they ask. */
    public LongFunction<Sight> of(Person reader) {
        Map<Long, Sight> known = by(reader);
        return student -> reader.id() == student ? Sight.ALL : known.getOrDefault(student, Sight.NARROWEST);
    }

    /** Asked of the store once a request, however many students are in it. */
    @SuppressWarnings("unchecked")
    private Map<Long, Sight> by(Person person) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request == null) {
            return guardianships.sights(person.id());
        }
        Map<Long, Sight> known =
                (Map<Long, Sight>) request.getAttribute(HERE + person.id(), RequestAttributes.SCOPE_REQUEST);
        if (known == null) {
            known = guardianships.sights(person.id());
            request.setAttribute(HERE + person.id(), known, RequestAttributes.SCOPE_REQUEST);
        }
        return known;
    }
}

package app.navlo.server.account;

import app.navlo.server.store.Sha256;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Where a person is signed in, and the end of it. */
@Component
public class SignedIn {
    private static final String AGENT = "navlo.agent";
    private static final String FROM = "navlo.from";
    private static final int LONGEST_AGENT = 400;

    private final FindByIndexNameSessionRepository<? extends Session> sessions;
    private final KnownBrowser known;

    SignedIn(FindByIndexNameSessionRepository<? extends Session> sessions, KnownBrowser known) {
        this.sessions = sessions;
        this.known = known;
    }

    /**
     * One sign-in that stands.
     *
     * @param id names it to its person alone
     * @param browser as it calls itself, in a few words
     * @param from the address that it came from; null where it isn't known
     * @param usedAt to ten minutes
     */
    public record Place(
            String id, String browser, @Nullable String from, Instant since, Instant usedAt, boolean here) {}

    /** Signs somebody in, with a session of its own number. */
    public void begin(Person person, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        renew(person, request, response);
        known.remember(request, response, person.email());
        note(request);
    }

    /** Holds on to what a person is now. */
    public void renew(Person person, HttpServletRequest request, HttpServletResponse response) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(person, null, person.getAuthorities()));
        SecurityContextHolder.setContext(context);
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
    }

    /** Notes with what and from where somebody has signed in. */
    void note(HttpServletRequest request) {
        HttpSession session = request.getSession();
        String agent = Objects.requireNonNullElse(request.getHeader(HttpHeaders.USER_AGENT), "");
        session.setAttribute(AGENT, agent.substring(0, Math.min(LONGEST_AGENT, agent.length())));
        session.setAttribute(FROM, request.getRemoteAddr());
    }

    /** All of a person's, the latest used first. @param here the session that asks; null for none */
    public List<Place> of(Person person, @Nullable String here) {
        return sessions.findByPrincipalName(person.getUsername()).values().stream()
                .map(session -> place(session, here))
                .sorted(Comparator.comparing(Place::usedAt).reversed())
                .toList();
    }

    private static Place place(Session session, @Nullable String here) {
        String agent = Objects.requireNonNullElse(session.<String>getAttribute(AGENT), "");
        return new Place(
                nameOf(session.getId()),
                Browser.words(agent),
                session.<String>getAttribute(FROM),
                session.getCreationTime(),
                session.getLastAccessedTime(),
                session.getId().equals(here));
    }

    /** A session's number lets whoever has it in: only a digest of it is shown. */
    private static String nameOf(String session) {
        return Sha256.of(session).substring(0, 16);
    }

    /** Ends one. @return false if this person has no such */
    public boolean end(Person person, String id) {
        Map<String, ? extends Session> all = sessions.findByPrincipalName(person.getUsername());
        List<String> found =
                all.keySet().stream().filter(one -> nameOf(one).equals(id)).toList();
        found.forEach(sessions::deleteById);
        return !found.isEmpty();
    }

    /** Ends every sign-in of a person. */
    public void endAll(long person) {
        sessions.findByPrincipalName(Long.toString(person)).keySet().forEach(sessions::deleteById);
    }

    /** Ends all but the one that asks. @param here null to end all */
    public void endOthers(Person person, @Nullable String here) {
        sessions.findByPrincipalName(person.getUsername()).keySet().stream()
                .filter(one -> !one.equals(here))
                .forEach(sessions::deleteById);
    }
}

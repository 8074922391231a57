package app.navlo.server.account;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;

/**
 * Sessions that write down only every ten minutes that they are used, as they last thirty days: a page that is only read costs no
 * write, and waits for nobody else's.
 *
 * @param <S> sessions as they are kept
 */
final class SeldomWrittenSessions<S extends Session>
        implements FindByIndexNameSessionRepository<SeldomWrittenSessions.Seldom<S>> {
    private static final Duration EXACT = Duration.ofMinutes(10);

    private final FindByIndexNameSessionRepository<S> kept;

    SeldomWrittenSessions(FindByIndexNameSessionRepository<S> kept) {
        this.kept = kept;
    }

    @Override
    public Seldom<S> createSession() {
        return new Seldom<>(kept.createSession(), true);
    }

    @Override
    public void save(Seldom<S> session) {
        if (session.toWrite) {
            kept.save(session.kept);
            session.toWrite = false;
        }
    }

    @Override
    public @Nullable Seldom<S> findById(String id) {
        S found = kept.findById(id);
        return found == null ? null : new Seldom<>(found, false);
    }

    @Override
    public void deleteById(String id) {
        kept.deleteById(id);
    }

    @Override
    public Map<String, Seldom<S>> findByIndexNameAndIndexValue(String index, String value) {
        Map<String, Seldom<S>> found = new LinkedHashMap<>();
        kept.findByIndexNameAndIndexValue(index, value)
                .forEach((id, session) -> found.put(id, new Seldom<>(session, false)));
        return found;
    }

    /** One that knows whether anything in it is to be written. */
    static final class Seldom<S extends Session> implements Session {
        private final S kept;
        private boolean toWrite;

        private Seldom(S kept, boolean isNew) {
            this.kept = kept;
            toWrite = isNew;
        }

        @Override
        public String getId() {
            return kept.getId();
        }

        @Override
        public String changeSessionId() {
            toWrite = true;
            return kept.changeSessionId();
        }

        @Override
        public <T> @Nullable T getAttribute(String name) {
            return kept.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return kept.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, Object value) {
            toWrite = true;
            kept.setAttribute(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            toWrite = true;
            kept.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return kept.getCreationTime();
        }

        /** What is shorter ago than it is kept exactly is as it was. */
        @Override
        public void setLastAccessedTime(Instant used) {
            if (toWrite || used.isAfter(kept.getLastAccessedTime().plus(EXACT))) {
                toWrite = true;
                kept.setLastAccessedTime(used);
            }
        }

        @Override
        public Instant getLastAccessedTime() {
            return kept.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            toWrite = true;
            kept.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return kept.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return kept.isExpired();
        }
    }
}

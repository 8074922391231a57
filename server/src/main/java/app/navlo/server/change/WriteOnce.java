package app.navlo.server.change;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.WriteKeys;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * A retried write with the same key happens once: the second time it gets the first one's answer. The key is kept in the
 * transaction of the write itself, so both are there or neither is.
 */
@Component
public class WriteOnce {
    private final WriteKeys keys;
    private final Changes changes;
    private final JsonMapper json;

    WriteOnce(WriteKeys keys, Changes changes, JsonMapper json) {
        this.changes = changes;
        this.keys = keys;
        this.json = json;
    }

    /**
     * @param student whose it is
     * @param key what the caller calls this write; null for a write that may not be retried
     * @param request what is asked for, so that one key can't stand for two things
     */
    public record Once(long student, long person, @Nullable String key, String request, Instant at) {}

    /** What an earlier write under this key answered; empty if there was none. */
    public <T> Optional<T> answered(Once once, Class<T> type) {
        return once.key() == null ? Optional.empty() : earlier(once, Sha256.of(once.request()), type);
    }

    /** Must be called within the transaction of the write. Nobody else writes anything of the student until it ends. */
    public <T> T run(Once once, Class<T> type, Supplier<T> write) {
        changes.lock(once.student());
        if (once.key() == null) {
            return write.get();
        }
        String fingerprint = Sha256.of(once.request());
        Optional<T> earlier = earlier(once, fingerprint, type);
        if (earlier.isPresent()) {
            return earlier.get();
        }
        try {
            keys.take(once.person(), once.key(), fingerprint, once.at());
        } catch (DuplicateKeyException sameInstant) {
            throw Refusal.conflict(
                    "The same write is being done right now", "Wait a moment, then look at what came of it.");
        }
        T answer = write.get();
        keys.answer(once.person(), once.key(), json.writeValueAsString(answer));
        return answer;
    }

    private <T> Optional<T> earlier(Once once, String fingerprint, Class<T> type) {
        return keys.answered(once.person(), Objects.requireNonNull(once.key())).map(answered -> {
            if (!fingerprint.equals(answered.fingerprint())) {
                throw Refusal.invalid(
                        "Idempotency-Key", "This key was used for another write. Reload the page and try again.");
            }
            return json.readValue(answered.response(), type);
        });
    }
}

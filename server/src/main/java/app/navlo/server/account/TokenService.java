package app.navlo.server.account;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.AccessTokens;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Makes, revokes and recognises access tokens. */
@Service
public class TokenService {
    private static final Logger LOG = LoggerFactory.getLogger(TokenService.class);

    /** By which a token is known for one, in a script as in a log that should not hold it. */
    static final String PREFIX = "navlo_";

    private static final int MOST = 20;
    /** Its last use is kept no more exactly than this, so that reading stays reading. */
    private static final Duration EXACT = Duration.ofHours(1);

    /** A script that asks on and on leaves the server to others. */
    private static final int AT_ONCE = 1_000;

    private static final int A_MINUTE = 600;

    private final LoadingCache<Long, Bucket> asked = Caffeine.newBuilder()
            .expireAfterAccess(Duration.ofMinutes(10))
            .build(token -> Bucket.builder()
                    .addLimit(limit -> limit.capacity(AT_ONCE).refillGreedy(A_MINUTE, Duration.ofMinutes(1)))
                    .build());

    private final AccessTokens tokens;
    private final ServerClock clock;
    private final Secrets secrets;

    TokenService(AccessTokens tokens, ServerClock clock, Secrets secrets) {
        this.secrets = secrets;
        this.tokens = tokens;
        this.clock = clock;
    }

    /** @param token itself; it is never shown again */
    public record Made(long id, String token) {}

    public List<AccessTokens.AccessToken> of(Person person) {
        return tokens.of(person.id());
    }

    /** @throws Refusal if there are too many already */
    public Made make(Person person, String name, AccessTokens.Scope scope) {
        if (tokens.of(person.id()).size() >= MOST) {
            throw Refusal.conflict("There are " + MOST + " tokens already", "Revoke one that isn't needed.");
        }
        String token = PREFIX + secrets.next();
        long id = tokens.add(person.id(), name.strip(), scope, Sha256.of(token), clock.instant());
        LOG.info("person {} made token {} to {}", person.id(), id, scope);
        return new Made(id, token);
    }

    /** @throws Refusal if this person has no such token */
    public void revoke(Person person, long id) {
        if (!tokens.revoke(person.id(), id, clock.instant())) {
            throw Refusal.notFound("token");
        }
        LOG.info("person {} revoked token {}", person.id(), id);
    }

    /** Counts what a token asks. @return how long to wait; zero to be answered */
    Duration count(long token) {
        ConsumptionProbe probe = asked.get(token).tryConsumeAndReturnRemaining(1);
        return probe.isConsumed() ? Duration.ZERO : Duration.ofNanos(probe.getNanosToWaitForRefill());
    }

    /** Whose token it is; empty where it is none that stands. */
    Optional<AccessTokens.Bearer> bearer(String token) {
        if (!token.startsWith(PREFIX)) {
            return Optional.empty();
        }
        Optional<AccessTokens.Bearer> found = tokens.bearer(Sha256.of(token));
        Instant now = clock.instant();
        found.filter(bearer ->
                        bearer.usedAt() == null || bearer.usedAt().plus(EXACT).isBefore(now))
                .ifPresent(bearer -> tokens.used(bearer.token(), now));
        return found;
    }
}

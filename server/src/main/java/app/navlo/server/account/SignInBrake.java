package app.navlo.server.account;

import app.navlo.server.store.People;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing. Each try is counted before it is checked: by address and source, by address alone and, lightly, by source; what
 * was counted fades with time. A browser with which this address signed in before is counted for itself, so nobody can shut its owner
 * out. Made-up addresses are counted as others are. Kept in memory, the longest unused forgotten first; goes by the machine's clock,
 * which no demo can move.
 */
@Component
public class SignInBrake {
    private static final int MOST = 100_000;
    private static final Duration FORGOTTEN = Duration.ofHours(2);
    private static final Duration AN_HOUR = Duration.ofHours(1);

    private static final int OF_A_PAIR = 8;
    private static final int OF_A_PAIR_AN_HOUR = 12;
    private static final int OF_AN_ADDRESS = 40;
    private static final int OF_AN_ADDRESS_AN_HOUR = 60;
    private static final int OF_A_BROWSER = 10;
    private static final int OF_A_BROWSER_AN_HOUR = 60;
    /** A school is one source. */
    private static final int OF_A_SOURCE = 300;

    private static final int OF_A_SOURCE_AN_HOUR = 1_200;

    private final LoadingCache<String, Bucket> pairs = buckets(OF_A_PAIR, OF_A_PAIR_AN_HOUR);
    private final LoadingCache<String, Bucket> addresses = buckets(OF_AN_ADDRESS, OF_AN_ADDRESS_AN_HOUR);
    private final LoadingCache<String, Bucket> browsers = buckets(OF_A_BROWSER, OF_A_BROWSER_AN_HOUR);
    private final LoadingCache<String, Bucket> sources = buckets(OF_A_SOURCE, OF_A_SOURCE_AN_HOUR);

    private static LoadingCache<String, Bucket> buckets(int atOnce, int anHour) {
        return Caffeine.newBuilder()
                .maximumSize(MOST)
                .expireAfterAccess(FORGOTTEN)
                .build(key -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(atOnce).refillGreedy(anHour, AN_HOUR))
                        .build());
    }

    /**
     * A try to sign in.
     *
     * @param source network address that it comes from
     * @param known this address signed in with the same browser before
     */
    public record Attempt(String email, String source, boolean known) {}

    private List<Bucket> of(Attempt attempt) {
        String key = People.key(attempt.email());
        List<Bucket> all = new ArrayList<>();
        if (attempt.known()) {
            all.add(browsers.get(key));
        } else {
            all.add(pairs.get(key + " " + attempt.source()));
            all.add(addresses.get(key));
        }
        all.add(sources.get(attempt.source()));
        return all;
    }

    /** Counts a try. @return zero if it may be checked, else how long to wait; then it isn't counted */
    public Duration count(Attempt attempt) {
        List<Bucket> counted = new ArrayList<>();
        for (Bucket bucket : of(attempt)) {
            ConsumptionProbe probe = bucket.tryConsumeAndReturnRemaining(1);
            if (!probe.isConsumed()) {
                counted.forEach(one -> one.addTokens(1));
                return Duration.ofNanos(probe.getNanosToWaitForRefill());
            }
            counted.add(bucket);
        }
        return Duration.ZERO;
    }

    /** Nobody could look whether it was right: it says nothing of who tried. */
    public void unchecked(Attempt attempt) {
        of(attempt).forEach(one -> one.addTokens(1));
    }

    /** What was counted against this address from there no longer is. */
    public void succeeded(Attempt attempt) {
        List<Bucket> all = of(attempt);
        all.get(0).reset();
        all.subList(1, all.size()).forEach(one -> one.addTokens(1));
    }
}

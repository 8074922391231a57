package app.navlo.server.ops;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Keeps what was made for a while. Who asks for the same while it is being made waits for it; who asks for anything else doesn't,
 * which a cache that makes things within its own locks doesn't promise.
 *
 * @param <K> all that tells one thing from another
 * @param <V> what is made
 */
public final class MadeOnce<K, V> {
    private final Cache<K, CompletableFuture<V>> kept;

    /**
     * @param most how many are kept
     * @param keptFor since somebody began to make it
     */
    public MadeOnce(int most, Duration keptFor) {
        kept = Caffeine.newBuilder().maximumSize(most).expireAfterWrite(keptFor).build();
    }

    /** What is kept, or is made now. What can't be made isn't kept; who waited for it meets the same fault. */
    public V of(K key, Supplier<V> making) {
        CompletableFuture<V> mine = new CompletableFuture<>();
        CompletableFuture<V> there = kept.asMap().putIfAbsent(key, mine);
        if (there != null) {
            return made(there);
        }
        try {
            V made = making.get();
            mine.complete(made);
            return made;
        } catch (RuntimeException | Error fault) {
            kept.asMap().remove(key, mine);
            mine.completeExceptionally(fault);
            throw fault;
        }
    }

    private static <V> V made(CompletableFuture<V> other) {
        if (!other.isDone()) {
            ReadingTurns.leave();
        }
        try {
            return other.join();
        } catch (CompletionException fault) {
            throw fault.getCause() instanceof RuntimeException own ? own : fault;
        }
    }

    /** Keeps what was made elsewhere. */
    public void put(K key, V made) {
        kept.put(key, CompletableFuture.completedFuture(made));
    }

    /** What was made and is kept; null for none so far. */
    public @Nullable V ifThere(K key) {
        CompletableFuture<V> there = kept.getIfPresent(key);
        return there == null || !there.isDone() || there.isCompletedExceptionally() ? null : there.join();
    }
}

package app.navlo.server.household;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Who asked for many students of late, and so will ask again: today, or tomorrow at about the same time. */
@Component
class Askings {
    private static final int MOST = 100;
    static final Duration OF_LATE = Duration.ofHours(26);

    private final int many;
    private final Cache<Same, Asking> kept =
            Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(OF_LATE).build();

    private record Same(
            long reader, Spanning span, @Nullable String device) {}

    /** @param many fewer are quickly read */
    Askings(@Value("${navlo.household.many:20}") int many) {
        this.many = many;
    }

    void note(Asking asking, int students) {
        if (students >= many) {
            kept.put(new Same(asking.reader().id(), asking.span(), asking.device()), asking);
        }
    }

    /** Who looks after so many students asks for many. */
    int many() {
        return many;
    }

    List<Asking> ofLate() {
        return List.copyOf(kept.asMap().values());
    }
}

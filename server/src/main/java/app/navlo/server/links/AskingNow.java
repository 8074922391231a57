package app.navlo.server.links;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Which links are being asked by this server just now, how far that is, and which of them somebody wants stopped. */
@Component
class AskingNow {
    enum Stage {
        ASKING,
        COMPARING,
        WRITING
    }

    private final Map<Long, Stage> stages = new ConcurrentHashMap<>();
    private final Map<Long, Boolean> stopped = new ConcurrentHashMap<>();

    /** Thrown where a person stopped it. Nothing of it is written. */
    static final class Stopped extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /** @return whether it wasn't being asked already */
    boolean begin(long link) {
        stopped.remove(link);
        return stages.putIfAbsent(link, Stage.ASKING) == null;
    }

    /** @throws Stopped if somebody stopped it */
    void reached(long link, Stage stage) {
        if (stopped.containsKey(link)) {
            throw new Stopped();
        }
        stages.put(link, stage);
    }

    void end(long link) {
        stages.remove(link);
        stopped.remove(link);
    }

    /** @return whether it was being asked */
    boolean stop(long link) {
        if (!stages.containsKey(link)) {
            return false;
        }
        stopped.put(link, true);
        return true;
    }

    @Nullable
    Stage stage(long link) {
        return stopped.containsKey(link) ? null : stages.get(link);
    }
}

package app.navlo.server.imports;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** How far this server is with writing down what came in, by student. Nothing of it is kept. */
@Component
class Progress {
    /** @param of all that is to be written; 0 while nothing is */
    record Step(int done, int of) {
        static final Step NONE = new Step(0, 0);
    }

    private final Map<Long, Step> steps = new ConcurrentHashMap<>();

    void begin(long student, int of) {
        steps.put(student, new Step(0, of));
    }

    void step(long student) {
        steps.computeIfPresent(student, (key, step) -> new Step(step.done() + 1, step.of()));
    }

    void end(long student) {
        steps.remove(student);
    }

    Step of(long student) {
        return steps.getOrDefault(student, Step.NONE);
    }
}

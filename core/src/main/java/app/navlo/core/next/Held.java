package app.navlo.core.next;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The plan that holds until something happens.
 *
 * @param pieces all work that it was made from: what is planned first, in order, then what was left out
 * @param planned how many of them are planned
 * @param changed whether anything was written since, a note or a fact
 */
public record Held(List<Piece> pieces, int planned, boolean changed) {
    public Held {
        pieces = List.copyOf(pieces);
    }

    /**
     * @param losses steps of what it is worth that lay ahead
     * @param mode which of its ways is planned, with what leeway; 0 for what was left out
     */
    public record Piece(String work, int losses, int mode) {
        static Piece of(Task task, int mode) {
            return new Piece(task.id(), losses(task), mode);
        }

        private static int losses(Task task) {
            return task.modes().stream().mapToInt(way -> way.steps().size()).sum();
        }
    }

    /** Whether there is other work now, or a step of what it is worth has passed. */
    boolean differs(List<Task> tasks) {
        Map<String, Integer> before = new HashMap<>();
        pieces.forEach(piece -> before.put(piece.work(), piece.losses()));
        return before.size() != tasks.size()
                || tasks.stream().anyMatch(task -> before.getOrDefault(task.id(), -1) != Piece.losses(task));
    }
}

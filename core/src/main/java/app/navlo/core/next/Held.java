package app.navlo.core.next;

import app.navlo.core.id.WorkId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The plan that holds until something happens.
 *
 * @param pieces all work that it was made from, in the order that was chosen: what is left out, too, has its place in it, where
 *     it would be done if other work took less time than thought
 * @param changed whether anything was written since, a note or a fact
 */
public record Held(List<Piece> pieces, boolean changed) {
    public Held {
        pieces = List.copyOf(pieces);
    }

    /** The same after something was written. */
    public Held afterAChange() {
        return new Held(pieces, true);
    }

    /**
     * @param losses steps of what it is worth that lay ahead
     * @param mode which of its ways was chosen, with what leeway
     * @param place among what is planned, as it is begun; below 0 for what is left out
     */
    public record Piece(WorkId work, int losses, int mode, int place) {
        static Piece of(Task task, int mode, int place) {
            return new Piece(task.id(), losses(task), mode, place);
        }

        boolean isPlanned() {
            return place >= 0;
        }

        private static int losses(Task task) {
            return task.modes().stream().mapToInt(way -> way.steps().size()).sum();
        }
    }

    /** What is planned, as it is begun. */
    List<WorkId> planned() {
        return pieces.stream()
                .filter(Piece::isPlanned)
                .sorted(Comparator.comparingInt(Piece::place))
                .map(Piece::work)
                .toList();
    }

    /** Whether there is other work now, or a step of what it is worth has passed. */
    boolean differs(List<Task> tasks) {
        Map<WorkId, Integer> before = new HashMap<>();
        pieces.forEach(piece -> before.put(piece.work(), piece.losses()));
        return before.size() != tasks.size()
                || tasks.stream().anyMatch(task -> before.getOrDefault(task.id(), -1) != Piece.losses(task));
    }
}

package app.navlo.core.next;

import java.util.List;

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

    /** @param losses steps of what it is worth that lay ahead */
    public record Piece(String work, int losses) {
        static Piece of(Task task) {
            return new Piece(
                    task.id(),
                    task.modes().stream().mapToInt(way -> way.steps().size()).sum());
        }
    }

    /** Whether there is other work now, or a step of what it is worth has passed. */
    boolean differs(List<Task> tasks) {
        return pieces.size() != tasks.size() || !tasks.stream().map(Piece::of).allMatch(pieces::contains);
    }
}

package app.navlo.server.imports;

import java.util.Map;
import java.util.Set;

/**
 * What a person says of the rows before they are written.
 *
 * @param leave keys of those that aren't to be taken
 * @param retake keys of those that were left out, or undone, before and are to be taken now
 * @param past what holds of new work that was due before now and of which nothing is told
 * @param pastOf the same for single rows, by key
 * @param undoneAgain whether what was undone before is taken again
 * @param grades keys of courses whose categories and weights are to make the grade
 */
public record Wanted(
        Set<String> leave,
        Set<String> retake,
        Past past,
        Map<String, Past> pastOf,
        boolean undoneAgain,
        Set<String> grades) {
    /** Nothing but what is told. */
    public static final Wanted ALL = new Wanted(Set.of(), Set.of(), Past.NOT_HANDED_IN, Map.of(), false, Set.of());

    /** How work stands that was due before anybody told Navlo of it. */
    public enum Past {
        ON_TIME,
        LATE,
        NOT_HANDED_IN,
        LEAVE_OUT
    }

    public Wanted {
        leave = Set.copyOf(leave);
        retake = Set.copyOf(retake);
        pastOf = Map.copyOf(pastOf);
        grades = Set.copyOf(grades);
    }

    /** The same of all that is past, where nobody said otherwise of a row. */
    public static Wanted past(Past past) {
        return new Wanted(Set.of(), Set.of(), past, Map.of(), false, Set.of());
    }

    Past of(String key) {
        return pastOf.getOrDefault(key, past);
    }
}

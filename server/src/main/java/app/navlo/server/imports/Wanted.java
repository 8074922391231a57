package app.navlo.server.imports;

import app.navlo.server.sheet.EditableField;
import java.util.Map;
import java.util.Set;

/**
 * What a person says of the rows before they are written.
 *
 * @param leave keys of new rows that aren't to be taken
 * @param retake keys of those that were left out, or undone, before and are to be taken now; and of what seemed to be no work
 * @param asksPast whether it is asked how new work stands that was due before now and of which nothing is told
 * @param past what holds of that
 * @param pastOf the same for single rows, by key
 * @param undoneAgain whether what was undone before is taken again
 * @param grades keys of courses whose categories and weights are to make the grade
 * @param byHand what was put right by hand, by key; no source overwrites it later
 * @param scoredByHand keys of rows whose score was written by hand
 */
public record Wanted(
        Set<String> leave,
        Set<String> retake,
        boolean asksPast,
        Past past,
        Map<String, Past> pastOf,
        boolean undoneAgain,
        Set<String> grades,
        Map<String, Set<EditableField>> byHand,
        Set<String> scoredByHand) {
    /** Nothing but what is told. */
    public static final Wanted ALL =
            new Wanted(Set.of(), Set.of(), false, Past.NOT_HANDED_IN, Map.of(), false, Set.of(), Map.of(), Set.of());

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
        byHand = Map.copyOf(byHand);
        scoredByHand = Set.copyOf(scoredByHand);
    }

    Past of(String key) {
        return pastOf.getOrDefault(key, past);
    }
}

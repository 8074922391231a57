package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.told.StateWords;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a person says about what came in.
 *
 * @param source by which it is known here; null for what it calls itself
 * @param knownAs the student in a bundle of several; null while nobody has chosen
 * @param mapping of a table; null for what is recognised
 * @param courses what the courses that the source names are called here, by the source's keys
 * @param past how new work stands that was due before now
 * @param words for states that a person was asked about
 * @param rows by key
 * @param grading whether categories and weights make the grade of courses that have none yet
 * @param classes whether the hours of classes are taken as well
 */
public record Choices(
        @Nullable String source,
        @Nullable String knownAs,
        @Nullable Mapping mapping,
        Map<String, String> courses,
        Wanted.Past past,
        Map<String, StateWords.Meaning> words,
        Map<String, RowEdit> rows,
        boolean grading,
        boolean classes) {
    public static final Choices NONE =
            new Choices(null, null, null, Map.of(), Wanted.Past.ON_TIME, Map.of(), Map.of(), true, false);

    /** Of what tells itself whether work was handed in. */
    public static final Choices OF_A_BOX =
            new Choices(null, null, null, Map.of(), Wanted.Past.NOT_HANDED_IN, Map.of(), Map.of(), true, false);

    /** The same of a source of this name. */
    public Choices of(String name, @Nullable String student, @Nullable Mapping read) {
        return new Choices(name, student, read, courses, past, words, rows, grading, classes);
    }

    /** The same with all courses named. */
    Choices calling(Map<String, String> named) {
        return new Choices(source, knownAs, mapping, named, past, words, rows, grading, classes);
    }
}

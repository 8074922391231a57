package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.told.StateWords;
import app.navlo.server.problem.OneLine;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a person says of what came in, as it is sent. */
public final class ImportForms {
    private ImportForms() {}

    /** What the columns of a table mean. */
    public record MappingForm(
            @NotNull @Size(max = 500, message = "At most 500 columns.")
            List<Mapping.Field> fields,

            @NotNull Mapping.DateOrder dates,
            @NotNull Mapping.Decimals decimals) {}

    /** @param name of one of theirs, or a new one */
    public record CourseChoice(
            @NotNull @Size(max = 1_000) String key,

            @NotBlank(message = "Give the course a name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name) {}

    public record WordChoice(
            @NotBlank @Size(max = 120) String word, @NotNull StateWords.Meaning meaning) {}

    /**
     * What a person says about what came in; what is null stands as it was read.
     *
     * @param source by which it is known here; null for what it calls itself
     * @param knownAs who the student is in a bundle of several; null while nobody has chosen
     * @param mapping of a table; null for what is recognised
     * @param past how new work stands that was due before now and of which nothing is told
     * @param grading whether categories and weights make the grade of courses that have none yet
     * @param classes whether the hours of classes are taken as well
     */
    public record ImportChoices(
            @Nullable @Size(max = 200, message = "At most 200 letters.")
            String source,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String knownAs,

            @Nullable @Valid MappingForm mapping,

            @NotNull @Size(max = 500, message = "At most 500 courses.")
            List<@Valid CourseChoice> courses,

            @NotNull Wanted.Past past,

            @NotNull @Size(max = 500, message = "At most 500 words.")
            List<@Valid WordChoice> words,

            @NotNull @Size(max = 5_000, message = "At most 5000 rows.")
            List<@Valid RowEdit> rows,

            boolean grading,
            boolean classes) {
        public Choices choices() {
            Map<String, String> named = new HashMap<>();
            courses.forEach(course -> named.put(course.key(), course.name()));
            Map<String, StateWords.Meaning> means = new HashMap<>();
            words.forEach(word -> means.put(StateWords.plain(word.word()), word.meaning()));
            Map<String, RowEdit> edits = new HashMap<>();
            rows.forEach(row -> edits.put(row.key(), row));
            return new Choices(
                    blank(source),
                    blank(knownAs),
                    mapping == null ? null : new Mapping(mapping.fields(), mapping.dates(), mapping.decimals()),
                    named,
                    past,
                    means,
                    edits,
                    grading,
                    classes);
        }

        private static @Nullable String blank(@Nullable String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    /** @param fingerprint of the preview that was confirmed */
    public record ImportConfirmation(
            @Valid @NotNull ImportChoices choices, @NotNull String fingerprint) {}

    static ImportChoices choices(Choices chosen) {
        Mapping mapping = chosen.mapping();
        return new ImportChoices(
                chosen.source(),
                chosen.knownAs(),
                mapping == null ? null : new MappingForm(mapping.fields(), mapping.dates(), mapping.decimals()),
                chosen.courses().entrySet().stream()
                        .map(entry -> new CourseChoice(entry.getKey(), entry.getValue()))
                        .toList(),
                chosen.past(),
                chosen.words().entrySet().stream()
                        .map(entry -> new WordChoice(entry.getKey(), entry.getValue()))
                        .toList(),
                List.copyOf(chosen.rows().values()),
                chosen.grading(),
                chosen.classes());
    }
}

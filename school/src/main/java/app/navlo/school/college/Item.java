package app.navlo.school.college;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as its teacher set it.
 *
 * @param key that names it in the school's systems
 * @param kind in the words of the course files; null for an assignment
 * @param published when the class first saw it
 * @param due the end of a day or an instant; null for none
 * @param dueText the same as it is written: "2026-11-24" or "2026-11-24 18:00"
 * @param ends of what happens at a time, its due being the start; null for work that is done when one likes
 * @param takes endings of files taken; empty for any or none
 * @param files whether files are taken
 * @param expectsHandIn false for what is done in class
 * @param rubric its rows; empty for none
 * @param quiz what is answered on the course site
 */
record Item(
        String key,
        String course,
        String title,
        @Nullable String kind,
        @Nullable String unit,
        @Nullable String category,
        @Nullable BigDecimal points,
        Instant published,
        @Nullable Instant opens,
        @Nullable Instant due,
        @Nullable String dueText,
        @Nullable Instant ends,
        @Nullable Instant closes,
        List<String> takes,
        boolean files,
        boolean text,
        boolean expectsHandIn,
        boolean required,
        int attempts,
        @Nullable Integer effort,
        String instructions,
        List<RubricRow> rubric,
        Quiz quiz) {
    /** @param levels from the most points down; never empty */
    record RubricRow(String title, List<RubricLevel> levels) {}

    record RubricLevel(String title, String description, BigDecimal points) {}
}

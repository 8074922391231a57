package app.navlo.server.link;

import app.navlo.server.store.Work;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What reading a calendar in would do, row by row.
 *
 * @param calendar that told of these events before; null for a new one
 * @param fingerprint the same for as long as applying would do exactly this
 */
record ImportPlan(@Nullable Long calendar, String calendarName, List<Row> rows, String fingerprint) {
    enum Status {
        NEW,
        CHANGED,
        SAME,
        /** No longer in the file, or cancelled there; nothing has been done on it. */
        GONE,
        /** No longer in the file, but something has been done on it, so it stays. */
        KEPT,
        /** Left aside by the student, now or before. */
        ASIDE
    }

    /**
     * @param work null for what is new
     * @param courseName of the course that it is in or would be put into
     * @param newCourse whether this course would be added
     * @param definition as it would stand, without its course if that is new
     * @param changes what differs, in words
     * @param note a doubt; null for none
     */
    record Row(
            String key,
            Status status,
            @Nullable Long work,
            String title,
            String courseName,
            boolean newCourse,
            Work.Definition definition,
            String instructions,
            List<String> changes,
            @Nullable String note) {}

    List<Row> with(Status status) {
        return rows.stream().filter(row -> row.status() == status).toList();
    }
}

package app.navlo.school.college;

import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What a course or the school says to all.
 *
 * @param course by its key; null for the school's own
 * @param lastDay after which nobody needs it; null for none
 * @param paper the name of a file that belongs to it; null for none
 */
record Announcement(
        String key,
        @Nullable String course,
        Instant at,
        String by,
        String title,
        String text,
        @Nullable LocalDate lastDay,
        @Nullable String paper) {}

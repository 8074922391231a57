package app.navlo.server.demo;

import app.navlo.core.time.Deadline;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import org.jspecify.annotations.Nullable;

/** Reads the times of the demo's files: a day, or a day and a time on the wall. */
record DemoTimes(ZoneId zone) {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final int A_DAY_ALONE = 10;

    Instant at(String text) {
        return LocalDateTime.parse(text, MOMENT).atZone(zone).toInstant();
    }

    @Nullable
    Instant atOrNull(@Nullable String text) {
        return text == null ? null : at(text);
    }

    @Nullable
    Deadline deadline(@Nullable String text) {
        if (text == null) {
            return null;
        }
        return text.length() == A_DAY_ALONE ? Deadline.endOf(LocalDate.parse(text), zone) : Deadline.at(at(text));
    }
}

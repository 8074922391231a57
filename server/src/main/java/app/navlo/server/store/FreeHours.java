package app.navlo.server.store;

import app.navlo.core.time.WeeklyHours;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The hours of the week that a student keeps free. */
@Repository
public class FreeHours {
    private final JdbcClient db;

    FreeHours(JdbcClient db) {
        this.db = db;
    }

    /** Empty if the student has never said. */
    public Optional<WeeklyHours> find(long student) {
        Map<DayOfWeek, List<WeeklyHours.Span>> spans = new EnumMap<>(DayOfWeek.class);
        db.sql("SELECT weekday, starts_at, ends_at FROM free_hours WHERE student_id = :student")
                .param("student", student)
                .query(row -> {
                    spans.computeIfAbsent(DayOfWeek.of(row.getInt("weekday")), day -> new ArrayList<>())
                            .add(new WeeklyHours.Span(
                                    row.getObject("starts_at", LocalTime.class),
                                    row.getObject("ends_at", LocalTime.class)));
                });
        return spans.isEmpty() ? Optional.empty() : Optional.of(new WeeklyHours(spans));
    }

    public void set(long student, WeeklyHours hours) {
        db.sql("DELETE FROM free_hours WHERE student_id = :student")
                .param("student", student)
                .update();
        hours.spans()
                .forEach((day, spans) -> spans.forEach(span -> db.sql("""
                                INSERT INTO free_hours (student_id, weekday, starts_at, ends_at)
                                VALUES (:student, :weekday, :starts, :ends)
                                """)
                        .param("student", student)
                        .param("weekday", day.getValue())
                        .param("starts", span.startInclusive())
                        .param("ends", span.endExclusive())
                        .update()));
    }
}

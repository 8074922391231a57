package app.navlo.server.imports;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.formats.csv.MappedTable;
import app.navlo.formats.told.ScoreWords;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.StateWords;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What a person corrects in what was read, before anything is compared with the board. */
final class Corrections {
    private final Map<String, RowEdit> edits;
    private final Map<String, String> courseNames;
    private final ZoneId zone;

    /**
     * @param edits by row
     * @param courseNames by the key of a course that the source names: what it is called here
     */
    Corrections(Map<String, RowEdit> edits, Map<String, String> courseNames, ZoneId zone) {
        this.edits = edits;
        this.courseNames = courseNames;
        this.zone = zone;
    }

    /** What was read, with the corrections in it. @throws Refusal naming the row of a correction that can't be */
    SourceSnapshot of(SourceSnapshot told) {
        Map<String, SourceSnapshot.Course> courses = new LinkedHashMap<>();
        told.courses().forEach(course -> courses.put(course.key(), named(course)));
        List<SourceSnapshot.Work> works = new ArrayList<>();
        Map<String, SourceSnapshot.Result> results = new LinkedHashMap<>();
        told.results().forEach(result -> results.put(result.workKey(), result));
        for (SourceSnapshot.Work work : told.works()) {
            RowEdit edit = edits.get(work.key());
            if (edit == null) {
                works.add(work);
            } else {
                SourceSnapshot.Work corrected = work(work, edit, courses);
                works.add(corrected);
                result(corrected, edit, results);
            }
        }
        return new SourceSnapshot(
                told.source(),
                List.copyOf(courses.values()),
                works,
                List.copyOf(results.values()),
                told.troubles(),
                told.beside());
    }

    private SourceSnapshot.Course named(SourceSnapshot.Course course) {
        String name = courseNames.getOrDefault(course.key(), course.name());
        return new SourceSnapshot.Course(course.key(), name, course.teacher(), course.categories());
    }

    private SourceSnapshot.Work work(
            SourceSnapshot.Work work, RowEdit edit, Map<String, SourceSnapshot.Course> courses) {
        String course = edit.course() == null ? work.courseKey() : courseKey(edit.course(), courses);
        SourceSnapshot.More more = work.more();
        Deadline due = edit.dueDay() == null ? work.due() : due(edit);
        boolean moved = edit.dueDay() != null && more != null && more.appointment() != null;
        return new SourceSnapshot.Work(
                work.key(),
                course,
                edit.title() == null ? work.title() : edit.title().strip(),
                edit.kind() == null ? work.kind() : edit.kind(),
                edit.category() == null ? work.category() : blank(edit.category()),
                edit.possible() == null ? work.possible() : Figures.orNull(blank(edit.possible())),
                work.opensAt() != null && due != null && due.instant().isBefore(work.opensAt()) ? null : work.opensAt(),
                due,
                work.instructions(),
                moved
                        ? SourceSnapshot.More.plain(
                                Objects.requireNonNull(more).required(), more.closesAt(), more.unit(), null)
                        : more,
                work.hint());
    }

    /** That of a course of this name among those that the source names; else one more. */
    private static String courseKey(String name, Map<String, SourceSnapshot.Course> courses) {
        String plain = name.strip();
        return courses.values().stream()
                .filter(course -> course.name().equalsIgnoreCase(plain))
                .map(SourceSnapshot.Course::key)
                .findFirst()
                .orElseGet(() -> {
                    String key = "named " + plain;
                    courses.put(key, new SourceSnapshot.Course(key, plain, "", List.of()));
                    return key;
                });
    }

    private Deadline due(RowEdit edit) {
        LocalDate day = Objects.requireNonNull(edit.dueDay());
        if (edit.dueTime() == null) {
            return Deadline.endOf(day, zone);
        }
        return Deadline.at(day.atTime(edit.dueTime()).atZone(zone).toInstant());
    }

    private static void result(SourceSnapshot.Work work, RowEdit edit, Map<String, SourceSnapshot.Result> results) {
        if (edit.score() == null && edit.state() == null) {
            return;
        }
        SourceSnapshot.Result before = results.get(work.key());
        ScoreWords.Score score = score(work, edit);
        Rational points = edit.score() == null
                ? before == null ? null : before.points()
                : score.outOf(work.possible() == null ? Rational.ZERO : work.possible());
        StateWords.Meaning meaning = edit.state() == null ? StateWords.Meaning.NOTHING : edit.state();
        boolean excused = score.excused() || meaning == StateWords.Meaning.EXCUSED;
        String comment = before == null ? "" : before.comment();
        results.put(work.key(), MappedTable.result(work.key(), points, excused, meaning, comment));
    }

    private static ScoreWords.Score score(SourceSnapshot.Work work, RowEdit edit) {
        try {
            return ScoreWords.read(edit.score() == null ? "" : edit.score(), Map.of());
        } catch (IllegalArgumentException noScore) {
            throw Refusal.invalid("rows", work.title() + ": " + noScore.getMessage() + ".");
        }
    }

    private static @Nullable String blank(String text) {
        return text.isBlank() ? null : text.strip();
    }
}

package app.navlo.server.imports;

import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.Told;
import app.navlo.server.imports.NewsPlan.WorkRow;
import app.navlo.server.rules.Figures;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Writes down what reading something in would do, as it is sent. */
public final class ImportViews {
    private ImportViews() {}

    /** What writing does with a row. */
    public enum RowStatus {
        NEW,
        CHANGED,
        SAME,
        CONFLICTING,
        GONE,
        KEPT,
        ASIDE
    }

    /**
     * A row as it stands after what the person said of it.
     *
     * @param take whether it is taken; only new rows can be left out
     * @param course by name; empty where it stays in its course
     * @param due null for none
     * @param dueDay where only a day is given
     * @param endsAt of what happens at a time; null for work that is done when one likes
     * @param possible a decimal; null where nobody says
     * @param score a decimal; null where there is none
     * @param state what is told of how far it is; null where nothing is
     * @param past whether it was due before now and nothing is told of it
     * @param answer what holds of it then
     * @param notWork why it seems to be no work; null where it is
     * @param line of the text that it came from; null for none
     * @param note a doubt about what was read; null for none
     * @param changes what differs from the board, in words
     */
    public record ImportRow(
            String key,
            RowStatus status,
            boolean take,
            String title,
            String course,
            @Nullable WorkKind kind,
            @Nullable String category,
            @Nullable Instant opens,
            @Nullable Instant due,
            @Nullable LocalDate dueDay,
            @Nullable Instant endsAt,
            @Nullable String possible,
            @Nullable String score,
            Told.@Nullable Status state,
            boolean past,
            Wanted.@Nullable Past answer,
            @Nullable String notWork,
            @Nullable String line,
            @Nullable String note,
            List<String> changes) {}

    /** @param where it is @param why it couldn't be read */
    public record ImportTrouble(String where, String why) {}

    static List<ImportRow> rows(NewsPlan plan, Told told, Wanted wanted) {
        Map<String, Told.Work> works = new HashMap<>();
        told.works().forEach(work -> works.put(work.key(), work));
        Map<String, String> courses = new HashMap<>();
        plan.courses().forEach(course -> courses.put(course.key(), course.name()));
        return plan.works().stream()
                .map(row -> row(row, works.get(row.key()), courses, plan, wanted))
                .toList();
    }

    private static ImportRow row(
            WorkRow row, Told.@Nullable Work told, Map<String, String> courses, NewsPlan plan, Wanted wanted) {
        Work.Definition stands = row.definition();
        Deadline due = told == null ? (stands == null ? null : stands.due()) : told.due();
        Told.Result result = plan.results().get(row.key());
        boolean past = plan.past().contains(row.key());
        Stretch held = told == null || told.more() == null ? null : told.more().appointment();
        return new ImportRow(
                row.key(),
                RowStatus.valueOf(row.status().name()),
                row.status() != NewsPlan.Status.ASIDE,
                row.title(),
                row.courseKey() == null ? "" : courses.getOrDefault(row.courseKey(), row.courseKey()),
                told == null ? null : told.kind(),
                told == null ? null : told.category(),
                told == null ? null : told.opensAt(),
                due == null ? null : due.instant(),
                due instanceof Deadline.EndOfDay end ? end.day() : null,
                held == null ? null : held.endExclusive(),
                told == null ? null : Figures.textOrNull(told.possible()),
                result == null ? null : Figures.textOrNull(result.points()),
                result == null || past ? null : result.status(),
                past,
                past ? wanted.of(row.key()) : null,
                told == null ? null : told.hint().notWork(),
                told == null ? null : told.hint().line(),
                told == null ? null : told.hint().note(),
                row.changes());
    }

    /** Of a link, whose rows are taken as they are told. */
    public static List<ImportRow> rows(NewsPlan plan, Told told) {
        return rows(plan, told, Wanted.ALL);
    }

    public static List<ImportTrouble> troubles(NewsPlan plan) {
        return plan.troubles().stream()
                .map(trouble -> new ImportTrouble(trouble.where(), trouble.why()))
                .toList();
    }
}

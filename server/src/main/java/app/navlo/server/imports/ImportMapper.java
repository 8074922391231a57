package app.navlo.server.imports;

import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.csv.Recogniser.Unclear;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.imports.ImportForms.ImportChoices;
import app.navlo.server.imports.Intake.Taken;
import app.navlo.server.imports.Previews.Looked;
import app.navlo.server.imports.SyncPlan.WorkRow;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Work;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Writes down what reading something in would do, as it is sent. */
public final class ImportMapper {
    private ImportMapper() {}

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
            SourceSnapshot.@Nullable Status state,
            boolean past,
            Wanted.@Nullable Past answer,
            @Nullable String notWork,
            @Nullable String line,
            @Nullable String note,
            List<String> changes) {}

    /** @param where it is @param why it couldn't be read */
    public record ImportTrouble(String where, String why) {}

    public record ImportStudent(String id, String name, String email) {}

    /** @param values of the first rows */
    public record ImportColumn(String head, List<String> values) {}

    /** @param weight a decimal; null where none is named */
    public record ImportCategory(String name, @Nullable String weight) {}

    /**
     * A course that the source names.
     *
     * @param name what it is called here
     * @param isNew whether it is to be added
     * @param categories that make its grade if that is wanted; empty where they don't
     */
    public record ImportCourse(
            String key, String told, String name, boolean isNew, int works, List<ImportCategory> categories) {}

    /** A class that repeats each week. */
    public record ImportClass(String title, DayOfWeek day, LocalTime starts, LocalTime ends) {}

    /** What came in. */
    public enum ImportKind {
        CALENDAR,
        TABLE,
        BUNDLE,
        /** A school's system that tells of hand-ins. */
        BOX
    }

    /**
     * What reading it in would do.
     *
     * @param known whether this source was read in before
     * @param students of a bundle, one of whom is to be chosen; empty for anything else
     * @param columns of a table; empty for anything else
     * @param unclear what a person has to say, because the table doesn't
     * @param ready whether there is a plan: the student is chosen, the titles are known
     * @param results scores and other entries of a gradebook
     * @param happened deeds that a school's system tells one by one
     * @param records what would be kept as a second record, without an entry of a gradebook
     * @param unknownWords for states, that a person is asked about
     */
    public record ImportPreview(
            long id,
            ImportKind kind,
            boolean known,
            ImportChoices choices,
            List<ImportStudent> students,
            List<ImportColumn> columns,
            Set<Unclear> unclear,
            boolean ready,
            List<ImportCourse> courses,
            List<ImportRow> rows,
            int results,
            int happened,
            int records,
            List<ImportTrouble> troubles,
            List<String> unknownWords,
            List<ImportClass> classes,
            String fingerprint) {}

    /**
     * @param change to be named when it is undone
     * @param entries scores and states that came with it
     */
    public record ImportDone(long change, long link, int added, int changed, int gone, int entries) {
        public static ImportDone of(Taken taken) {
            return new ImportDone(
                    taken.change(), taken.link(), taken.added(), taken.changed(), taken.gone(), taken.entries());
        }
    }

    static ImportPreview preview(ImportService.Preview preview) {
        Recognised recognised = preview.read().recognised();
        return preview(
                new Source(
                        preview.file(),
                        ImportKind.valueOf(preview.read().kind().name()),
                        preview.known(),
                        preview.read().students(),
                        recognised,
                        preview.read().told()),
                preview.choices(),
                preview.looked());
    }

    /**
     * What is looked at.
     *
     * @param number by which it is asked for again
     * @param students of a bundle of several
     * @param recognised of a table; null for anything else
     * @param said as it was told; null while it can't be read
     */
    public record Source(
            long number,
            ImportKind kind,
            boolean known,
            List<Roster.User> students,
            @Nullable Recognised recognised,
            @Nullable SourceSnapshot said) {}

    /** @param looked null while something must be chosen first */
    public static ImportPreview preview(Source source, Choices choices, @Nullable Looked looked) {
        Recognised recognised = source.recognised();
        SourceSnapshot.Beside beside = looked != null ? looked.told().beside() : SourceSnapshot.Beside.NOTHING;
        return new ImportPreview(
                source.number(),
                source.kind(),
                source.known(),
                ImportForms.choices(choices),
                source.students().stream()
                        .map(one -> new ImportStudent(one.id(), one.name(), one.email()))
                        .toList(),
                columns(recognised),
                recognised == null ? Set.of() : recognised.unclear(),
                looked != null,
                looked != null ? courses(looked, source.said()) : List.of(),
                looked != null ? rows(looked.plan(), looked.told(), looked.wanted()) : List.of(),
                looked != null ? looked.plan().results().size() : 0,
                looked != null ? looked.plan().happened().size() : 0,
                looked != null ? looked.plan().recordsAlone() : 0,
                looked != null ? troubles(looked.plan()) : List.of(),
                beside.unknownWords(),
                beside.classes().stream()
                        .map(one -> new ImportClass(one.title(), one.day(), one.starts(), one.ends()))
                        .toList(),
                looked != null ? looked.fingerprint() : "");
    }

    private static List<ImportCourse> courses(Looked looked, @Nullable SourceSnapshot said) {
        Map<String, String> saidThere = new HashMap<>();
        if (said != null) {
            said.courses().forEach(course -> saidThere.put(course.key(), course.name()));
        }
        return looked.plan().courses().stream()
                .map(course -> new ImportCourse(
                        course.key(),
                        saidThere.getOrDefault(course.key(), course.name()),
                        course.name(),
                        course.ours() == null,
                        (int) looked.told().works().stream()
                                .filter(work -> course.key().equals(work.courseKey()))
                                .count(),
                        course.grade().stream()
                                .map(one -> new ImportCategory(one.name(), Figures.textOrNull(one.weight())))
                                .toList()))
                .toList();
    }

    private static List<ImportColumn> columns(@Nullable Recognised recognised) {
        if (recognised == null) {
            return List.of();
        }
        return IntStream.range(0, recognised.heads().size())
                .mapToObj(place -> new ImportColumn(
                        recognised.heads().get(place),
                        recognised.sample().stream().map(row -> row.get(place)).toList()))
                .toList();
    }

    static List<ImportRow> rows(SyncPlan plan, SourceSnapshot told, Wanted wanted) {
        Map<String, SourceSnapshot.Work> works = new HashMap<>();
        told.works().forEach(work -> works.put(work.key(), work));
        Map<String, String> courses = new HashMap<>();
        plan.courses().forEach(course -> courses.put(course.key(), course.name()));
        return plan.works().stream()
                .map(row -> row(row, works.get(row.key()), courses, plan, wanted))
                .toList();
    }

    private static ImportRow row(
            WorkRow row,
            SourceSnapshot.@Nullable Work told,
            Map<String, String> courses,
            SyncPlan plan,
            Wanted wanted) {
        Work.Definition stands = row.definition();
        Deadline due = told == null ? (stands == null ? null : stands.due()) : told.due();
        SourceSnapshot.Result result = plan.results().get(row.key());
        boolean past = plan.past().contains(row.key());
        Stretch held = told == null || told.more() == null ? null : told.more().appointment();
        return new ImportRow(
                row.key(),
                RowStatus.valueOf(row.status().name()),
                row.status() != SyncPlan.Status.ASIDE,
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

    private static List<ImportTrouble> troubles(SyncPlan plan) {
        return plan.troubles().stream()
                .map(trouble -> new ImportTrouble(trouble.where(), trouble.why()))
                .toList();
    }
}

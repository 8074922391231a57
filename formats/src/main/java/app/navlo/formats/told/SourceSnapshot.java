package app.navlo.formats.told;

import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * All that a source tells of one student. Keys are the source's own and name the same thing each time that it tells.
 *
 * @param source what the source calls itself; empty where it doesn't
 * @param troubles what couldn't be read, beside what could
 * @param beside what else it says
 */
public record SourceSnapshot(
        String source,
        List<Course> courses,
        List<Work> works,
        List<Result> results,
        List<Trouble> troubles,
        Beside beside) {
    /** Of a source that says nothing beside. */
    public SourceSnapshot(
            String source, List<Course> courses, List<Work> works, List<Result> results, List<Trouble> troubles) {
        this(source, courses, works, results, troubles, Beside.NOTHING);
    }

    /**
     * @param cancelled keys of work that the source says isn't to be done any more
     * @param reach the span that a calendar tells of; work of it outside of that isn't gone. Null for a source without one
     * @param unknownWords for states, which a person has to be asked about
     * @param classes that repeat week by week
     */
    public record Beside(
            Set<String> cancelled, @Nullable Stretch reach, List<String> unknownWords, List<ClassTime> classes) {
        public static final Beside NOTHING = new Beside(Set.of(), null, List.of(), List.of());

        public Beside {
            cancelled = Set.copyOf(cancelled);
            unknownWords = List.copyOf(unknownWords);
            classes = List.copyOf(classes);
        }
    }

    /** A class that is held each week. @param ends 00:00 is the end of the day */
    public record ClassTime(String title, DayOfWeek day, LocalTime starts, LocalTime ends) {}

    /**
     * What a person should see of a row before it is taken.
     *
     * @param notWork why it seems to be no work; null where it is
     * @param line of the text that it came from; null for none
     * @param address where it is done; null where that isn't told
     * @param note a doubt about what was read; null for none
     */
    public record Hint(
            @Nullable String notWork,
            @Nullable String line,
            @Nullable String address,
            @Nullable String note) {
        public static final Hint NONE = new Hint(null, null, null, null);
    }

    /** @param teacher empty where none is named */
    public record Course(String key, String name, String teacher, List<Category> categories) {
        public Course {
            categories = List.copyOf(categories);
        }
    }

    /** @param weight null where the source gives none */
    public record Category(String name, @Nullable Rational weight) {}

    /**
     * @param courseKey null where the source names no course
     * @param category null for none
     * @param possible points; null where the source gives none
     * @param opensAt null for none
     * @param due null for none
     * @param instructions empty for none
     * @param more what only some sources tell; null where this one doesn't
     * @param hint for whoever looks at it before it is taken
     */
    public record Work(
            String key,
            @Nullable String courseKey,
            String title,
            WorkKind kind,
            @Nullable String category,
            @Nullable Rational possible,
            @Nullable Instant opensAt,
            @Nullable Deadline due,
            String instructions,
            @Nullable More more,
            Hint hint) {
        /** Of a source that leaves no doubt. */
        public Work(
                String key,
                @Nullable String courseKey,
                String title,
                WorkKind kind,
                @Nullable String category,
                @Nullable Rational possible,
                @Nullable Instant opensAt,
                @Nullable Deadline due,
                String instructions,
                @Nullable More more) {
            this(key, courseKey, title, kind, category, possible, opensAt, due, instructions, more, Hint.NONE);
        }
    }

    /**
     * How a piece of work is handed in, and what else its course site knows.
     *
     * @param unit null for none
     * @param closesAt null for none
     * @param attempts allowed; null for any number
     * @param fileTypes endings taken; empty for any
     * @param effortMinutes null where nobody has estimated it
     * @param rubric null for none
     * @param appointment the time at which it happens; null for work that is done when one likes
     */
    public record More(
            @Nullable String unit,
            @Nullable Instant closesAt,
            boolean required,
            boolean expectsHandIn,
            @Nullable Integer attempts,
            boolean takesFiles,
            boolean takesText,
            List<String> fileTypes,
            @Nullable Integer effortMinutes,
            @Nullable Rubric rubric,
            @Nullable Stretch appointment) {
        /** Of work that says no more than when it happens, or when it closes. */
        public static More plain(
                boolean required, @Nullable Instant closesAt, @Nullable String unit, @Nullable Stretch appointment) {
            return new More(unit, closesAt, required, true, null, true, true, List.of(), null, null, appointment);
        }

        public More {
            fileTypes = List.copyOf(fileTypes);
        }
    }

    /** How far a piece of work is, by the source's own word. */
    public enum Status {
        NOT_HANDED_IN,
        HANDED_IN,
        PARTLY_SCORED,
        SCORED,
        /** It came back, and nothing is said of a score. */
        RETURNED,
        EXCUSED
    }

    /**
     * @param points null where there is no score
     * @param at when it was scored; null where the source doesn't say
     * @param comment empty for none
     */
    public record Result(
            String workKey,
            Status status,
            @Nullable Rational points,
            @Nullable Instant at,
            String comment,
            boolean late,
            boolean missing,
            boolean incomplete) {}

    /**
     * @param where "results.csv, line 14"
     * @param why one plain clause: "the score 'abc' is no number"
     */
    public record Trouble(String where, String why) {}

    public SourceSnapshot {
        courses = List.copyOf(courses);
        works = List.copyOf(works);
        results = List.copyOf(results);
        troubles = List.copyOf(troubles);
    }
}

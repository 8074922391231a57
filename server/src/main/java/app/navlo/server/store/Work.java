package app.navlo.server.store;

import app.navlo.core.id.WorkId;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.sheet.Lines;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.AppointmentSheet;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as its standing revision has it.
 *
 * @param version the last change that touched it
 * @param originKey what names it at its origin; null for what was typed in
 */
public record Work(
        long id, long version, Origin origin, @Nullable String originKey, Definition definition) {

    /** Where it came from. */
    public enum Origin {
        SCHOOL,
        CALENDAR,
        TYPED
    }

    /**
     * Where it stands in its course.
     *
     * @param unit null for a course without units
     * @param category null where the course has none, or nobody has said which
     */
    public record Place(
            long courseId, @Nullable String unit, @Nullable String category) {}

    /**
     * When it can be done; each null where nobody has said.
     *
     * @param closesAt after which nothing is taken, where the work itself says so
     */
    public record Dates(
            @Nullable Instant opensAt,
            @Nullable Deadline due,
            @Nullable Deadline closesAt) {}

    /**
     * How it is done and handed in.
     *
     * @param attemptsAllowed null for any number
     * @param parts null for work of one part
     * @param redo null where it can't be done again
     */
    public record Handling(
            boolean required,
            boolean expectsHandIn,
            @Nullable Integer attemptsAllowed,
            WorkItem.@Nullable Parts parts,
            @Nullable RedoRule redo,
            Takes takes) {}

    /**
     * What was said of it.
     *
     * @param effortMinutes null where nobody has estimated it
     */
    public record Definition(
            Place place,
            String title,
            WorkKind kind,
            Dates dates,
            Handling handling,
            WorkItem.Marking marking,
            @Nullable Integer effortMinutes,
            WorkSheet rules) {
        public Definition {
            title = Lines.one(title);
        }

        public long courseId() {
            return place.courseId();
        }

        public @Nullable String unit() {
            return place.unit();
        }

        public @Nullable String category() {
            return place.category();
        }

        public @Nullable Instant opensAt() {
            return dates.opensAt();
        }

        public @Nullable Deadline due() {
            return dates.due();
        }

        public @Nullable Deadline closesAt() {
            return dates.closesAt();
        }

        public boolean required() {
            return handling.required();
        }

        /** The same with what its source now tells; what others added stays, and what happens at a time moves with its due. */
        public Definition retold(String newTitle, @Nullable Instant newOpensAt, @Nullable Deadline newDue) {
            Definition told = new Definition(place, newTitle, kind, dates, handling, marking, effortMinutes, rules)
                    .dated(newOpensAt, newDue);
            AppointmentSheet before = rules.appointment();
            if (before == null || newDue == null) {
                return before == null ? told : told.at(null);
            }
            Duration moved = Duration.between(before.startsAt(), newDue.instant());
            return told.at(
                    new AppointmentSheet(newDue.instant(), before.endsAt().plus(moved)));
        }

        /** The same at another time. @param appointment null for work that is done when one likes */
        public Definition at(@Nullable AppointmentSheet appointment) {
            Deadline due = appointment == null ? dates.due() : Deadline.at(appointment.startsAt());
            return dated(dates.opensAt(), due).ruled(rules.at(appointment));
        }

        /** The same with another sheet. */
        public Definition ruled(WorkSheet other) {
            return new Definition(place, title, kind, dates, handling, marking, effortMinutes, other);
        }

        /** The same with other points. */
        public Definition marked(WorkItem.Marking other) {
            return new Definition(place, title, kind, dates, handling, other, effortMinutes, rules);
        }

        public Definition inCourse(long course) {
            Place there = new Place(course, place.unit(), place.category());
            return new Definition(there, title, kind, dates, handling, marking, effortMinutes, rules);
        }

        private Definition dated(@Nullable Instant opensAt, @Nullable Deadline due) {
            Dates other = new Dates(opensAt, due, dates.closesAt());
            return new Definition(place, title, kind, other, handling, marking, effortMinutes, rules);
        }

        /** Without the cut-off and the grading close, which its course knows. */
        public WorkItem item(long id) {
            return new WorkItem(
                    WorkId.of(id),
                    title,
                    kind,
                    handling.required(),
                    handling.expectsHandIn(),
                    marking,
                    new WorkItem.Schedule(
                            dates.opensAt(),
                            dates.due(),
                            dates.closesAt(),
                            null,
                            null,
                            rules.appointment() == null
                                    ? null
                                    : rules.appointment().stretch()),
                    handling.attemptsAllowed(),
                    handling.parts(),
                    handling.redo());
        }
    }

    /**
     * What a hand-in may hold.
     *
     * @param fileTypes endings without their dot, lower case; empty for any type
     */
    public record Takes(
            boolean files, boolean text, boolean done, List<String> fileTypes, int maxFiles, long maxFileBytes) {
        private static final long DEFAULT_BYTES = 50L << 20;

        public static final Takes ANYTHING = new Takes(true, true, true, List.of(), 20, DEFAULT_BYTES);

        public Takes {
            fileTypes = List.copyOf(fileTypes);
        }

        public Takes(boolean files, boolean text, boolean done, List<String> fileTypes) {
            this(files, text, done, fileTypes, 20, DEFAULT_BYTES);
        }
    }
}

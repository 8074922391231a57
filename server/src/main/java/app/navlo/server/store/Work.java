package app.navlo.server.store;

import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
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
     * @param effortMinutes null where nobody has estimated it
     */
    public record Definition(
            long courseId,
            String title,
            WorkKind kind,
            @Nullable String unit,
            @Nullable String category,
            boolean required,
            boolean expectsHandIn,
            WorkItem.Marking marking,
            @Nullable Instant opensAt,
            @Nullable Deadline due,
            @Nullable Deadline closesAt,
            @Nullable Integer attemptsAllowed,
            WorkItem.@Nullable Parts parts,
            @Nullable RedoRule redo,
            @Nullable Integer effortMinutes,
            Takes takes,
            WorkSheet rules) {

        /** The same with what its source now tells; what others added stays, and what happens at a time moves with its due. */
        public Definition retold(String newTitle, @Nullable Instant newOpensAt, @Nullable Deadline newDue) {
            Definition told = with(courseId, newTitle, marking, newOpensAt, newDue);
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
            return new Definition(
                    courseId,
                    title,
                    kind,
                    unit,
                    category,
                    required,
                    expectsHandIn,
                    marking,
                    opensAt,
                    appointment == null ? due : Deadline.at(appointment.startsAt()),
                    closesAt,
                    attemptsAllowed,
                    parts,
                    redo,
                    effortMinutes,
                    takes,
                    rules.at(appointment));
        }

        /** The same with another sheet. */
        public Definition ruled(WorkSheet other) {
            return new Definition(
                    courseId,
                    title,
                    kind,
                    unit,
                    category,
                    required,
                    expectsHandIn,
                    marking,
                    opensAt,
                    due,
                    closesAt,
                    attemptsAllowed,
                    parts,
                    redo,
                    effortMinutes,
                    takes,
                    other);
        }

        /** The same with other points. */
        public Definition marked(WorkItem.Marking other) {
            return with(courseId, title, other, opensAt, due);
        }

        public Definition inCourse(long course) {
            return with(course, title, marking, opensAt, due);
        }

        private Definition with(
                long course,
                String newTitle,
                WorkItem.Marking newMarking,
                @Nullable Instant newOpensAt,
                @Nullable Deadline newDue) {
            return new Definition(
                    course,
                    newTitle,
                    kind,
                    unit,
                    category,
                    required,
                    expectsHandIn,
                    newMarking,
                    newOpensAt,
                    newDue,
                    closesAt,
                    attemptsAllowed,
                    parts,
                    redo,
                    effortMinutes,
                    takes,
                    rules);
        }

        /** Without the cut-off and the grading close, which its course knows. */
        public WorkItem item(long id) {
            return new WorkItem(
                    Long.toString(id),
                    title,
                    kind,
                    required,
                    expectsHandIn,
                    marking,
                    new WorkItem.Schedule(
                            opensAt,
                            due,
                            closesAt,
                            null,
                            null,
                            rules.appointment() == null
                                    ? null
                                    : rules.appointment().stretch()),
                    attemptsAllowed,
                    parts,
                    redo);
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

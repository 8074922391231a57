package app.navlo.server.workdetail;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.AppointmentSheet;
import app.navlo.server.store.Work;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as a student types it in. Days and times are those of the course's zone.
 *
 * @param dueTime null where only a day is given: due at the end of it
 * @param endsTime of work that happens at a time, as an exam does, from its due time on; the next day where it is earlier.
 *     Null for work that is done when one likes
 * @param address of the place where it is done; empty or null where that isn't known
 * @param possible a decimal; null for work without points. What is evidence of a standard is rated out of 4 then
 * @param standards that it is evidence of, by name; null for those that it was evidence of
 * @param extra whether it is extra credit; null for what it was
 */
public record WorkForm(
        long courseId,

        @NotBlank(message = "Give it a title.") @Size(max = 300, message = "At most 300 letters.") @OneLine
        String title,

        @NotNull(message = "Choose a kind.") WorkKind kind,

        @Nullable @Size(max = 120, message = "At most 120 letters.")
        String unit,

        @Nullable @Size(max = 120, message = "At most 120 letters.")
        String category,

        boolean required,
        @Nullable LocalDate opensDay,
        @Nullable LocalDate dueDay,
        @Nullable LocalTime dueTime,
        @Nullable LocalTime endsTime,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String possible,

        @Nullable @Min(value = 1, message = "At least 1 minute.") @Max(value = 6000, message = "At most 6000 minutes.")
        Integer effortMinutes,

        @Nullable
        @Pattern(
                regexp = "|(?i)(https?://|stand-in:[a-z]*/site/)\\S{1,1990}",
                message = "An address looks like https://school.example/essay.")
        String address,

        @Size(max = 20000, message = "At most 20000 letters.")
        String instructions,

        @Nullable @Size(max = 60, message = "At most 60 standards.")
        List<@NotBlank(message = "Name it.") @Size(max = 120, message = "At most 120 letters.") String> standards,

        @Nullable Boolean extra) {

    /** @param was what it was; null for new work @throws Refusal naming every field that doesn't fit */
    public Work.Definition definition(ZoneId zone, Work.@Nullable Definition was) {
        List<Refusal.Fault> faults = new ArrayList<>();
        if (dueTime != null && dueDay == null) {
            faults.add(new Refusal.Fault("dueDay", "A time needs a day: choose the day that it is due."));
        }
        if (endsTime != null && (dueTime == null || dueDay == null)) {
            faults.add(new Refusal.Fault("dueTime", "What ends at a time begins at one: say the day and the time."));
        }
        Deadline due = due(zone, faults);
        Instant opens = opens(zone, was);
        if (opens != null && due != null && due.instant().isBefore(opens)) {
            faults.add(new Refusal.Fault("opensDay", "It opens after it is due. Choose an earlier day."));
        }
        if (!faults.isEmpty()) {
            throw Refusal.invalid(faults);
        }
        WorkSheet rules = rules(was == null ? WorkSheet.PLAIN : was.rules());
        return new Work.Definition(
                new Work.Place(courseId, plain(unit), plain(category)),
                title.strip(),
                kind,
                new Work.Dates(opens, due, was == null ? null : was.closesAt()),
                new Work.Handling(
                        required && kind != WorkKind.PRACTICE,
                        was == null || was.handling().expectsHandIn(),
                        was == null ? null : was.handling().attemptsAllowed(),
                        was == null ? null : was.handling().parts(),
                        was == null ? null : was.handling().redo(),
                        was == null ? Work.Takes.ANYTHING : was.handling().takes()),
                new WorkItem.Marking(
                        possible(rules),
                        was == null ? null : was.marking().passPercent(),
                        was == null ? KeptScore.HIGHEST : was.marking().kept()),
                effortMinutes,
                rules.at(due == null ? null : appointment(due, zone)));
    }

    private WorkSheet rules(WorkSheet was) {
        return was.doneAt(plain(address))
                .evidenceOf(Objects.requireNonNullElse(standards, was.standards()))
                .asExtra(Objects.requireNonNullElse(extra, was.extra()));
    }

    private Rational possible(WorkSheet rules) {
        Rational said = Figures.orZero(possible);
        return said.isZero() && !rules.standards().isEmpty() ? GradeSheet.BEST_RATING : said;
    }

    /** The same instant as before, where the day is the same. */
    private @Nullable Instant opens(ZoneId zone, Work.@Nullable Definition was) {
        if (opensDay == null) {
            return null;
        }
        Instant before = was == null ? null : was.opensAt();
        boolean sameDay = before != null && before.atZone(zone).toLocalDate().equals(opensDay);
        return sameDay ? before : opensDay.atStartOfDay(zone).toInstant();
    }

    /** The fields that are otherwise than before. */
    public Set<EditableField> changed(Work.Definition was, Work.Definition now) {
        Set<EditableField> changed = EnumSet.noneOf(EditableField.class);
        mark(changed, EditableField.COURSE, was.courseId(), now.courseId());
        mark(changed, EditableField.TITLE, was.title(), now.title());
        mark(changed, EditableField.KIND, was.kind(), now.kind());
        mark(changed, EditableField.UNIT, was.unit(), now.unit());
        mark(changed, EditableField.CATEGORY, was.category(), now.category());
        mark(changed, EditableField.REQUIRED, was.required(), now.required());
        mark(
                changed,
                EditableField.POINTS,
                was.marking().possible(),
                now.marking().possible());
        mark(changed, EditableField.OPENS, was.opensAt(), now.opensAt());
        mark(changed, EditableField.DUE, was.due(), now.due());
        mark(changed, EditableField.EFFORT, was.effortMinutes(), now.effortMinutes());
        mark(changed, EditableField.ADDRESS, was.rules().address(), now.rules().address());
        mark(
                changed,
                EditableField.EVIDENCE,
                was.rules().standards(),
                now.rules().standards());
        mark(changed, EditableField.EXTRA, was.rules().extra(), now.rules().extra());
        return changed;
    }

    private static void mark(
            Set<EditableField> changed, EditableField field, @Nullable Object was, @Nullable Object now) {
        if (!Objects.equals(was, now)) {
            changed.add(field);
        }
    }

    private @Nullable AppointmentSheet appointment(Deadline starts, ZoneId zone) {
        if (endsTime == null || dueTime == null || dueDay == null) {
            return null;
        }
        LocalDate day = endsTime.isAfter(dueTime) ? dueDay : dueDay.plusDays(1);
        return new AppointmentSheet(
                starts.instant(), day.atTime(endsTime).atZone(zone).toInstant());
    }

    private static @Nullable String plain(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    private @Nullable Deadline due(ZoneId zone, List<Refusal.Fault> faults) {
        if (dueDay == null) {
            return null;
        }
        if (dueTime == null) {
            return Deadline.endOf(dueDay, zone);
        }
        LocalDateTime wall = dueDay.atTime(dueTime);
        if (zone.getRules().getValidOffsets(wall).isEmpty()) {
            faults.add(new Refusal.Fault(
                    "dueTime", "There is no " + dueTime + " on that day: the clocks go forward. Choose another time."));
            return null;
        }
        return Deadline.at(wall.atZone(zone).toInstant());
    }
}

package app.navlo.server.editing;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.store.Work;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is to be otherwise of some pieces of work; what is null stays.
 *
 * @param title for a single piece of work
 * @param category empty for none
 * @param unit empty for none
 * @param possible a decimal; empty for none
 * @param dueTime of {@code dueDay}; null for the end of the day
 * @param address of the place where it is done; empty for none
 * @param standards that it is evidence of, by name; empty for none
 * @param extra whether it is extra credit
 * @param clear what is to be nothing from now on: {@code DUE} or {@code EFFORT}
 */
public record WorkEdit(
        @Nullable Long courseId,

        @Nullable @Size(min = 1, max = 300, message = "1 to 300 letters.") @OneLine
        String title,

        @Nullable WorkKind kind,

        @Nullable @Size(max = 120, message = "At most 120 letters.")
        String category,

        @Nullable @Size(max = 120, message = "At most 120 letters.")
        String unit,

        @Nullable Boolean required,

        @Nullable @Pattern(regexp = "|" + Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String possible,

        @Nullable LocalDate dueDay,
        @Nullable LocalTime dueTime,

        @Nullable @Min(value = 1, message = "At least 1 minute.") @Max(value = 6000, message = "At most 6000 minutes.")
        Integer effortMinutes,

        @Nullable
        @Pattern(
                regexp = "|(?i)(https?://|stand-in:[a-z]*/site/)\\S{1,1990}",
                message = "An address looks like https://school.example/essay.")
        String address,

        @Nullable @Size(max = 60, message = "At most 60 standards.")
        List<@NotBlank(message = "Name it.") @Size(max = 120, message = "At most 120 letters.") String> standards,

        @Nullable Boolean extra,
        @NotNull List<EditableField> clear) {

    /** The fields that this sets. */
    Set<EditableField> fields() {
        Set<EditableField> fields = EnumSet.noneOf(EditableField.class);
        fields.addAll(clear);
        Map<EditableField, Object> given = new EnumMap<>(EditableField.class);
        put(given, EditableField.COURSE, courseId);
        put(given, EditableField.TITLE, title);
        put(given, EditableField.KIND, kind);
        put(given, EditableField.CATEGORY, category);
        put(given, EditableField.UNIT, unit);
        put(given, EditableField.REQUIRED, required);
        put(given, EditableField.POINTS, possible);
        put(given, EditableField.DUE, dueDay);
        put(given, EditableField.EFFORT, effortMinutes);
        put(given, EditableField.ADDRESS, address);
        put(given, EditableField.EVIDENCE, standards);
        put(given, EditableField.EXTRA, extra);
        fields.addAll(given.keySet());
        return fields;
    }

    private static void put(Map<EditableField, Object> given, EditableField field, @Nullable Object value) {
        if (value != null) {
            given.put(field, value);
        }
    }

    /**
     * @param zone of the course that it is in from then on
     * @throws Refusal naming the field that doesn't fit
     */
    Work.Definition of(Work.Definition was, ZoneId zone) {
        Deadline due = clear.contains(EditableField.DUE) ? null : dueDay == null ? was.due() : due(dueDay, zone);
        if (due != null && was.opensAt() != null && due.instant().isBefore(was.opensAt())) {
            throw Refusal.invalid("edit.dueDay", was.title() + " opens after that. Choose a later day.");
        }
        WorkKind newKind = kind == null ? was.kind() : kind;
        boolean wanted = required == null ? was.required() : required;
        return new Work.Definition(
                new Work.Place(
                        courseId == null ? was.courseId() : courseId,
                        unit == null ? was.unit() : orNull(unit),
                        category == null ? was.category() : orNull(category)),
                title == null ? was.title() : title.strip(),
                newKind,
                new Work.Dates(was.opensAt(), due, was.closesAt()),
                new Work.Handling(
                        wanted && newKind != WorkKind.PRACTICE,
                        was.handling().expectsHandIn(),
                        was.handling().attemptsAllowed(),
                        was.handling().parts(),
                        was.handling().redo(),
                        was.handling().takes()),
                new WorkItem.Marking(
                        points(was), was.marking().passPercent(), was.marking().kept()),
                clear.contains(EditableField.EFFORT)
                        ? null
                        : effortMinutes == null ? was.effortMinutes() : effortMinutes,
                sheet(was, due));
    }

    /** What is evidence is rated out of 4 where nobody says otherwise. */
    private Rational points(Work.Definition was) {
        Rational said = possible == null ? was.marking().possible() : Figures.orZero(orNull(possible));
        boolean evidence = standards != null && !standards.isEmpty();
        return said.isZero() && evidence ? GradeSheet.BEST_RATING : said;
    }

    private WorkSheet sheet(Work.Definition was, @Nullable Deadline due) {
        WorkSheet sheet = (address == null ? was.rules() : was.rules().doneAt(orNull(address)))
                .evidenceOf(Objects.requireNonNullElse(standards, was.rules().standards()))
                .asExtra(Objects.requireNonNullElse(extra, was.rules().extra()));
        WorkSheet.AppointmentSheet held = sheet.appointment();
        boolean moved = held != null && (due == null || !due.instant().equals(held.startsAt()));
        if (!moved) {
            return sheet;
        }
        return sheet.at(
                due == null
                        ? null
                        : new WorkSheet.AppointmentSheet(
                                due.instant(),
                                Objects.requireNonNull(held)
                                        .endsAt()
                                        .plus(Duration.between(held.startsAt(), due.instant()))));
    }

    private Deadline due(LocalDate day, ZoneId zone) {
        if (dueTime == null) {
            return Deadline.endOf(day, zone);
        }
        if (zone.getRules().getValidOffsets(day.atTime(dueTime)).isEmpty()) {
            throw Refusal.invalid(
                    "edit.dueTime",
                    "There is no " + dueTime + " on that day: the clocks go forward. Choose another time.");
        }
        return Deadline.at(day.atTime(dueTime).atZone(zone).toInstant());
    }

    private static @Nullable String orNull(String text) {
        return text.isBlank() ? null : text.strip();
    }
}

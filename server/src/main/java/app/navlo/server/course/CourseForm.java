package app.navlo.server.course;

import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.Course;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A course as a student types it in.
 *
 * @param shortName for narrow places; empty or null for the name itself
 * @param teacherEmail empty or null where it isn't known
 * @param graded how its grade is made, for a new course; null where that isn't known yet, or is set elsewhere
 * @param rulesOf another course, whose rules a new one is to have; null for none
 */
public record CourseForm(
        @NotBlank(message = "Give it a name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
        String name,

        @Nullable @Size(max = 40, message = "At most 40 letters.") @OneLine
        String shortName,

        @Nullable @Size(max = 120, message = "At most 120 letters.") @OneLine
        String teacher,

        @Nullable
        @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
        @Size(max = 254, message = "At most 254 letters.")
        String teacherEmail,

        @NotBlank(message = "Choose a time zone.") String zone,
        @NotBlank(message = "Choose a colour.") String colour,
        GradeSheet.@Nullable Kind graded,
        @Nullable Long rulesOf) {

    private static final int SHORT = 40;

    Course.Details details() {
        List<Refusal.Fault> faults = new ArrayList<>();
        if (!Course.COLOURS.contains(colour)) {
            faults.add(new Refusal.Fault("colour", "Choose one of the colours offered."));
        }
        ZoneId parsed = null;
        try {
            parsed = ZoneId.of(zone);
        } catch (DateTimeException e) {
            faults.add(new Refusal.Fault("zone", "'" + zone + "' is no time zone; one looks like Europe/Copenhagen."));
        }
        if (parsed == null || !faults.isEmpty()) {
            throw Refusal.invalid(faults);
        }
        String plain = name.strip();
        return new Course.Details(
                plain,
                shortName == null || shortName.isBlank()
                        ? plain.length() <= SHORT ? plain : plain.substring(0, SHORT)
                        : shortName.strip(),
                teacher == null || teacher.isBlank() ? null : teacher.strip(),
                teacherEmail == null || teacherEmail.isBlank() ? null : teacherEmail.strip(),
                parsed,
                colour);
    }
}

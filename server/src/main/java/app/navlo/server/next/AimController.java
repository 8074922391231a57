package app.navlo.server.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.next.Aim;
import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.CourseAims;
import app.navlo.server.store.Courses;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** What a student wants of a course, which the plan works toward. */
@RestController
public class AimController {
    private final Courses courses;
    private final Changes changes;
    private final CourseAims ownCourses;
    private final OneChange one;

    AimController(Courses courses, Changes changes, CourseAims ownCourses, OneChange one) {
        this.courses = courses;
        this.changes = changes;
        this.ownCourses = ownCourses;
        this.one = one;
    }

    /**
     * @param importance of its points beside those of other courses; 1 is as usual
     * @param target in the units of the course's figure; null for none
     */
    public record AimForm(
            @NotNull(message = "Say how much it matters.")
            @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String importance,

            @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String target) {}

    /** Says what a student wants of a course. */
    @PutMapping("/api/students/{student}/courses/{course}/aim")
    public Changed aim(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AimForm form) {
        Course of = courses.all(student, changes.undone(student)).get(course);
        if (of == null) {
            throw Refusal.notFound("course");
        }
        Rational target = Figures.orNull(form.target());
        if (target != null) {
            Rational most = of.rules()
                    .grade()
                    .kind()
                    .most()
                    .orElseThrow(() -> Refusal.invalid(
                            "target", "This course is passed by completing it; there is no figure to aim at."));
            if (target.compareTo(most) > 0) {
                throw Refusal.invalid("target", "At most " + Figures.text(most) + ", the full grade of this course.");
            }
        }
        Aim aim = new Aim(Figures.orZero(form.importance()), target);
        Writer writer = Writer.of(student, person, null, key);
        String asked = "aim " + course + " " + form;
        String summary = "Set what " + of.details().name() + " is to bring";
        return one.write(writer, asked, ChangeKind.OWN, summary, change -> {
            ownCourses.aim(student, course, change, aim);
            return course;
        });
    }
}

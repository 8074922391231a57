package app.navlo.server.personal;

import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** The order of a student's courses, and their colours. */
@Service
class CourseOrder {
    private final OneChange one;
    private final Changes changes;
    private final Courses courses;

    CourseOrder(OneChange one, Changes changes, Courses courses) {
        this.one = one;
        this.changes = changes;
        this.courses = courses;
    }

    Changed arrange(Writer writer, ArrangementForm form) {
        return one.write(writer, "arrange " + form, () -> {
            Map<Long, Course> standing = courses.all(writer.student(), changes.undone(writer.student()));
            refuseUnlessWhole(standing.keySet(), form.courses());
            return new OneChange.Intended(ChangeKind.EDIT_COURSE, "Arranged the courses", change -> {
                int place = 0;
                for (PlacedCourse placed : form.courses()) {
                    place++;
                    Course course = standing.get(placed.id());
                    courses.revise(
                            placed.id(),
                            change,
                            Objects.requireNonNull(course).details().coloured(placed.colour()),
                            Courses.Where.of(course).at(place));
                    courses.touch(placed.id(), change);
                }
                return form.courses().get(0).id();
            });
        });
    }

    private static void refuseUnlessWhole(Set<Long> standing, List<PlacedCourse> placed) {
        Set<Long> given = placed.stream().map(PlacedCourse::id).collect(Collectors.toSet());
        if (!given.equals(standing) || given.size() != placed.size()) {
            throw Refusal.changedSince("The list of courses");
        }
        if (!placed.stream().map(PlacedCourse::colour).allMatch(Course.COLOURS::contains)) {
            throw Refusal.invalid("colour", "Choose one of the colours offered.");
        }
    }
}

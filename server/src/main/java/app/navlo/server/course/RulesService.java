package app.navlo.server.course;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.check.Problem;
import app.navlo.core.course.CourseBook;
import app.navlo.core.id.WorkId;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads a course's rules, tries others out, and writes them down. The core judges every one of them. */
@Service
public class RulesService {
    private static final Example USUAL = new Example(20, 17, 25);

    private final Boards boards;
    private final Courses courses;
    private final Changes changes;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;

    RulesService(Boards boards, Courses courses, Changes changes, WriteOnce once, LiveFeed live, ServerClock clock) {
        this.boards = boards;
        this.courses = courses;
        this.changes = changes;
        this.once = once;
        this.live = live;
        this.clock = clock;
    }

    @ReadBoard
    public RulesView read(long student, long id) {
        Course course = course(student, id);
        CourseBook book = boards.course(student, id, null, clock.instant());
        return new RulesView(course.version(), course.rules(), Trial.of(course, book, book, USUAL));
    }

    /** @throws Refusal naming every field that doesn't fit */
    @ReadBoard
    public TrialView trial(long student, long id, TrialForm form) {
        Course course = course(student, id);
        CourseBook before = boards.course(student, id, null, clock.instant());
        CourseBook after = judged(student, id, form.rules());
        return Trial.of(course, before, after, new Example(form.possible(), form.earned(), form.hoursLate()));
    }

    @Transactional
    public Changed write(Writer writer, long id, RuleSheet rules) {
        Instant now = clock.instant();
        String asked = "rules of " + id + " " + rules;
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, now), Changed.class, () -> {
                    long version = courses.lock(writer.student(), id).orElseThrow(() -> Refusal.notFound("course"));
                    Course course = course(writer.student(), id);
                    if (!Objects.equals(writer.version(), version)) {
                        throw Refusal.changedSince(course.details().name());
                    }
                    judged(writer.student(), id, rules);
                    long change = changes.add(new Changes.NewChange(
                            writer.student(),
                            writer.person(),
                            ChangeKind.EDIT_COURSE,
                            now,
                            Changes.TYPED_IN,
                            "Changed the rules of " + course.details().name()));
                    courses.setRules(id, change, rules);
                    courses.touch(id, change);
                    live.changed(writer.student());
                    return new Changed(change, id);
                });
    }

    private Course course(long student, long id) {
        Course course = courses.all(student, changes.undone(student)).get(id);
        if (course == null) {
            throw Refusal.notFound("course");
        }
        return course;
    }

    /** The course under these rules, if the core lets them pass. */
    private CourseBook judged(long student, long id, RuleSheet rules) {
        try {
            CourseBook book = boards.course(student, id, rules, clock.instant());
            List<Refusal.Fault> faults = strangers(rules, book);
            if (!faults.isEmpty()) {
                throw Refusal.invalid(faults);
            }
            return book;
        } catch (IllegalInput wrong) {
            throw Refusal.invalid(wrong.problems().stream()
                    .map(RulesService::fault)
                    .distinct()
                    .toList());
        }
    }

    private static List<Refusal.Fault> strangers(RuleSheet rules, CourseBook book) {
        List<Refusal.Fault> faults = new ArrayList<>();
        List<GradeSheet.ThresholdSheet> thresholds = rules.grade().thresholds();
        for (int i = 0; i < thresholds.size(); i++) {
            if (!book.has(WorkId.of(thresholds.get(i).work()))) {
                faults.add(new Refusal.Fault(
                        "grade.thresholds[" + i + "].work", "Choose a piece of work of this course."));
            }
        }
        return faults;
    }

    /** Names the field as the sheet does, and says it in a sentence. */
    private static Refusal.Fault fault(Problem problem) {
        String field = problem.field()
                .replaceAll("^grade\\.letters\\.rows.*", "grade.letters")
                .replace("grade.letters.decimals", "grade.decimals")
                .replaceAll("^leeway\\.extension\\.(before|after)$", "leeway.extension.$1Hours")
                .replaceAll("^leeway\\.tokens\\.(after|span)$", "leeway.tokens.$1Hours")
                .replaceAll("^extension\\.tokens$", "leeway.extension.tokens")
                .replaceAll("^late\\.(grace)$", "late.$1Minutes")
                .replaceAll("^late\\.(cutoff)$", "late.$1Hours")
                .replaceAll("\\.id$", ".name");
        return Refusal.Fault.of(field, problem.rule());
    }
}

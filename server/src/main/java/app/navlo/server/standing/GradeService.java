package app.navlo.server.standing;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Target;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Carry;
import app.navlo.core.work.Fact;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Material;
import app.navlo.server.store.Scenarios;
import app.navlo.server.store.Scenarios.Scenario;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks the core about one course: how its grade comes about, and what would be if. */
@Service
class GradeService {
    private final Boards boards;
    private final Material material;
    private final Scenarios scenarios;
    private final Changes changes;
    private final OneChange one;
    private final ServerClock clock;

    GradeService(
            Boards boards, Material material, Scenarios scenarios, Changes changes, OneChange one, ServerClock clock) {
        this.boards = boards;
        this.material = material;
        this.scenarios = scenarios;
        this.changes = changes;
        this.one = one;
        this.clock = clock;
    }

    @ReadBoard
    public GradeView read(long student, long course, @Nullable LocalDate asof, Person reader) {
        ZoneId zone = ZoneId.of(reader.zone());
        Board board = asof == null
                ? boards.read(student, zone, clock.instant())
                : boards.asItWas(student, zone, asof, clock.instant());
        CourseBook book = board.books().get(course);
        if (book == null) {
            throw Refusal.notFound("course");
        }
        return views(student, book).of(book.trial(List.of(), List.of()));
    }

    private GradeMapper views(long student, CourseBook book) {
        List<Long> works =
                book.graded().stream().map(work -> work.id().number()).toList();
        return new GradeMapper(book, material.classFigures(works, changes.undone(student)));
    }

    @ReadBoard
    public GradeView whatIf(long student, long course, WhatIfForm form) {
        CourseBook book = book(student, course);
        return views(student, book).of(book.trial(changes(book, form), added(form)));
    }

    private CourseBook book(long student, long course) {
        return boards.course(student, course, null, clock.instant());
    }

    private List<WhatIf> changes(CourseBook book, WhatIfForm form) {
        List<WhatIf> then = new ArrayList<>();
        for (int i = 0; i < form.changes().size(); i++) {
            ChangeForm change = form.changes().get(i);
            WorkId work = WorkId.of(change.work());
            if (!book.has(work)) {
                throw Refusal.invalid("changes[" + i + "].work", "Choose a piece of work of this course.");
            }
            then.add(new WhatIf(work, score(book, change), change.excused(), change.handedIn()));
        }
        return then;
    }

    /**
     * Points typed for work that would be handed in at another time are raw: that time has its penalty. Alone they are what
     * counts; and what is typed as the page shows the forecast, to a tenth, is the forecast itself.
     */
    private static WhatIf.@Nullable Score score(CourseBook book, ChangeForm change) {
        Rational points = Figures.orNull(change.points());
        if (points == null || change.handedIn() != null) {
            return points == null ? null : new WhatIf.Score(points, false);
        }
        GradedWork values = book.finding(WorkId.of(change.work())).graded();
        boolean forecast = values != null
                && values.score() == null
                && Objects.requireNonNull(change.points()).contains(".")
                && Figures.tenths(values.expected()).equals(change.points());
        return new WhatIf.Score(forecast ? Objects.requireNonNull(values).expected() : points, true);
    }

    private static List<WhatIfCourse.Added> added(WhatIfForm form) {
        List<WhatIfCourse.Added> added = new ArrayList<>();
        form.added()
                .forEach(work -> added.add(new WhatIfCourse.Added(
                        new WorkId("new " + (added.size() + 1)),
                        CategoryId.orNull(work.category()),
                        work.standards().stream().map(StandardId::new).toList(),
                        Figures.orZero(work.possible()),
                        Figures.orZero(work.points()))));
        return added;
    }

    @ReadBoard
    public TargetView target(long student, long course, TargetForm form) {
        CourseBook book = book(student, course);
        List<WhatIf> then = changes(book, form.whatIf());
        List<WhatIfCourse.Added> added = added(form.whatIf());
        WhatIfCourse trial = book.trial(then, added);
        Rational target = Figures.orZero(form.target());
        WorkId on = form.on() == null ? null : WorkId.of(form.on());
        if (on != null && !trial.open().contains(on)) {
            return new TargetView(null, "Its score can't change any more. Choose another, or all of them.", null, null);
        }
        Target.Answer answer = trial.reach(target, on);
        return new TargetView(
                Figures.textOrNull(answer.percent()),
                null,
                Figures.textOrNull(answer.atMost()),
                on == null ? carry(book, then, added, target) : null);
    }

    private static @Nullable List<CarryView> carry(
            CourseBook book, List<WhatIf> then, List<WhatIfCourse.Added> added, Rational target) {
        return Carry.to(target, book, then, added)
                .map(pieces -> pieces.stream()
                        .map(piece -> new CarryView(piece.work().number(), piece.minutes()))
                        .toList())
                .orElse(null);
    }

    /** At the end of each day on which something happened in the course, and now. */
    @ReadBoard
    public List<TrendPoint> trend(long student, long course) {
        Instant now = clock.instant();
        CourseBook book = book(student, course);
        ZoneId zone = book.rules().calendar().zone();
        Set<Instant> instants = new TreeSet<>();
        book.findings().stream()
                .flatMap(finding -> finding.work().facts().stream())
                .map(Fact::stamp)
                .map(stamp -> stamp.at())
                .filter(at -> !at.isAfter(now))
                .map(at -> endOf(at.atZone(zone).toLocalDate(), zone))
                .forEach(end -> instants.add(end.isAfter(now) ? now : end));
        instants.add(now);
        List<TrendPoint> points = new ArrayList<>();
        for (Instant at : instants) {
            List<TrendFigure> figures = figures(boards.course(student, course, null, at));
            if (!figures.isEmpty()) {
                points.add(new TrendPoint(at, figures));
            }
        }
        return points;
    }

    private static Instant endOf(LocalDate day, ZoneId zone) {
        return day.plusDays(1).atStartOfDay(zone).toInstant().minusMillis(1);
    }

    private static List<TrendFigure> figures(CourseBook book) {
        List<TrendFigure> figures = new ArrayList<>();
        for (Reading reading : Reading.values()) {
            Rational figure = book.readings().of(reading).grade().figure();
            if (figure != null) {
                figures.add(new TrendFigure(reading, Figures.text(figure)));
            }
        }
        return figures;
    }

    @ReadBoard
    public List<ScenarioView> scenarios(long student, long course) {
        return kept(student, course).stream()
                .map(kept -> new ScenarioView(kept.id(), kept.name(), kept.sheet()))
                .toList();
    }

    private List<Scenario<WhatIfForm>> kept(long student, long course) {
        return scenarios.of(student, course, changes.undone(student), WhatIfForm.class);
    }

    @Transactional
    public Changed keep(Writer writer, long course, ScenarioForm form) {
        changes(book(writer.student(), course), form.whatIf());
        String name = form.name().strip();
        boolean taken = kept(writer.student(), course).stream()
                .anyMatch(kept -> kept.name().equalsIgnoreCase(name));
        if (taken) {
            throw Refusal.invalid("name", "There is one of this name already. Give it another.");
        }
        String summary = "Kept what would be if: " + name;
        return one.write(
                writer,
                "scenario " + course + " " + form,
                ChangeKind.OWN,
                summary,
                change -> scenarios.add(writer.student(), course, change, name, form.whatIf()));
    }

    @Transactional
    public Changed throwAway(Writer writer, long course, long id) {
        Scenario<WhatIfForm> scenario = kept(writer.student(), course).stream()
                .filter(kept -> kept.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("scenario"));
        String summary = "Threw away what would be if: " + scenario.name();
        return one.write(writer, "throw away scenario " + id, ChangeKind.OWN, summary, change -> {
            scenarios.revise(change, scenario, true);
            return id;
        });
    }
}

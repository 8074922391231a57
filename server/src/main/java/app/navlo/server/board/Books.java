package app.navlo.server.board;

import app.navlo.core.close.GradedReturn;
import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.Returns;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.StandardId;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.Fact;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.GateSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Brings what is stored of a student's courses into the words of the core, once. Immutable. */
final class Books {
    private static final int UNKNOWN_MINUTES = 0;

    private final Map<Long, Course> courses;
    private final Map<Long, Term> terms;
    private final Map<Long, List<RecordedFact>> facts;
    private final Map<Long, StudentEstimates.Figures> figures;
    private final Efforts efforts;
    private final Map<Long, CourseRules> rules = new HashMap<>();
    private final Map<Long, List<CourseWork>> works = new HashMap<>();
    private final List<GradedReturn> returns = new ArrayList<>();

    Books(
            Map<Long, Course> courses,
            Map<Long, Term> terms,
            Collection<Work> works,
            Map<Long, List<RecordedFact>> facts,
            Map<Long, StudentEstimates.Figures> figures,
            Efforts efforts) {
        this.figures = figures;
        this.efforts = efforts;
        this.courses = courses;
        this.terms = terms;
        this.facts = facts;
        Map<Long, List<Work>> byCourse = works.stream()
                .collect(Collectors.groupingBy(work -> work.definition().courseId()));
        for (Course course : courses.values()) {
            List<Work> here = byCourse.getOrDefault(course.id(), List.of());
            rules.put(course.id(), rules(course, course.rules()));
            this.works.put(course.id(), courseWorks(here));
            here.forEach(work -> returns.addAll(Returns.of(CourseId.of(course.id()), factsOf(work), Instant.MAX)));
        }
    }

    CourseBook of(long course, Instant now) {
        return CourseBook.of(
                Objects.requireNonNull(rules.get(course)), Objects.requireNonNull(works.get(course)), returns, now);
    }

    /**
     * The course as it would be under other rules.
     *
     * @throws app.navlo.core.check.IllegalInput naming every field of the sheet that doesn't fit
     */
    CourseBook of(long course, RuleSheet sheet, Instant now) {
        return CourseBook.of(
                rules(Objects.requireNonNull(courses.get(course)), sheet),
                Objects.requireNonNull(works.get(course)),
                returns,
                now);
    }

    private CourseRules rules(Course course, RuleSheet sheet) {
        Term term = term(course);
        SchoolCalendar calendar = term == null
                ? SchoolCalendar.weekdays(course.details().zone(), Set.of())
                : term.calendar(course.details().zone());
        return sheet.rules(CourseId.of(course.id()), calendar, term == null ? GradingPeriods.NONE : term.periods());
    }

    private @Nullable Term term(Course course) {
        return course.termId() == null ? null : terms.get(course.termId());
    }

    private List<CourseWork> courseWorks(List<Work> here) {
        Set<Long> ids = here.stream().map(Work::id).collect(Collectors.toSet());
        Set<String> units = new HashSet<>();
        here.forEach(
                work -> units.add(Objects.requireNonNullElse(work.definition().unit(), "")));
        return here.stream().map(work -> courseWork(work, ids, units)).toList();
    }

    private CourseWork courseWork(Work work, Set<Long> ids, Set<String> units) {
        Work.Definition definition = work.definition();
        WorkSheet sheet = definition.rules();
        StudentEstimates.Figures own = figures.getOrDefault(work.id(), StudentEstimates.Figures.NONE);
        return new CourseWork(
                definition.item(work.id()),
                new CourseWork.Place(
                        definition.unit(),
                        CategoryId.orNull(definition.category()),
                        sheet.standards().stream().map(StandardId::new).toList(),
                        sheet.extra()),
                sheet.gates().stream()
                        .filter(gate -> stillThere(gate, ids, units))
                        .map(GateSheet::gate)
                        .toList(),
                sheet.late() == null ? null : sheet.late().policy(),
                own.expectedPercent(),
                Objects.requireNonNullElse(efforts.of(work.id()).left(), UNKNOWN_MINUTES),
                Objects.requireNonNullElse(own.preparingPercent(), CourseWork.USUAL_PREPARING),
                factsOf(work));
    }

    /** A gate whose work was taken off the board shuts nothing. */
    private static boolean stillThere(GateSheet gate, Set<Long> ids, Set<String> units) {
        return switch (gate.kind()) {
            case DATE -> true;
            case DONE, PERCENT -> ids.contains(gate.work());
            case UNIT -> units.contains(gate.unit());
        };
    }

    private List<Fact> factsOf(Work work) {
        return facts.getOrDefault(work.id(), List.of()).stream()
                .map(RecordedFact::fact)
                .toList();
    }
}

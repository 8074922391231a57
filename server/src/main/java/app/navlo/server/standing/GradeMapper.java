package app.navlo.server.standing;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.grade.GradeBreakdown;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.WorkState;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Material.ClassFigures;
import app.navlo.server.workdetail.MaterialView.ClassFiguresView;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Writes a course's grade as it is sent. */
final class GradeMapper {
    private final CourseBook book;
    private final Map<Long, ClassFigures> classFigures;

    GradeMapper(CourseBook book, Map<Long, ClassFigures> classFigures) {
        this.book = book;
        this.classFigures = classFigures;
    }

    GradeView of(WhatIfCourse trial) {
        Map<Reading, GradeBreakdown> unfolded = trial.unfolded();
        Set<WorkId> open = new HashSet<>(trial.open());
        return new GradeView(
                List.of(Reading.values()).stream()
                        .map(reading -> reading(reading, Objects.requireNonNull(unfolded.get(reading))))
                        .toList(),
                trial.graded().stream()
                        .map(work -> item(work, open.contains(work.id())))
                        .toList(),
                book.completion()
                        .map(path -> path.undone().stream().map(WorkId::number).toList())
                        .orElse(List.of()));
    }

    private static GradeReadingView reading(Reading reading, GradeBreakdown unfolded) {
        return new GradeReadingView(
                reading,
                Figures.textOrNull(unfolded.answer().grade().figure()),
                unfolded.answer().letter(),
                unfolded.answer().grade().counted(),
                unfolded.answer().grade().belowLine().stream()
                        .map(StandardId::text)
                        .toList(),
                unfolded.parts().stream().map(GradeMapper::part).toList());
    }

    private static GradePartView part(GradeBreakdown.Part part) {
        return new GradePartView(
                part.id() == null ? "" : part.id().text(),
                part.name(),
                Figures.textOrNull(part.figure()),
                Figures.textOrNull(part.weight()),
                part.by(),
                Figures.text(part.earned()),
                Figures.text(part.possible()),
                part.only(),
                part.terms().stream()
                        .map(term -> new GradeTermView(
                                term.work().text(),
                                Figures.text(term.earned()),
                                Figures.text(term.possible()),
                                term.extra(),
                                term.dropped()))
                        .toList());
    }

    private GradeItemView item(GradedWork work, boolean open) {
        WorkState state = book.has(work.id()) ? book.state(work.id()) : null;
        boolean taken = state != null && state.mayHandIn();
        return new GradeItemView(
                work.id().text(),
                work.category() == null ? null : work.category().text(),
                work.standards().stream().map(StandardId::text).toList(),
                Figures.text(work.possible()),
                work.extra(),
                work.required(),
                Figures.textOrNull(work.score()),
                Figures.text(work.expected()),
                Figures.textOrNull(work.most()),
                open,
                Readings.valued(Reading.EXPECTED, work).isPresent(),
                work.missing(),
                taken,
                taken ? Objects.requireNonNull(state).acceptance().ends() : null,
                figures(work.id()));
    }

    private @Nullable ClassFiguresView figures(WorkId work) {
        ClassFigures figures = book.has(work) ? classFigures.get(work.number()) : null;
        return figures == null
                ? null
                : new ClassFiguresView(
                        Figures.textOrNull(figures.mean()),
                        Figures.textOrNull(figures.highest()),
                        Figures.textOrNull(figures.lowest()));
    }
}

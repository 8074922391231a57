package app.navlo.server.board;

import app.navlo.server.board.BoardView.Unknown;
import app.navlo.server.board.BoardView.UnknownView;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.LateSheet;
import app.navlo.server.store.Course;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** What isn't known of a student's term, so that something can't be said. */
final class Unknowns {
    private Unknowns() {}

    /**
     * The list is short: one entry for all courses of which the same isn't known.
     *
     * @param aside what needn't be asked for
     */
    static List<UnknownView> of(Board board, Set<String> aside) {
        List<UnknownView> unknown = new ArrayList<>();
        int courses = board.courses().size();
        if (board.terms().isEmpty()) {
            unknown.add(new UnknownView(Unknown.TERM, List.of(), courses));
        } else if (board.terms().values().stream()
                .allMatch(term -> term.closes().isEmpty())) {
            unknown.add(new UnknownView(Unknown.CLOSE, List.of(), courses));
        }
        of(Unknown.LATE_RULE, board, course -> course.rules().late().kind() == LateSheet.Kind.UNKNOWN)
                .ifPresent(unknown::add);
        of(Unknown.POINTS, board, course -> pointless(course, board)).ifPresent(unknown::add);
        if (board.time().isEmpty()) {
            unknown.add(new UnknownView(Unknown.HOURS, List.of(), courses));
        }
        return unknown.stream()
                .filter(one -> !aside.contains(one.what().name()))
                .toList();
    }

    private static Optional<UnknownView> of(Unknown what, Board board, Predicate<Course> holds) {
        List<Long> ids = board.courses().values().stream()
                .filter(course -> hasWork(course, board))
                .filter(holds)
                .map(Course::id)
                .toList();
        return ids.isEmpty()
                ? Optional.empty()
                : Optional.of(new UnknownView(what, ids, board.courses().size()));
    }

    private static boolean hasWork(Course course, Board board) {
        return board.entries().stream().anyMatch(entry -> entry.course().id() == course.id());
    }

    /** Whether its grade is made of points, and no piece of its work has any. */
    private static boolean pointless(Course course, Board board) {
        GradeSheet.Kind kind = course.rules().grade().kind();
        return (kind == GradeSheet.Kind.POINTS || kind == GradeSheet.Kind.WEIGHTED)
                && board.entries().stream()
                        .filter(entry -> entry.course().id() == course.id())
                        .allMatch(entry ->
                                entry.work().definition().marking().possible().isZero());
    }
}

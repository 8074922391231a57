package app.navlo.server.household;

import app.navlo.core.course.Glance;
import app.navlo.core.course.Lack;
import app.navlo.server.board.Board;
import app.navlo.server.store.Links;
import app.navlo.server.store.Term;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A student's row as it was read, without what changes apart from the student's data.
 *
 * @param row its sources aren't filled in
 * @param links in the order in which they came
 * @param readAt the instant that it is of
 * @param changesAt the next instant, later than {@code readAt}, at which the clock may change it; null for none
 */
record StudentRow(
        HouseholdRow row,
        Glance glance,
        List<Links.Link> links,
        Instant readAt,
        @Nullable Instant changesAt) {
    /** By what is about to be lost, then by what can still be had. */
    static final Comparator<StudentRow> WORST_FIRST = Comparator.comparing(
                    (StudentRow seen) -> seen.glance().aboutToBeLost())
            .thenComparing(seen -> seen.glance().count(Lack.SAVABLE))
            .thenComparing(seen -> seen.glance().count(Lack.BACK))
            .reversed()
            .thenComparing(seen -> seen.row().name());

    static StudentRow of(HouseholdRow row, Glance glance, List<Links.Link> links, Board board) {
        Instant edge = Stream.concat(
                        Stream.ofNullable(glance.changesAt()),
                        board.terms().values().stream()
                                .flatMap(term -> term.closes().stream())
                                .map(Term.GradingPeriod::closesAt))
                .filter(at -> at.isAfter(board.now()))
                .min(Comparator.naturalOrder())
                .orElse(null);
        return new StudentRow(row, glance, links, board.now(), edge);
    }

    /** Whether it says the same at an instant, as long as the student's data stay as they are. */
    boolean holdsAt(Instant now) {
        return !now.isBefore(readAt) && (changesAt == null || now.isBefore(changesAt));
    }
}

package app.navlo.server.household;

import app.navlo.core.course.Glance;
import app.navlo.core.course.Lack;
import app.navlo.core.grade.Reading;
import app.navlo.core.next.Aim;
import app.navlo.core.work.Fact;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardView;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.StandingMapper;
import app.navlo.server.household.HouseholdRow.CloseView;
import app.navlo.server.household.HouseholdRow.CourseGlance;
import app.navlo.server.household.HouseholdRow.LossView;
import app.navlo.server.household.HouseholdRow.MissingView;
import app.navlo.server.household.HouseholdRow.SourceGlance;
import app.navlo.server.news.WhatIsNew;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Links;
import app.navlo.server.store.People;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The students that somebody may see, who needs it most first: by what is about to be lost, then by what can still be had. */
@Service
@ReadBoard
class HouseholdService {
    private static final Comparator<Seen> WORST_FIRST = Comparator.comparing(
                    (Seen seen) -> seen.glance().aboutToBeLost())
            .thenComparing(seen -> seen.glance().count(Lack.SAVABLE))
            .thenComparing(seen -> seen.glance().count(Lack.BACK))
            .reversed()
            .thenComparing(seen -> seen.student().name());

    /** A student, with what is counted of their work. */
    private record Seen(People.Student student, Board board, Glance glance) {
        static Seen of(People.Student student, Board board, Spanning span) {
            Glance.Span counted = span == Spanning.TERM
                    ? Glance.Span.ALL
                    : Glance.Span.running(
                            board.terms().values().stream()
                                    .flatMap(term -> term.closes().stream())
                                    .map(Term.GradingPeriod::closesAt)
                                    .toList(),
                            board.now());
            return new Seen(student, board, Glance.of(board.books().values(), counted, board.now()));
        }
    }

    private final People people;
    private final Boards boards;
    private final WhatIsNew news;
    private final Links links;
    private final Changes changes;
    private final ServerClock clock;

    HouseholdService(People people, Boards boards, WhatIsNew news, Links links, Changes changes, ServerClock clock) {
        this.people = people;
        this.boards = boards;
        this.news = news;
        this.links = links;
        this.changes = changes;
        this.clock = clock;
    }

    public HouseholdView of(Person reader, Spanning span) {
        Instant now = clock.instant();
        ZoneId zone = ZoneId.of(reader.zone());
        List<HouseholdRow> rows = people.readableBy(reader.id()).stream()
                .map(student -> Seen.of(student, boards.read(student.id(), zone, now), span))
                .sorted(WORST_FIRST)
                .map(seen -> row(seen, reader))
                .toList();
        return new HouseholdView(now, span, rows);
    }

    private HouseholdRow row(Seen seen, Person reader) {
        People.Student student = seen.student();
        Board board = seen.board();
        Glance glance = seen.glance();
        Term term = board.terms().values().stream().findFirst().orElse(null);
        return new HouseholdRow(
                student.id(),
                student.name(),
                board.zone().getId(),
                term == null ? null : term.school(),
                term == null ? null : term.name(),
                new MissingView(
                        glance.count(Lack.SAVABLE),
                        glance.count(Lack.CLOSED),
                        glance.count(Lack.LISTED),
                        glance.count(Lack.UNGRADED_LONG),
                        glance.count(Lack.BACK)),
                Figures.text(glance.aboutToBeLost()),
                loss(board, glance.nextLoss()),
                loss(board, glance.nextDue()),
                close(board),
                news.of(new SeenMarks.Reader(reader.id(), student.id()), ZoneId.of(reader.zone()))
                        .fresh(),
                board.courses().values().stream()
                        .map(course -> course(board, course))
                        .toList(),
                links.of(student.id(), changes.undone(student.id())).stream()
                        .map(HouseholdService::source)
                        .toList());
    }

    private static SourceGlance source(Links.Link link) {
        Links.Faring faring = link.faring();
        return new SourceGlance(link.name(), faring.askedAt(), faring.toldAt(), faring.fault() != null);
    }

    private static @Nullable LossView loss(Board board, Glance.@Nullable Loss loss) {
        if (loss == null) {
            return null;
        }
        long work = Long.parseLong(loss.work());
        String title = board.entries().stream()
                .filter(entry -> entry.work().id() == work)
                .findFirst()
                .orElseThrow()
                .work()
                .definition()
                .title();
        return new LossView(work, title, loss.at());
    }

    private static @Nullable CloseView close(Board board) {
        return board.terms().values().stream()
                .flatMap(term -> term.closes().stream())
                .filter(close -> close.closesAt().isAfter(board.now()))
                .min(Comparator.comparing(Term.GradingPeriod::closesAt))
                .map(close -> new CloseView(close.name(), close.closesAt()))
                .orElse(null);
    }

    private static CourseGlance course(Board board, Course course) {
        BoardView.StandingView standing = StandingMapper.of(board, course);
        String expected = standing.readings().stream()
                .filter(reading -> reading.reading() == Reading.EXPECTED)
                .findFirst()
                .map(BoardView.ReadingView::figure)
                .orElse(null);
        Instant scoredAt = board.entries().stream()
                .filter(entry -> entry.course().id() == course.id())
                .flatMap(entry -> entry.facts().stream())
                .filter(Fact.Scored.class::isInstance)
                .map(fact -> fact.stamp().at())
                .max(Comparator.naturalOrder())
                .orElse(null);
        return new CourseGlance(
                course.id(),
                course.details().name(),
                course.details().colour(),
                standing.kind(),
                expected,
                Figures.textOrNull(
                        board.aims().getOrDefault(course.id(), Aim.USUAL).target()),
                scoredAt);
    }
}

package app.navlo.server.household;

import app.navlo.core.course.Glance;
import app.navlo.core.course.Lack;
import app.navlo.core.grade.Reading;
import app.navlo.core.next.Aim;
import app.navlo.core.work.Fact;
import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
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
import app.navlo.server.store.Device;
import app.navlo.server.store.Links;
import app.navlo.server.store.Onlookers;
import app.navlo.server.store.People;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.Sight;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.LongFunction;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;

/** The students that somebody may see, who needs it most first: by what is about to be lost, then by what can still be had. */
@Service
@ReadBoard
class HouseholdService {
    private static final Logger LOG = LoggerFactory.getLogger(HouseholdService.class);

    private final People people;
    private final Boards boards;
    private final WhatIsNew news;
    private final SeenMarks seenMarks;
    private final Links links;
    private final Changes changes;
    private final StudentRows rows;
    private final Onlookers onlookers;
    private final Device device;
    private final Sights sights;
    private final Askings askings;
    private final ServerClock clock;

    HouseholdService(
            People people,
            Boards boards,
            WhatIsNew news,
            SeenMarks seenMarks,
            Links links,
            Changes changes,
            StudentRows rows,
            Onlookers onlookers,
            Device device,
            Sights sights,
            Askings askings,
            ServerClock clock) {
        this.people = people;
        this.boards = boards;
        this.news = news;
        this.seenMarks = seenMarks;
        this.links = links;
        this.changes = changes;
        this.rows = rows;
        this.onlookers = onlookers;
        this.device = device;
        this.sights = sights;
        this.askings = askings;
        this.clock = clock;
    }

    public HouseholdView of(Person reader, Spanning span) {
        Asking asking = new Asking(reader, span, device.current());
        HouseholdView view = of(asking);
        askings.note(asking, view.students().size());
        return view;
    }

    /** The same for who doesn't ask just now. */
    public HouseholdView of(Asking asking) {
        Instant now = clock.instant();
        Person reader = asking.reader();
        LongFunction<Sight> sees = sights.of(reader);
        List<People.Student> students = people.readableBy(reader.id());
        List<Long> ids = students.stream().map(People.Student::id).toList();
        Map<Long, Changes.Mark> marks = changes.marks(ids);
        Map<Long, SeenMarks.Seen> seen = seenMarks.of(reader.id());
        Map<Long, Links.Faring> faring = links.faring(ids);
        Map<Long, Onlookers.Kept> kept = onlookers.of(reader.id());
        List<StudentRow> read = new ArrayList<>();
        List<HouseholdView.UnreadStudent> unread = new ArrayList<>();
        for (People.Student student : students) {
            StudentRows.Key key = new StudentRows.Key(
                    student,
                    Objects.requireNonNull(marks.get(student.id())),
                    asking.span(),
                    reader.id(),
                    sees.apply(student.id()),
                    // Who looks on changes nothing, and so it is all the same with which device.
                    student.id() == reader.id() ? asking.device() : null,
                    ZoneId.of(reader.zone()),
                    seen.getOrDefault(student.id(), SeenMarks.Seen.NOTHING));
            try {
                read.add(rows.of(key, now, () -> row(key, now)));
            } catch (DataAccessResourceFailureException | TransactionException noData) {
                throw noData;
            } catch (RuntimeException broken) {
                LOG.error("the row of student {} couldn't be worked out", student.id(), broken);
                unread.add(new HouseholdView.UnreadStudent(student.id(), student.name()));
            }
        }
        List<HouseholdRow> all = read.stream()
                .sorted(StudentRow.WORST_FIRST)
                .map(one -> one.row()
                        .with(
                                one.links().stream()
                                        .map(link -> source(link, faring))
                                        .toList(),
                                OwnWords.of(kept.getOrDefault(one.row().id(), Onlookers.Kept.NOTHING))))
                .toList();
        unread.sort(Comparator.comparing(HouseholdView.UnreadStudent::name));
        return new HouseholdView(now, asking.span(), all, List.copyOf(unread));
    }

    private static Glance.Span counted(Board board, Spanning span) {
        return span == Spanning.TERM
                ? Glance.Span.ALL
                : Glance.Span.running(
                        board.terms().values().stream()
                                .flatMap(term -> term.closes().stream())
                                .map(Term.GradingPeriod::closesAt)
                                .toList(),
                        board.now());
    }

    private StudentRow row(StudentRows.Key key, Instant now) {
        People.Student student = key.student();
        Board board = boards.read(student.id(), key.sees(), key.zone(), now);
        Glance glance = Glance.of(board.books().values(), counted(board, key.span()), now);
        Term term = board.terms().values().stream().findFirst().orElse(null);
        HouseholdRow row = new HouseholdRow(
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
                news.of(new SeenMarks.Reader(key.reader(), student.id()), board, key.sees(), key.device())
                        .fresh(),
                board.courses().values().stream()
                        .map(course -> course(board, course))
                        .toList(),
                List.of(),
                OwnWords.of(Onlookers.Kept.NOTHING));
        return StudentRow.of(row, glance, links.of(student.id(), changes.undone(student.id())), board);
    }

    private static SourceGlance source(Links.Link link, Map<Long, Links.Faring> all) {
        Links.Faring faring = all.getOrDefault(link.id(), link.faring());
        return new SourceGlance(link.name(), faring.askedAt(), faring.toldAt(), faring.fault() != null);
    }

    private static @Nullable LossView loss(Board board, Glance.@Nullable Loss loss) {
        if (loss == null) {
            return null;
        }
        long work = loss.work().number();
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
        String target = Figures.textOrNull(
                board.aims().getOrDefault(course.id(), Aim.USUAL).target());
        return new CourseGlance(
                course.id(),
                course.details().name(),
                course.details().colour(),
                standing.kind(),
                expected,
                target,
                expected != null && target != null && new BigDecimal(expected).compareTo(new BigDecimal(target)) < 0,
                scoredAt);
    }
}

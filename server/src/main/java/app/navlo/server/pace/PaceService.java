package app.navlo.server.pace;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Chain;
import app.navlo.core.gate.Gate;
import app.navlo.core.pace.Pace;
import app.navlo.core.pace.PaceLine;
import app.navlo.core.pace.Paced;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Counts each course of a student over its term. */
@Service
@ReadBoard
class PaceService {
    private final Boards boards;
    private final ServerClock clock;

    PaceService(Boards boards, ServerClock clock) {
        this.boards = boards;
        this.clock = clock;
    }

    public List<CoursePaceView> of(long student, Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        WeeklyHours week = board.time().orElseGet(TimeSheet::assumed).weeklyHours();
        return board.courses().values().stream()
                .map(course -> new OneCourse(board, course, week).view())
                .toList();
    }

    /** The count of one course. */
    private static final class OneCourse {
        private final CourseBook book;
        private final long id;
        private final @Nullable Term term;
        private final WeeklyHours week;
        private final List<WorkAssessment> findings;
        private final Map<String, WorkAssessment> byWork = new HashMap<>();
        private final Instant now;

        OneCourse(Board board, Course course, WeeklyHours week) {
            this.book = Objects.requireNonNull(board.books().get(course.id()));
            this.id = course.id();
            this.term = course.termId() == null ? null : board.terms().get(course.termId());
            this.week = week;
            this.findings = book.findings();
            findings.forEach(finding -> byWork.put(finding.id(), finding));
            this.now = board.now();
        }

        CoursePaceView view() {
            List<Paced> works = findings.stream().map(OneCourse::paced).toList();
            LocalDate firstDay = firstDay();
            Instant close = close();
            Pace pace = Pace.of(
                    works,
                    book.rules().calendar(),
                    firstDay,
                    close,
                    book.rules().paceCap(),
                    now);
            LocalDate lastDay = book.rules().calendar().dayBefore(close);
            return new CoursePaceView(
                    id,
                    pace.standing(),
                    Sentences.write(pace.reason(), book.rules().calendar().zone()),
                    pace.done(),
                    pace.left(),
                    pace.outOfReach(),
                    pace.expected(),
                    pace.lead(),
                    pace.leadMinutes(),
                    pace.schoolDaysLeft(),
                    Figures.textOrNull(pace.neededPerDay()),
                    neededMinutes(works, pace),
                    Figures.textOrNull(pace.ratePerDay()),
                    pace.finish(),
                    pace.inTime(),
                    pace.firstDone(),
                    pace.lastDone(),
                    term == null ? null : close,
                    term == null
                            ? List.of()
                            : term.closes().stream()
                                    .map(Term.GradingPeriod::closesAt)
                                    .toList(),
                    term == null
                            ? List.of()
                            : term.daysOff().stream()
                                    .map(off -> new DayOffView(off.first(), off.last(), off.name()))
                                    .toList(),
                    PaceLine.of(works, book.rules().calendar(), firstDay, lastDay, now).stream()
                            .map(point -> new PacePoint(point.day(), point.due(), point.done()))
                            .toList(),
                    pace.units().stream()
                            .map(unit -> new UnitPaceView(
                                    unit.unit(),
                                    unit.complete(),
                                    unit.done(),
                                    unit.left(),
                                    unit.outOfReach(),
                                    Figures.textOrNull(unit.meanPercent()),
                                    unit.started()))
                            .toList(),
                    chains());
        }

        private static Paced paced(WorkAssessment finding) {
            Instant started = finding.work().facts().stream()
                    .filter(fact -> fact instanceof Fact.DraftStarted || fact instanceof Fact.AttemptBegun)
                    .map(fact -> fact.stamp().at())
                    .min(Comparator.naturalOrder())
                    .orElse(null);
            return new Paced(
                    finding.id(),
                    finding.work().place().unit(),
                    finding.item().required(),
                    finding.work().minutes(),
                    finding.state().due(),
                    finding.state().stage(),
                    finding.state().move(),
                    started,
                    finding.state().handedInAt(),
                    finding.outcome().kept(),
                    finding.item().marking().possible());
        }

        private static @Nullable Long neededMinutes(List<Paced> works, Pace pace) {
            long left = works.stream()
                    .filter(work -> work.required()
                            && work.move() != Turn.OUT_OF_REACH
                            && work.stage() != Stage.TURNED_IN
                            && work.stage() != Stage.RETURNED
                            && work.stage() != Stage.EXCUSED)
                    .mapToLong(Paced::minutes)
                    .sum();
            if (left == 0 || pace.schoolDaysLeft() == 0) {
                return left == 0 ? 0L : null;
            }
            return Rational.of(left, pace.schoolDaysLeft())
                    .toDecimal(0, RoundingMode.CEILING)
                    .longValueExact();
        }

        private LocalDate firstDay() {
            if (term != null) {
                return term.firstDay();
            }
            return findings.stream()
                    .flatMap(finding -> finding.work().facts().stream())
                    .map(fact -> fact.stamp().at())
                    .min(Comparator.naturalOrder())
                    .map(at -> book.rules().calendar().dayOf(at.isBefore(now) ? at : now))
                    .orElse(book.rules().calendar().dayOf(now));
        }

        /** Of the term; else the last due, so that there is an end to count to. */
        private Instant close() {
            Optional<Instant> last = term == null
                    ? findings.stream()
                            .map(finding -> finding.state().due())
                            .filter(Objects::nonNull)
                            .max(Comparator.naturalOrder())
                    : term.closes().stream().map(Term.GradingPeriod::closesAt).max(Comparator.naturalOrder());
            return last.filter(at -> at.isAfter(now)).or(() -> last).orElse(now);
        }

        /** One for each shut piece of work that nothing else waits for and that has a due. */
        private List<ChainView> chains() {
            List<ChainView> chains = new ArrayList<>();
            Set<String> waiting = new HashSet<>();
            for (WorkAssessment finding : findings) {
                if (!finding.shut().isEmpty()) {
                    waiting.add(finding.id());
                }
            }
            for (WorkAssessment finding : findings) {
                boolean end = waiting.contains(finding.id())
                        && finding.state().due() != null
                        && book.gates().unlocks(finding.id()).stream().noneMatch(waiting::contains);
                if (end) {
                    chain(finding).ifPresent(chains::add);
                }
            }
            chains.sort(Comparator.comparing(chain -> chain.links().get(0).startBy()));
            return chains;
        }

        private Optional<ChainView> chain(WorkAssessment end) {
            List<String> works = new ArrayList<>(book.gates().chainTo(end.id()));
            works.remove(end.id());
            works.add(end.id());
            if (works.size() < 2) {
                return Optional.empty();
            }
            List<Chain.Link> links =
                    works.stream().map(work -> link(byWork.get(work), works)).toList();
            return Chain.latestStarts(links, week, book.rules().calendar())
                    .map(latest -> new ChainView(
                            Long.parseLong(end.id()),
                            end.shutForGood().isEmpty()
                                    && !latest.get(0).startBy().isBefore(now),
                            end.shutForGood().stream()
                                    .map(Long::valueOf)
                                    .sorted()
                                    .toList(),
                            latest.stream()
                                    .map(one -> new LinkView(
                                            Long.parseLong(one.work()),
                                            book.gates().unlocks(one.work()).size(),
                                            one.startBy(),
                                            one.finishBy(),
                                            graded(one.work(), works)))
                                    .toList()));
        }

        private Chain.Link link(WorkAssessment finding, List<String> works) {
            return new Chain.Link(
                    finding.id(),
                    Math.max(1, finding.work().minutes()),
                    graded(finding.id(), works) ? book.turnaround().median() : null,
                    finding.state().due());
        }

        /** Whether a percent of this is what opens another of them. */
        private boolean graded(String work, List<String> works) {
            return works.stream()
                    .flatMap(other -> byWork.get(other).work().gates().stream())
                    .anyMatch(gate -> gate instanceof Gate.Percent percent
                            && percent.work().equals(work));
        }
    }
}

package app.navlo.server.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.next.NextPlan;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlanner;
import app.navlo.core.next.Wishes;
import app.navlo.core.time.Stretch;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Move;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardView.CostView;
import app.navlo.server.board.BoardViews;
import app.navlo.server.board.Boards;
import app.navlo.server.board.WorkViews;
import app.navlo.server.next.NextView.LeewayView;
import app.navlo.server.next.NextView.LeftView;
import app.navlo.server.next.NextView.MoveView;
import app.navlo.server.next.NextView.SpanView;
import app.navlo.server.next.NextView.WhyHereView;
import app.navlo.server.store.Changes;
import app.navlo.server.store.FreeHours;
import app.navlo.server.store.Term;
import app.navlo.server.store.WishList;
import app.navlo.server.store.WishList.Wish;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans a student's moves at an instant. */
@Service
@Transactional(readOnly = true)
public class NextService {
    /** How far ahead is planned: to the last close that is told, but at least three weeks and at most ten. */
    private static final Duration SHORTEST = Duration.ofDays(21);

    private static final Duration LONGEST = Duration.ofDays(70);
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Boards boards;
    private final FreeHours hours;
    private final WishList wishes;
    private final Changes changes;

    NextService(Boards boards, FreeHours hours, WishList wishes, Changes changes) {
        this.boards = boards;
        this.hours = hours;
        this.wishes = wishes;
        this.changes = changes;
    }

    /** @param budgetMinutes that today has from now on, whatever its free hours; null for those */
    public NextView plan(long student, ZoneId zone, @Nullable Integer budgetMinutes, Instant now) {
        Board board = boards.read(student, zone, now);
        WeeklyHours week = hours.find(student).orElseGet(BoardViews::assumedHours);
        List<Stretch> free = free(week, budgetMinutes, board);
        List<Wish> standing = wishes.of(student, changes.undone(student));
        NextPlan plan = NextPlanner.plan(board.books().values(), free, wishes(standing, now), now);
        return new Writing(board, standing).view(plan, free, budgetMinutes);
    }

    static List<Stretch> free(WeeklyHours week, @Nullable Integer budgetMinutes, Board board) {
        Instant now = board.now();
        Instant end = board.terms().values().stream()
                .map(Term::closes)
                .flatMap(List::stream)
                .map(Term.GradingPeriod::closesAt)
                .max(Instant::compareTo)
                .orElse(now);
        end = end.isBefore(now.plus(SHORTEST)) ? now.plus(SHORTEST) : end;
        end = end.isAfter(now.plus(LONGEST)) ? now.plus(LONGEST) : end;
        if (budgetMinutes == null) {
            return week.free(now, end, board.zone());
        }
        Instant tomorrow = now.atZone(board.zone())
                .toLocalDate()
                .plusDays(1)
                .atStartOfDay(board.zone())
                .toInstant();
        Instant spent = now.plus(Duration.ofMinutes(budgetMinutes));
        List<Stretch> free = new ArrayList<>();
        if (budgetMinutes > 0) {
            free.add(new Stretch(now, spent));
        }
        free.addAll(week.free(spent.isAfter(tomorrow) ? spent : tomorrow, end, board.zone()));
        return free;
    }

    private static Wishes wishes(List<Wish> standing, Instant now) {
        return new Wishes(
                standing.stream()
                        .filter(wish -> wish.kind() == WishList.Kind.FIRST)
                        .map(wish -> Long.toString(wish.work()))
                        .toList(),
                standing.stream()
                        .filter(wish ->
                                wish.notBefore() != null && wish.notBefore().isAfter(now))
                        .collect(Collectors.toMap(wish -> Long.toString(wish.work()), Wish::notBefore)));
    }

    /** Writes a plan in the words of the board. */
    private static final class Writing {
        private final Board board;
        private final Map<Long, Board.Entry> entries = new HashMap<>();
        private final Map<Long, Wish> wishes = new HashMap<>();

        Writing(Board board, List<Wish> standing) {
            this.board = board;
            board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
            standing.forEach(wish -> wishes.put(wish.work(), wish));
        }

        NextView view(NextPlan plan, List<Stretch> free, @Nullable Integer budgetMinutes) {
            List<Long> inClass = board.entries().stream()
                    .filter(entry -> entry.state().move() == Move.YOURS
                            && !entry.finding().item().expectsHandIn())
                    .map(entry -> entry.work().id())
                    .toList();
            long yours = board.entries().stream()
                    .filter(entry -> entry.state().move() == Move.YOURS)
                    .count();
            return new NextView(
                    board.now(),
                    budgetMinutes,
                    (int) yours,
                    plan.planned().stream().map(this::move).toList(),
                    plan.left().stream().map(this::left).toList(),
                    inClass,
                    BigDecimal.valueOf(plan.withinPercent())
                            .setScale(1, RoundingMode.UP)
                            .toPlainString(),
                    plan.proven(),
                    wishes.isEmpty() ? null : points(plan.wishesCost()),
                    free.stream()
                            .map(stretch -> new SpanView(stretch.start(), stretch.endExclusive()))
                            .toList());
        }

        private MoveView move(Planned planned) {
            long work = Long.parseLong(planned.work());
            Wish wish = wishes.get(work);
            return new MoveView(
                    work,
                    planned.deed(),
                    planned.yours(),
                    planned.minutes(),
                    planned.minutesGuessed(),
                    points(planned.gain()),
                    planned.sittings().stream()
                            .map(stretch -> new SpanView(stretch.start(), stretch.endExclusive()))
                            .toList(),
                    planned.leeway() == null
                            ? null
                            : new LeewayView(
                                    planned.leeway().kind(),
                                    planned.leeway().tokens(),
                                    planned.leeway().until(),
                                    planned.leeway().due()),
                    because(planned.because()),
                    next(work),
                    wish != null && wish.kind() == WishList.Kind.FIRST,
                    notBefore(wish));
        }

        private static WhyHereView because(NextPlan.Because because) {
            return new WhyHereView(
                    because.kind(),
                    because.at(),
                    points(because.loses()),
                    because.opens().stream().map(Long::valueOf).toList());
        }

        private LeftView left(Left left) {
            long work = Long.parseLong(left.work());
            return new LeftView(
                    work,
                    left.deed(),
                    left.minutes(),
                    left.minutesGuessed(),
                    points(left.cost()),
                    left.because(),
                    next(work),
                    notBefore(wishes.get(work)));
        }

        private @Nullable Instant notBefore(@Nullable Wish wish) {
            return wish == null || wish.notBefore() == null || !wish.notBefore().isAfter(board.now())
                    ? null
                    : wish.notBefore();
        }

        private @Nullable CostView next(long work) {
            Board.Entry entry = entries.get(work);
            return entry == null || entry.costs().isEmpty()
                    ? null
                    : WorkViews.cost(entry.costs().get(0));
        }

        private static String points(Rational percent) {
            return percent.toDecimal(2, RoundingMode.HALF_UP).toPlainString();
        }

        private static String points(long hundredths) {
            return BigDecimal.valueOf(hundredths)
                    .divide(HUNDRED, 2, RoundingMode.HALF_UP)
                    .toPlainString();
        }
    }
}

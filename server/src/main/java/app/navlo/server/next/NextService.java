package app.navlo.server.next;

import app.navlo.core.next.NextPlan;
import app.navlo.core.next.NextPlanner;
import app.navlo.core.next.Wishes;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.StudentHours;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Term;
import app.navlo.server.store.WishList;
import app.navlo.server.store.WishList.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Plans a student's moves at an instant. */
@Service
@ReadBoard
public class NextService {
    /** How far ahead is planned: to the last close that is told, but at least three weeks and at most ten. */
    private static final Duration SHORTEST = Duration.ofDays(21);

    private static final Duration LONGEST = Duration.ofDays(70);
    /** For how long what was given for today may go on, past midnight too. */
    private static final Duration A_DAY = Duration.ofDays(1);

    private final Boards boards;
    private final StudentHours hours;
    private final WishList wishes;
    private final Changes changes;

    NextService(Boards boards, StudentHours hours, WishList wishes, Changes changes) {
        this.boards = boards;
        this.hours = hours;
        this.wishes = wishes;
        this.changes = changes;
    }

    /** A plan with what it was made from. */
    public record Made(Board board, List<Stretch> free, List<Wish> wishes, NextPlan plan) {}

    /** @param budgetMinutes that today has from now on, whatever its free hours; null for those */
    public NextView plan(long student, ZoneId zone, @Nullable Integer budgetMinutes, Instant now) {
        Made made = make(student, zone, budgetMinutes, now);
        return new PlanWriting(made.board(), made.wishes()).view(made.plan(), made.free(), budgetMinutes);
    }

    public Made make(long student, ZoneId zone, @Nullable Integer budgetMinutes, Instant now) {
        Board board = boards.read(student, zone, now);
        List<Stretch> free = free(hours.of(board), budgetMinutes, board);
        List<Wish> standing = wishes.of(student, changes.undone(student));
        NextPlan plan = NextPlanner.plan(
                board.books().values(),
                free,
                wishes(standing, now),
                board.aims().entrySet().stream()
                        .collect(Collectors.toMap(aim -> Long.toString(aim.getKey()), aim -> aim.getValue())),
                now);
        return new Made(board, free, standing, plan);
    }

    private static List<Stretch> free(Availability own, @Nullable Integer budgetMinutes, Board board) {
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
            return own.sittings(now, end);
        }
        List<Stretch> free = new ArrayList<>(own.sittingsOf(budgetMinutes, now, now.plus(A_DAY)));
        LocalDate today = now.atZone(own.zone()).toLocalDate();
        Instant tomorrow = today.plusDays(1).atStartOfDay(own.zone()).toInstant();
        Instant spent = free.isEmpty() ? now : free.get(free.size() - 1).endExclusive();
        free.addAll(own.sittings(spent.isAfter(tomorrow) ? spent : tomorrow, end));
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
                        .collect(Collectors.toMap(wish -> Long.toString(wish.work()), Wish::notBefore)),
                standing.stream()
                        .filter(wish -> wish.before() != null)
                        .collect(Collectors.toMap(
                                wish -> Long.toString(wish.work()), wish -> Long.toString(wish.before()))));
    }
}

package app.navlo.server.next;

import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Circumstances;
import app.navlo.core.next.Held;
import app.navlo.core.next.Instead;
import app.navlo.core.next.NextPlan;
import app.navlo.core.next.NextPlanner;
import app.navlo.core.next.Wishes;
import app.navlo.core.plan.Guess;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.StudentHours;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.Changes;
import app.navlo.server.store.HeldPlans;
import app.navlo.server.store.Term;
import app.navlo.server.store.WishList;
import app.navlo.server.store.WishList.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Plans a student's moves at an instant. @see PlansInTurn */
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
    private final PlanHolding holding;
    private final PlansOfTheMinute minute;
    private final Sights sights;

    NextService(
            Boards boards,
            StudentHours hours,
            WishList wishes,
            Changes changes,
            PlanHolding holding,
            PlansOfTheMinute minute,
            Sights sights) {
        this.minute = minute;
        this.sights = sights;
        this.holding = holding;
        this.boards = boards;
        this.hours = hours;
        this.wishes = wishes;
        this.changes = changes;
    }

    /**
     * All that a plan hangs on besides the second, as it is sent.
     *
     * @param words whether who asks is told what was said
     * @param own whether the student asks, for whom the plan holds then
     * @param held the plan that holds; null for none yet
     * @param busy what calendars say: no change names it
     */
    record Question(
            Changes.Mark mark,
            boolean words,
            boolean own,
            ZoneId zone,
            HeldPlans.@Nullable HeldPlan held,
            Map<Long, List<BusyTime>> busy,
            @Nullable Integer budgetMinutes,
            Instant minute) {
        Question with(HeldPlans.@Nullable HeldPlan holds) {
            return new Question(mark, words, own, zone, holds, busy, budgetMinutes, minute);
        }
    }

    Question question(long student, Person reader, @Nullable Integer budgetMinutes, Instant now) {
        Instant minute = now.truncatedTo(ChronoUnit.MINUTES);
        return new Question(
                changes.mark(student),
                sights.of(student).words(),
                reader.id() == student,
                ZoneId.of(reader.zone()),
                holding.row(student),
                hours.told(student, minute),
                budgetMinutes,
                minute);
    }

    /** A plan with what it was made from, as it was asked for. */
    public record Made(
            Board board, Circumstances with, List<Wish> wishes, PlansOfTheMinute.Question question, NextPlan plan) {
        /** With the plan that held before. */
        PlanHolding.Holding holding() {
            return question.holding();
        }

        /** From now on. */
        public List<Stretch> free() {
            return with.free();
        }
    }

    /** @param budgetMinutes that today has from now on, whatever its free hours and whatever holds; null for those */
    public Made make(long student, ZoneId zone, @Nullable Integer budgetMinutes, Instant now) {
        Board board = boards.read(student, zone, now);
        List<Wish> standing = wishes.of(student, changes.undone(student));
        PlanHolding.Holding before =
                holding.of(student, standing + " " + new TreeMap<>(board.aims()) + " " + board.time());
        PlansOfTheMinute.Question question =
                PlansOfTheMinute.Question.at(board, sights.of(student).words(), before, budgetMinutes);
        PlansOfTheMinute.Planned planned =
                minute.of(question, board, () -> planned(board, standing, before, budgetMinutes));
        return new Made(board, planned.with(), standing, question, planned.plan());
    }

    private PlansOfTheMinute.Planned planned(
            Board board, List<Wish> standing, PlanHolding.Holding before, @Nullable Integer budgetMinutes) {
        Instant now = board.now();
        Availability own = hours.of(board);
        Instant end = end(board);
        Circumstances with = new Circumstances(
                free(own, budgetMinutes, board, end),
                budgetMinutes == null ? own.spill(now, end, overrun(board)) : List.of(),
                wishes(standing, now),
                board.aims().entrySet().stream()
                        .collect(Collectors.toMap(aim -> CourseId.of(aim.getKey()), aim -> aim.getValue())),
                guesses(board),
                budgetMinutes == null ? before.held() : null);
        return new PlansOfTheMinute.Planned(with, NextPlanner.plan(board.books().values(), with, now));
    }

    /** What it would cost to do one piece of work before another. @throws Refusal if either isn't planned */
    public Instead swapped(long student, ZoneId zone, long work, long before, Instant now) {
        Made made = make(student, zone, null, now);
        planned(made, work, "work");
        planned(made, before, "before");
        Circumstances with = made.with();
        Map<WorkId, WorkId> first = new HashMap<>(with.wishes().before());
        first.put(WorkId.of(work), WorkId.of(before));
        Wishes wished = new Wishes(
                with.wishes().first(),
                with.wishes().notBefore(),
                first,
                with.wishes().nailed());
        return instead(made, with.with(wished));
    }

    private static void planned(Made made, long work, String field) {
        if (made.plan().planned().stream().noneMatch(one -> one.work().equals(WorkId.of(work)))) {
            throw Refusal.invalid(field, "It isn't planned just now. Choose a move of the plan.");
        }
    }

    /** What it would cost to have so many minutes less today. */
    public Instead shorter(long student, ZoneId zone, int lessMinutes, Instant now) {
        Made made = make(student, zone, null, now);
        LocalDate today = now.atZone(zone).toLocalDate();
        long minutes = made.free().stream()
                .filter(stretch -> stretch.start().atZone(zone).toLocalDate().equals(today))
                .mapToLong(Stretch::minutes)
                .sum();
        int left = (int) Math.max(0, minutes - lessMinutes);
        List<Stretch> free = free(hours.of(made.board()), left, made.board(), end(made.board()));
        return instead(made, made.with().within(free));
    }

    /** From the plan that holds, so that nothing differs but for what is asked. */
    private static Instead instead(Made made, Circumstances other) {
        Held standing = made.plan().held().afterAChange();
        return Instead.of(
                made.plan(),
                NextPlanner.plan(
                        made.board().books().values(),
                        other.holding(standing),
                        made.board().now()));
    }

    private static int overrun(Board board) {
        return board.time().map(TimeSheet::overrunMinutes).orElse(TimeSheet.USUAL_OVERRUN);
    }

    private static Map<WorkId, Guess> guesses(Board board) {
        Map<WorkId, Guess> guesses = new HashMap<>();
        for (Board.Entry entry : board.entries()) {
            long work = entry.work().id();
            board.efforts().guess(work).ifPresent(guess -> guesses.put(WorkId.of(work), guess));
        }
        return guesses;
    }

    private static Instant end(Board board) {
        Instant now = board.now();
        Instant end = board.terms().values().stream()
                .map(Term::closes)
                .flatMap(List::stream)
                .map(Term.GradingPeriod::closesAt)
                .max(Instant::compareTo)
                .orElse(now);
        end = end.isBefore(now.plus(SHORTEST)) ? now.plus(SHORTEST) : end;
        return end.isAfter(now.plus(LONGEST)) ? now.plus(LONGEST) : end;
    }

    private static List<Stretch> free(Availability own, @Nullable Integer budgetMinutes, Board board, Instant end) {
        Instant now = board.now();
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
                        .map(wish -> WorkId.of(wish.work()))
                        .toList(),
                standing.stream()
                        .filter(wish -> wish.kind() == WishList.Kind.LATER
                                && wish.notBefore() != null
                                && wish.notBefore().isAfter(now))
                        .collect(Collectors.toMap(wish -> WorkId.of(wish.work()), Wish::notBefore)),
                standing.stream()
                        .filter(wish -> wish.before() != null)
                        .collect(Collectors.toMap(wish -> WorkId.of(wish.work()), wish -> WorkId.of(wish.before()))),
                standing.stream()
                        .filter(wish -> wish.kind() == WishList.Kind.NAILED)
                        .collect(Collectors.toMap(wish -> WorkId.of(wish.work()), Wish::notBefore)));
    }
}

package app.navlo.server.next;

import app.navlo.core.id.WorkId;
import app.navlo.core.next.Leeway;
import app.navlo.core.next.NextPlan;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.QuickAction;
import app.navlo.core.next.Stake;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardView.CostView;
import app.navlo.server.board.WorkMapper;
import app.navlo.server.next.NextView.ErrandView;
import app.navlo.server.next.NextView.LeewayView;
import app.navlo.server.next.NextView.LeftView;
import app.navlo.server.next.NextView.MoveView;
import app.navlo.server.next.NextView.PlannedDay;
import app.navlo.server.next.NextView.PriceView;
import app.navlo.server.next.NextView.SpanView;
import app.navlo.server.next.NextView.StakeView;
import app.navlo.server.next.NextView.WhyHereView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.HeldPlans.Turned;
import app.navlo.server.store.WishList;
import app.navlo.server.store.WishList.Wish;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Writes a plan in the words of the board. */
final class PlanWriting {
    private static final double VERY_LIKELY = 0.9;
    private static final double LIKELY = 0.6;

    private final Board board;
    private final Map<Long, Board.Entry> entries = new HashMap<>();
    private final Map<Long, Wish> wishes = new HashMap<>();

    PlanWriting(Board board, List<Wish> standing) {
        this.board = board;
        board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
        standing.forEach(wish -> wishes.put(wish.work(), wish));
    }

    NextView view(NextPlan plan, List<Stretch> free, @Nullable Integer budgetMinutes, @Nullable Turned turned) {
        Set<Long> listed = new HashSet<>();
        plan.planned().forEach(one -> listed.add(one.work().number()));
        plan.left().forEach(one -> listed.add(one.work().number()));
        List<Long> inClass = board.entries().stream()
                .filter(entry -> entry.state().move() == Turn.YOURS
                        && !listed.contains(entry.work().id()))
                .map(entry -> entry.work().id())
                .toList();
        long yours = board.entries().stream()
                .filter(entry -> entry.state().move() == Turn.YOURS)
                .count();
        return new NextView(
                board.now(),
                budgetMinutes,
                (int) yours,
                plan.planned().stream().map(this::move).toList(),
                plan.left().stream().map(this::left).toList(),
                inClass,
                share(plan.share()),
                BigDecimal.valueOf(plan.withinPercent())
                        .setScale(1, RoundingMode.UP)
                        .toPlainString(),
                plan.proven(),
                turned == null
                        ? null
                        : new NextView.TurnView(NextPlan.Turn.Kind.valueOf(turned.how()), turned.work(), turned.at()),
                plan.stakes().stream().map(PlanWriting::stake).toList(),
                stake(Stake.mean(plan.stakes())),
                plan.prices().stream()
                        .map(price -> new PriceView(price.course().number(), Figures.hundredths(price.fall())))
                        .toList(),
                plan.errands().stream().map(PlanWriting::errand).toList(),
                days(plan),
                spans(free));
    }

    private static NextView.OutlookView share(NextPlan.Share share) {
        return new NextView.OutlookView(percent(share.mean()), percent(share.low()), percent(share.high()));
    }

    private static int percent(double share) {
        return (int) Math.round(100 * share);
    }

    private static NextView.Likely likely(double chance) {
        return chance >= VERY_LIKELY
                ? NextView.Likely.VERY_LIKELY
                : chance >= LIKELY ? NextView.Likely.LIKELY : NextView.Likely.AT_RISK;
    }

    private static StakeView stake(Stake stake) {
        return new StakeView(
                stake.course() == null ? null : stake.course().number(),
                Figures.hundredths(stake.none()),
                Figures.hundredths(stake.planned()),
                Figures.hundredths(stake.all()),
                Figures.hundredths(stake.kept()),
                Figures.hundredths(stake.most()),
                stake.inMean());
    }

    private static List<SpanView> spans(List<Stretch> stretches) {
        return stretches.stream()
                .map(stretch -> new SpanView(stretch.start(), stretch.endExclusive()))
                .toList();
    }

    private MoveView move(Planned planned) {
        long work = planned.work().number();
        Wish wish = wishes.get(work);
        return new MoveView(
                work,
                planned.deed(),
                planned.yours(),
                planned.minutes(),
                planned.minutesGuessed(),
                Figures.hundredths(planned.gain()),
                likely(planned.chance()),
                planned.spare(),
                spans(planned.sittings()),
                leeway(planned.leeway()),
                because(planned.because()),
                next(work),
                wish != null && wish.kind() == WishList.Kind.FIRST,
                wish == null ? null : wish.before(),
                notBefore(wish),
                nailed(wish, planned));
    }

    /** Once its hour is past it is planned like all other work. */
    private static @Nullable Instant nailed(@Nullable Wish wish, Planned planned) {
        return wish == null
                        || wish.kind() != WishList.Kind.NAILED
                        || !planned.sittings().get(0).start().equals(wish.notBefore())
                ? null
                : wish.notBefore();
    }

    private static @Nullable LeewayView leeway(@Nullable Leeway leeway) {
        return leeway == null ? null : new LeewayView(leeway.kind(), leeway.tokens(), leeway.until(), leeway.due());
    }

    private static ErrandView errand(QuickAction errand) {
        return new ErrandView(errand.kind(), errand.work().number(), errand.until(), leeway(errand.leeway()));
    }

    private static WhyHereView because(NextPlan.Because because) {
        return new WhyHereView(
                because.kind(),
                because.at(),
                Figures.hundredths(because.loses()),
                because.opens().stream().map(WorkId::number).toList(),
                because.pushedBy().stream().map(WorkId::number).toList(),
                because.missed());
    }

    private LeftView left(Left left) {
        long work = left.work().number();
        return new LeftView(
                work,
                left.deed(),
                left.minutes(),
                left.minutesGuessed(),
                Figures.hundredths(left.cost()),
                left.because(),
                left.shutBy().stream().map(WorkId::number).toList(),
                next(work),
                notBefore(wishes.get(work)));
    }

    /** What is planned on each day, and what falls due on it and isn't finished by then. */
    private List<PlannedDay> days(NextPlan plan) {
        Map<LocalDate, Long> planned = new TreeMap<>();
        Map<LocalDate, Long> late = new TreeMap<>();
        for (Planned one : plan.planned()) {
            for (Stretch sitting : one.sittings()) {
                planned.merge(day(sitting.start()), sitting.minutes(), Long::sum);
            }
            Instant missed = one.because().missed();
            if (missed != null && one.yours()) {
                late.merge(dayClosedBy(missed), one.minutes(), Long::sum);
            }
        }
        for (Left one : plan.left()) {
            Instant due = due(one.work());
            if (due != null && toCome(due)) {
                late.merge(dayClosedBy(due), one.minutes(), Long::sum);
            }
        }
        Map<LocalDate, PlannedDay> days = new TreeMap<>();
        planned.forEach((day, minutes) -> days.put(day, new PlannedDay(day, minutes, late.getOrDefault(day, 0L))));
        late.forEach((day, minutes) -> days.putIfAbsent(day, new PlannedDay(day, 0, minutes)));
        return List.copyOf(days.values());
    }

    private boolean toCome(Instant due) {
        return !due.isBefore(board.now());
    }

    private @Nullable Instant due(WorkId work) {
        WorkState state = Objects.requireNonNull(entries.get(work.number())).state();
        return state.redo() == null ? state.due() : state.redo().due();
    }

    private LocalDate day(Instant at) {
        return at.atZone(board.zone()).toLocalDate();
    }

    /** Midnight belongs to the day that it closes. */
    private LocalDate dayClosedBy(Instant due) {
        return day(due.minus(Duration.ofNanos(1)));
    }

    private @Nullable Instant notBefore(@Nullable Wish wish) {
        return wish == null
                        || wish.kind() != WishList.Kind.LATER
                        || wish.notBefore() == null
                        || !wish.notBefore().isAfter(board.now())
                ? null
                : wish.notBefore();
    }

    private @Nullable CostView next(long work) {
        Board.Entry entry = entries.get(work);
        return entry == null || entry.costs().isEmpty()
                ? null
                : WorkMapper.cost(entry.costs().get(0));
    }
}

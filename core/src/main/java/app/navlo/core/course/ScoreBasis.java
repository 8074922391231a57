package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.ExpectedScore;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.id.CategoryId;
import app.navlo.core.policy.AttemptRule;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/** Writes what each piece of work is worth to the readings: what it has, will likely bring, and can still come to. */
final class ScoreBasis {
    private final CourseRules rules;
    private final Instant now;
    private final List<Rational> coursePercents = new ArrayList<>();
    private final Map<Optional<CategoryId>, List<Rational>> categoryPercents = new LinkedHashMap<>();
    private final Map<Optional<CategoryId>, Rational> expected = new ConcurrentHashMap<>();

    ScoreBasis(Collection<EvaluatedWork> works, CourseRules rules, Instant now) {
        this.rules = rules;
        this.now = now;
        for (EvaluatedWork one : works) {
            Rational percent = one.rawPercent();
            if (counts(one) && !one.work().place().extra() && percent != null) {
                coursePercents.add(percent);
                categoryPercents
                        .computeIfAbsent(category(one), category -> new ArrayList<>())
                        .add(percent);
            }
        }
    }

    /** Practice never counts; excused work counts in neither part. */
    static boolean counts(EvaluatedWork one) {
        return one.work().counted() && one.state().stage() != Stage.EXCUSED;
    }

    private static Optional<CategoryId> category(EvaluatedWork one) {
        return Optional.ofNullable(one.work().place().category());
    }

    /** Before any penalty, 0–100 and above. Its own score says nothing of what doing it again would bring. */
    Rational expectedPercent(EvaluatedWork one) {
        if (one.work().ownPercent() != null) {
            return one.work().ownPercent();
        }
        Rational own = one.rawPercent();
        if (counts(one) && !one.work().place().extra() && own != null) {
            return ExpectedScore.percent(
                    null,
                    without(own, categoryPercents.getOrDefault(category(one), List.of())),
                    without(own, coursePercents));
        }
        return expected.computeIfAbsent(
                category(one),
                category -> ExpectedScore.percent(
                        null, categoryPercents.getOrDefault(category, List.of()), coursePercents));
    }

    private static List<Rational> without(Rational one, List<Rational> percents) {
        List<Rational> others = new ArrayList<>(percents);
        others.remove(one);
        return others;
    }

    GradedWork graded(EvaluatedWork one) {
        WorkState state = one.state();
        Instant due = state.due();
        return new GradedWork(
                one.id(),
                one.work().place().category(),
                one.work().place().standards(),
                one.possible(),
                one.work().place().extra(),
                one.item().required(),
                one.outcome().kept(),
                one.outcome().kept() == null ? due : state.attempts().scoredAt(),
                due == null || !due.isAfter(now),
                state.missing(),
                one.outcome().kept() == null && state.stage() == Stage.TURNED_IN,
                expected(one),
                most(one));
    }

    /** What has its score brings that. */
    private Rational expected(EvaluatedWork one) {
        if (one.outcome().kept() != null) {
            return one.outcome().kept();
        }
        return outOfReach(one) || refused(one) || waitsForLeeway(one)
                ? Rational.ZERO
                : penalised(one, expectedRaw(one));
    }

    Rational expectedRaw(EvaluatedWork one) {
        return expectedPercent(one).times(one.possible()).dividedBy(Rational.HUNDRED);
    }

    /** Nothing is accepted any more unless the teacher gives the time that was asked for. */
    private static boolean waitsForLeeway(EvaluatedWork one) {
        WorkState state = one.state();
        return state.move() == Turn.TEACHERS && state.stage() != Stage.TURNED_IN;
    }

    /** A hand-in that came too late counts nothing, whatever it would have brought. */
    private static boolean refused(EvaluatedWork one) {
        List<AttemptRule.Judged> handedIn = one.outcome().attempts().stream()
                .filter(judged -> judged.attempt().handedIn() != null)
                .toList();
        return one.state().stage() == Stage.TURNED_IN
                && !handedIn.isEmpty()
                && handedIn.stream().noneMatch(AttemptRule.Judged::accepted);
    }

    /** Points that would count if a score that could be raised were raised to what is expected; null where it can't be. */
    @Nullable
    Rational raised(EvaluatedWork one) {
        Rational kept = one.outcome().kept();
        Instant close = one.item().schedule().gradingClose();
        if (close != null && now.isAfter(close)) {
            return null;
        }
        if (kept == null) {
            return waitsForLeeway(one) ? expectedRaw(one) : null;
        }
        if (redoOpen(one)) {
            return withRedo(one, expectedRaw(one));
        }
        boolean open = kept.isZero() || one.state().toComplete() || mayBeReopened(one);
        return open ? expectedRaw(one).max(kept) : null;
    }

    /** Whether a redo waits for nothing but the teacher's word. */
    boolean mayBeReopened(EvaluatedWork one) {
        RedoRule redo = one.item().redo();
        WorkItem.Marking marking = one.item().marking();
        return redo != null
                && redo.needsReopening()
                && one.state().stage() == Stage.RETURNED
                && marking.passPercent() != null
                && RedoRule.below(marking.passPercent(), one.outcome().keptRaw(), marking.possible())
                && one.state().redo() == null
                && (redo.until() == null || !now.isAfter(redo.until()))
                && (one.item().schedule().gradingClose() == null
                        || !now.isAfter(one.item().schedule().gradingClose()));
    }

    /** What it can still come to; null where it is left out of the ceiling. */
    private @Nullable Rational most(EvaluatedWork one) {
        Rational kept = one.outcome().kept();
        if (kept != null) {
            return redoOpen(one) ? withRedo(one, one.possible()) : kept;
        }
        if (!outOfReach(one)) {
            return penalised(one, one.possible());
        }
        return one.item().required() || one.work().place().extra() ? Rational.ZERO : null;
    }

    private boolean outOfReach(EvaluatedWork one) {
        WorkState state = one.state();
        Instant close = one.item().schedule().gradingClose();
        if (close != null && now.isAfter(close)) {
            return true;
        }
        boolean withTeacher = state.stage() == Stage.TURNED_IN || state.stage() == Stage.RETURNED;
        boolean closed = !withTeacher && !state.accepted() && state.move() != Turn.TEACHERS;
        return closed || state.move() == Turn.OUT_OF_REACH;
    }

    private static boolean redoOpen(EvaluatedWork one) {
        return one.state().redo() != null
                && (one.state().stage() == Stage.TURNED_IN || one.state().move() == Turn.YOURS);
    }

    /** The kept pick among the scores that count and a redo with so many raw points. */
    private Rational withRedo(EvaluatedWork one, Rational raw) {
        List<Rational> scores = new ArrayList<>();
        for (AttemptRule.Judged judged : one.outcome().attempts()) {
            if (judged.counts()) {
                scores.add(judged.score());
            }
        }
        Instant due = Objects.requireNonNull(one.state().redo()).due();
        Instant handedIn = one.state().stage() == Stage.TURNED_IN ? lastHandIn(one) : now;
        Rational redo = one.policy()
                .judge(due, handedIn, one.possible(), raw, null, rules.calendar())
                .score();
        scores.add(redo);
        return one.item().marking().kept().pick(scores).orElseThrow();
    }

    private Instant lastHandIn(EvaluatedWork one) {
        return one.state().attempts().list().stream()
                .map(attempt -> attempt.handedIn())
                .filter(Objects::nonNull)
                .reduce((first, second) -> second)
                .orElse(now);
    }

    /** Raw points less the penalty of its hand-in, or of a hand-in now; work that expects none bears none. */
    private Rational penalised(EvaluatedWork one, Rational raw) {
        if (!one.item().expectsHandIn()) {
            return raw;
        }
        WorkState state = one.state();
        boolean redo = state.redo() != null && (state.stage() == Stage.TURNED_IN || state.move() == Turn.YOURS);
        Instant due = redo ? Objects.requireNonNull(state.redo()).due() : state.due();
        boolean withTeacher = state.stage() == Stage.TURNED_IN || (state.stage() == Stage.RETURNED && !redo);
        Instant handedIn = !withTeacher ? now : redo ? lastHandIn(one) : state.handedInAt();
        return handedIn == null
                ? raw
                : one.policy()
                        .judge(due, handedIn, one.possible(), raw, null, rules.calendar())
                        .score();
    }
}

package app.navlo.core.signal;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.TwoRecords;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.reason.Reason;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.Redo;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.Timing;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** Finds the signals of one piece of work. */
public final class Signals {
    /** How long before its end asking for time is brought up. */
    private static final Duration ASKING_SOON = Duration.ofHours(24);

    /** A teacher's words on these are about what they say themselves. */
    private static final Set<SignalKind> SAID =
            EnumSet.of(SignalKind.FLAGGED_LATE, SignalKind.FLAGGED_MISSING, SignalKind.ZERO_WITH_COMMENT);

    private final CourseBook book;
    private final WorkAssessment finding;
    private final Around around;
    private final Instant now;
    private final List<Fact> facts;
    private final List<Signal> signals = new ArrayList<>();

    private Signals(CourseBook book, WorkAssessment finding, Around around) {
        this.book = book;
        this.finding = finding;
        this.around = around;
        this.now = book.now();
        this.facts = new ArrayList<>(finding.work().facts());
        this.facts.removeIf(fact -> fact.stamp().at().isAfter(now));
        this.facts.sort(Comparator.comparing(Fact::stamp, Stamp.CHRONOLOGICAL));
    }

    /** The most pressing first; empty if nothing asks for anything. */
    public static List<Signal> of(CourseBook book, WorkAssessment finding, Around around) {
        Signals found = new Signals(book, finding, around);
        if (finding.state().stage() != Stage.EXCUSED) {
            found.aboutToBeLost();
            found.asked();
            found.against();
            found.question();
        }
        return found.signals.stream()
                .filter(found::stands)
                .sorted(Signal.MOST_PRESSING)
                .toList();
    }

    private boolean stands(Signal signal) {
        return facts.stream()
                .noneMatch(fact -> fact instanceof Fact.PutAside aside
                        && aside.signal().equals(signal.kind().name())
                        && !fact.stamp().at().isBefore(signal.since()));
    }

    private WorkState state() {
        return finding.state();
    }

    private void aboutToBeLost() {
        WorkState state = state();
        Instant due = state.dueToCome();
        boolean begun = state.stage() == Stage.DRAFT && state.move() == Turn.YOURS;
        if (begun && due != null && finding.item().expectsHandIn()) {
            boolean parts = state.parts() != null;
            Reason reason;
            if (state.timing() == Timing.DUE_SOON) {
                reason = Reason.of(parts ? SignalKind.PARTS_DUE : SignalKind.DRAFT_DUE);
                add(reason.with("due", due), due.minus(book.rules().soon()), due, finding.impact());
            } else if (state.timing() == Timing.OVERDUE) {
                reason = Reason.of(parts ? SignalKind.PARTS_OVERDUE : SignalKind.DRAFT_OVERDUE);
                add(reason.with("due", due), due, state.acceptance().ends(), finding.impact());
            }
        }
        askingEnds();
    }

    /** Only where the work is late, or will be due before the time to ask is over and isn't begun. */
    private void askingEnds() {
        Instant until = finding.extension().until();
        Instant due = state().due();
        boolean toDo = !state().handInStands() && (state().move() == Turn.YOURS || state().move() == Turn.OUT_OF_REACH);
        if (!finding.extension().may() || until == null || due == null || !toDo || state().extensionPending()) {
            return;
        }
        boolean soon = !now.isBefore(until.minus(ASKING_SOON));
        if (!soon || !now.isAfter(due)) {
            return;
        }
        Rational brings = book.moves(finding.id(), raw());
        if (brings.signum() > 0) {
            add(Reason.of(SignalKind.ASKING_ENDS).with("until", until), until.minus(ASKING_SOON), until, brings);
        }
    }

    private void asked() {
        WorkState state = state();
        if (state.toComplete()) {
            Fact flag = last(fact -> fact instanceof Fact.Flagged).orElseThrow();
            Rational stake = finding.outcome().kept() == null ? finding.impact() : finding.lift();
            add(
                    Reason.of(SignalKind.INCOMPLETE),
                    flag.stamp().at(),
                    state.acceptance().ends(),
                    stake);
        }
        if (state.stage() == Stage.SENT_BACK && state.move() == Turn.YOURS) {
            Fact.SentBack back =
                    (Fact.SentBack) last(Fact.SentBack.class::isInstance).orElseThrow();
            Reason reason = Reason.of(SignalKind.SENT_BACK).with("why", back.reason());
            add(reason, back.stamp().at(), state.acceptance().ends(), finding.impact());
        }
        if (state.redo() != null && state.stage() == Stage.RETURNED && state.move() == Turn.YOURS) {
            boolean askedFor = state.redo().kind() == Redo.Kind.ASKED;
            Reason reason = Reason.of(askedFor ? SignalKind.REDO_ASKED : SignalKind.BELOW_PASS_REDO_ALLOWED);
            Rational stake = finding.lift() == null ? finding.impact() : finding.lift();
            add(reason, cameBack(), state.acceptance().ends(), stake);
        }
        if (finding.mayBeReopened() && !wroteSince(cameBack())) {
            add(Reason.of(SignalKind.REOPENING_OFFERED), cameBack(), redoUntil(), finding.lift());
        }
    }

    private @Nullable Instant redoUntil() {
        return finding.item().redo() == null ? null : finding.item().redo().until();
    }

    /** The teacher's last private word, if it ends with a question or says that it asks, and nothing was done since. */
    private void question() {
        Optional<Fact> last = last(fact -> fact instanceof Fact.Commented said
                && said.isPrivate()
                && fact.stamp().by() == Actor.TEACHER);
        if (last.isEmpty() || !(last.get() instanceof Fact.Commented said)) {
            return;
        }
        Instant at = said.stamp().at();
        boolean answered = wroteSince(at)
                || last(fact -> fact.stamp().at().isAfter(at)
                                && (fact instanceof Fact.HandedIn || fact instanceof Fact.Posted))
                        .isPresent();
        boolean otherwise = signals.stream()
                .anyMatch(signal -> signal.kind().group() == SignalKind.Group.ASKED || SAID.contains(signal.kind()));
        if (said.isQuestion() && !answered && !otherwise) {
            Rational stake = finding.lift();
            add(Reason.of(SignalKind.QUESTION).with("by", said.stamp().name()), at, null, stake);
        }
    }

    private void against() {
        flags();
        records();
        zero();
        answers();
        dueEarlier();
        if (!finding.shutForGood().isEmpty() && finding.work().counted()) {
            String roots = String.join(
                    ", ", finding.shutForGood().stream().map(around.titles()).toList());
            Instant since = finding.shutForGood().stream()
                    .map(root -> shutSince(book.finding(root)))
                    .max(Comparator.naturalOrder())
                    .orElse(Instant.EPOCH);
            if (!wroteSince(since)) {
                Reason reason = Reason.of(SignalKind.SHUT_FOR_GOOD).with("work", roots);
                add(reason, since, null, finding.lift(), finding.shutForGood());
            }
        }
    }

    private Instant shutSince(WorkAssessment root) {
        Instant ends = root.state().acceptance().ends();
        boolean closed = ends != null && !ends.isAfter(now);
        Instant scored = root.state().attempts().scoredAt();
        return closed && ends != null ? ends : scored == null ? Instant.EPOCH : scored;
    }

    private void flags() {
        WorkState state = state();
        Instant handedIn = state.handedInAt();
        if (!state.handInStands() || handedIn == null || !finding.item().expectsHandIn()) {
            return;
        }
        Fact flag = last(fact -> fact instanceof Fact.Flagged).orElse(null);
        if (flag == null || wroteSince(flag.stamp().at())) {
            return;
        }
        if (state.shown().flag() == Flag.LATE && state.timing() == Timing.ON_TIME) {
            add(
                    Reason.of(SignalKind.FLAGGED_LATE).with("at", handedIn),
                    flag.stamp().at(),
                    null,
                    ifLate());
        }
        boolean flaggedSince = flag.stamp().at().isAfter(handedIn);
        if (state.shown().flag() == Flag.MISSING && (flaggedSince || shouldHaveSettled(handedIn))) {
            add(
                    Reason.of(SignalKind.FLAGGED_MISSING).with("at", handedIn),
                    flag.stamp().at(),
                    null,
                    finding.impact());
        }
    }

    private boolean shouldHaveSettled(Instant handedIn) {
        return book.turnaround().shouldBeGraded(handedIn, book.rules().calendar(), now);
    }

    /** What is lost if it counts as late, by the first step of the policy. */
    private @Nullable Rational ifLate() {
        if (finding.graded() == null || state().due() == null) {
            return null;
        }
        Rational raw =
                finding.outcome().keptRaw() == null ? raw() : finding.outcome().keptRaw();
        LatePolicy.Judged late = finding.policy()
                .ofScores()
                .judge(
                        state().due(),
                        state().due().plus(finding.policy().grace()).plusSeconds(1),
                        finding.item().marking().possible(),
                        raw,
                        null,
                        book.rules().calendar());
        return book.moves(finding.id(), raw).minus(book.moves(finding.id(), late.score()));
    }

    private void records() {
        for (Around.OtherRecord record : around.records()) {
            for (TwoRecords.Difference difference : TwoRecords.compare(book, finding, record.entry())) {
                boolean missing = difference.kind() == TwoRecords.Kind.TURNED_IN_BUT_MISSING;
                Instant handedIn = state().handedInAt();
                if (missing && handedIn != null && shouldHaveSettled(handedIn) && !wroteSince(record.toldAt())) {
                    Reason reason = Reason.of(SignalKind.FLAGGED_MISSING).with("at", handedIn);
                    add(reason, record.toldAt(), null, finding.impact());
                } else if (!missing && difference.points().signum() > 0 && !wroteSince(record.toldAt())) {
                    Reason reason = Reason.of(SignalKind.RECORDS_DIFFER)
                            .with("book", record.name())
                            .with("points", difference.points());
                    add(reason, record.toldAt(), null, difference.stake());
                }
            }
        }
    }

    private void zero() {
        ScoreShown score = state().score();
        boolean zero = state().stage() == Stage.RETURNED
                && score.mark() == ScoreShown.Mark.FINAL
                && score.points() != null
                && score.points().isZero()
                && finding.item().marking().possible().signum() > 0;
        boolean redo = state().redo() != null && state().move() == Turn.YOURS;
        if (!zero || redo || wroteSince(cameBack())) {
            return;
        }
        boolean said = last(fact -> fact.stamp().by() == Actor.TEACHER
                        && (fact instanceof Fact.Commented
                                || fact instanceof Fact.SentBack
                                || fact instanceof Fact.RubricMarked
                                || fact instanceof Fact.AnswersReleased))
                .isPresent();
        SignalKind kind = said ? SignalKind.ZERO_WITH_COMMENT : SignalKind.ZERO_WITHOUT_FEEDBACK;
        add(Reason.of(kind), cameBack(), null, finding.lift());
    }

    /** What the teacher answered to a request, until it was used, or the student has said that they know. */
    private void answers() {
        Fact answer = last(fact -> fact instanceof Fact.ExtensionGranted || fact instanceof Fact.ExtensionDeclined)
                .orElse(null);
        if (answer == null || answer.stamp().by() != Actor.TEACHER || state().extensionPending()) {
            return;
        }
        Instant at = answer.stamp().at();
        boolean over = last(fact -> fact.stamp().at().isAfter(at)
                                && (fact instanceof Fact.HandedIn
                                        || fact instanceof Fact.Returned
                                        || fact instanceof Fact.Scored))
                        .isPresent()
                || state().handInStands();
        if (over) {
            return;
        }
        if (answer instanceof Fact.ExtensionGranted granted) {
            Instant due = granted.due().instant();
            if (now.isBefore(due)) {
                add(Reason.of(SignalKind.EXTENSION_GRANTED).with("due", due), at, due, null);
            }
        } else if (!wroteSince(at)) {
            add(Reason.of(SignalKind.EXTENSION_DECLINED), at, null, null);
        }
    }

    private void dueEarlier() {
        Fact.DueMoved moved =
                (Fact.DueMoved) last(Fact.DueMoved.class::isInstance).orElse(null);
        boolean earlier = moved != null
                && moved.before() != null
                && moved.after() != null
                && moved.after().instant().isBefore(moved.before().instant());
        if (earlier && state().move() == Turn.YOURS) {
            Reason reason = Reason.of(SignalKind.DUE_EARLIER)
                    .with(
                            "before",
                            Objects.requireNonNull(Objects.requireNonNull(moved).before())
                                    .instant())
                    .with("after", Objects.requireNonNull(moved.after()).instant());
            add(reason, moved.stamp().at(), state().dueToCome(), finding.impact());
        }
    }

    /** @param stake in the units of the course's figure; null where nothing can be said */
    private void add(Reason reason, Instant since, @Nullable Instant until, @Nullable Rational stake) {
        add(reason, since, until, stake, Set.of());
    }

    private void add(
            Reason reason, Instant since, @Nullable Instant until, @Nullable Rational stake, Collection<WorkId> about) {
        Reason whole = state().parts() == null
                ? reason
                : reason.with("done", state().parts().done())
                        .with("of", state().parts().of());
        signals.add(new Signal(
                (SignalKind) reason.rule(),
                finding.id(),
                book.rules().course(),
                since,
                until,
                stake == null || stake.signum() <= 0 ? null : book.percent(stake),
                List.copyOf(about),
                whole));
    }

    private Rational raw() {
        return finding.expectedPercent()
                .times(finding.item().marking().possible())
                .dividedBy(Rational.HUNDRED);
    }

    private Optional<Fact> last(Predicate<Fact> which) {
        for (int i = facts.size() - 1; i >= 0; i--) {
            if (which.test(facts.get(i))) {
                return Optional.of(facts.get(i));
            }
        }
        return Optional.empty();
    }

    /** When it was last returned or scored so that the student sees it. */
    private Instant cameBack() {
        return last(fact -> fact instanceof Fact.Returned || (fact instanceof Fact.Scored scored && scored.counts()))
                .map(fact -> fact.stamp().at())
                .orElse(Instant.EPOCH);
    }

    private boolean wroteSince(Instant at) {
        boolean message = around.wroteAt() != null && around.wroteAt().isAfter(at);
        return message
                || last(fact -> fact instanceof Fact.Commented
                                && fact.stamp().by() == Actor.STUDENT
                                && fact.stamp().at().isAfter(at))
                        .isPresent();
    }
}

package app.navlo.server.workdetail;

import app.navlo.core.close.SafeBy;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Stage;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.PolicyWords;
import app.navlo.server.workdetail.WorkDetail.SafeByView;
import app.navlo.server.workdetail.WorkDetail.WorthView;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Writes what a piece of work does to its course as it is sent. */
final class WorthMapper {
    /** A shorter span is said in hours alone: "49 h" can't be taken for two days of a course's count. */
    private static final Duration COUNTED_IN_HOURS = Duration.ofHours(120);

    private WorthMapper() {}

    static WorthView of(Board.Entry entry) {
        WorkAssessment finding = entry.finding();
        ZoneId zone = entry.course().details().zone();
        boolean open = finding.graded() != null && finding.graded().score() == null;
        return new WorthView(
                PolicyWords.of(finding.policy()),
                penalty(finding, entry.now()),
                entry.locks(),
                safeBy(finding.safeBy(), zone),
                finding.checkIt().stream()
                        .map(why -> Sentences.write(Reason.of(why), zone))
                        .toList(),
                open ? Figures.text(finding.expectedPercent()) : null,
                open ? Figures.text(Objects.requireNonNull(finding.graded()).expected()) : null,
                Figures.textOrNull(finding.impact()),
                Figures.textOrNull(finding.lift()),
                Figures.textOrNull(finding.lift() == null ? null : finding.raised()),
                finding.shutForGood().stream().map(entry.titles()).toList(),
                finding.item().schedule().appointment() == null
                        ? null
                        : Figures.text(finding.work().preparing()),
                entry.own().preparingPercent() != null,
                entry.course().rules().grade().kind(),
                List.copyOf(entry.droppedIn()),
                extension(finding, zone),
                tokens(finding, zone));
    }

    /** How late it is as a span, how late the course counts it, and what that takes: three things that are told apart. */
    static @Nullable String penalty(WorkAssessment finding, Instant now) {
        LatePolicy.Judged penalty = finding.penalty();
        if (penalty == null || !penalty.late()) {
            return null;
        }
        boolean done = !finding.state().toHandIn();
        String late = (done ? "Handed in late" : "Handed in now, it is late") + lateBy(finding.state(), done, now);
        if (penalty.lost().isZero()) {
            return late + (penalty.withinGrace() ? ", within the grace" : "") + ": nothing is lost";
        }
        Rational lost = done && finding.outcome().kept() != null ? lostOfKept(finding) : penalty.lost();
        return late + days(penalty) + ". " + (done ? "It lost " : "It loses ") + Sentences.number(lost) + " of "
                + Sentences.number(finding.item().marking().possible()) + " points, "
                + Sentences.number(penalty.penaltyPercent()) + " %" + (penalty.days() == null ? "" : " in all");
    }

    private static String lateBy(WorkState state, boolean done, Instant now) {
        Instant at = done ? state.handedInAt() : now;
        Instant due = done ? state.due() : state.dueToCome();
        if (due == null || at == null || !at.isAfter(due)) {
            return "";
        }
        Duration by = Duration.between(due, at);
        return " by "
                + (by.compareTo(COUNTED_IN_HOURS) < 0 && by.toHours() > 0 ? by.toHours() + " h" : Sentences.span(by));
    }

    private static String days(LatePolicy.Judged penalty) {
        return penalty.days() == null
                ? ""
                : ": " + penalty.days() + (penalty.days() == 1 ? " day" : " days") + " by this course’s count";
    }

    private static Rational lostOfKept(WorkAssessment finding) {
        return Objects.requireNonNull(finding.outcome().keptRaw())
                .minus(Objects.requireNonNull(finding.outcome().kept()));
    }

    private static @Nullable SafeByView safeBy(@Nullable SafeBy safeBy, ZoneId zone) {
        return safeBy == null
                ? null
                : new SafeByView(safeBy.at(), safeBy.passed(), safeBy.safe(), Sentences.write(safeBy.reason(), zone));
    }

    /** Nothing is said of leeway where nothing is left to hand in. */
    private static boolean leewayMatters(WorkAssessment finding) {
        return finding.state().stage() != Stage.RETURNED
                && finding.state().stage() != Stage.EXCUSED
                && finding.state().stage() != Stage.TURNED_IN
                && finding.item().expectsHandIn();
    }

    private static @Nullable String extension(WorkAssessment finding, ZoneId zone) {
        ExtensionDesk.Answer answer = finding.extension();
        if (!leewayMatters(finding) || answer.bars().contains(Bar.NO_DUE)) {
            return null;
        }
        if (finding.state().extensionPending()) {
            return "Asked for, and not answered yet";
        }
        return answer.may()
                ? "May be asked for" + until(answer.until(), zone) + "; the new due would be "
                        + Sentences.moment(Objects.requireNonNull(answer.newDue()), zone)
                : "None to be had: " + bars(answer.bars(), zone);
    }

    private static @Nullable String tokens(WorkAssessment finding, ZoneId zone) {
        TokenDesk.Answer answer = finding.tokens();
        boolean silent = answer.bars().contains(Bar.NO_RULE) || answer.bars().contains(Bar.NO_DUE);
        if (!leewayMatters(finding) || silent) {
            return null;
        }
        return answer.may()
                ? "One may be used" + until(answer.until(), zone) + "; the due would move to "
                        + Sentences.moment(answer.dues().get(0), zone)
                : "None to be used: " + bars(answer.bars(), zone);
    }

    private static String until(@Nullable Instant until, ZoneId zone) {
        return until == null ? "" : " until " + Sentences.moment(until, zone);
    }

    private static String bars(List<Bar> bars, ZoneId zone) {
        return bars.stream()
                .map(bar -> Sentences.write(Reason.of(bar), zone))
                .map(words -> Character.toLowerCase(words.charAt(0)) + words.substring(1))
                .collect(Collectors.joining("; "));
    }
}

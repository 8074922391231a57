package app.navlo.core.next;

import app.navlo.core.close.CheckIt;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.feedback.FeedbackCount;
import app.navlo.core.next.NextPlan.Planned;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Finds the moves that take no room in the plan. */
final class QuickActions {
    private QuickActions() {}

    /** What the plan needs, by when it can be had; then what may be amiss, then what is unread, by course. */
    static List<QuickAction> of(Map<CourseBook, List<WorkAssessment>> known, List<Planned> planned) {
        List<QuickAction> errands = new ArrayList<>();
        planned.stream()
                .filter(one -> one.leeway() != null)
                .map(QuickActions::leeway)
                .sorted(Comparator.comparing(QuickAction::until))
                .forEach(errands::add);
        List<QuickAction> rest = new ArrayList<>();
        known.forEach((book, findings) -> findings.forEach(finding -> rest.addAll(amiss(book, finding))));
        rest.sort(Comparator.comparing(QuickAction::kind).reversed());
        errands.addAll(rest);
        return errands;
    }

    private static QuickAction leeway(Planned planned) {
        Leeway leeway = planned.leeway();
        return new QuickAction(
                Objects.requireNonNull(leeway).kind() == Leeway.Kind.EXTENSION
                        ? QuickAction.Kind.ASK_EXTENSION
                        : QuickAction.Kind.USE_TOKENS,
                planned.work(),
                planned.course(),
                leeway.until(),
                leeway);
    }

    private static List<QuickAction> amiss(CourseBook book, WorkAssessment finding) {
        List<QuickAction> errands = new ArrayList<>();
        if (finding.checkIt().contains(CheckIt.UNGRADED_TOO_LONG)) {
            errands.add(errand(book, finding, QuickAction.Kind.CHECK_GRADING));
        }
        if (FeedbackCount.of(finding.work().facts(), book.now()).unread() > 0) {
            errands.add(errand(book, finding, QuickAction.Kind.READ_FEEDBACK));
        }
        return errands;
    }

    private static QuickAction errand(CourseBook book, WorkAssessment finding, QuickAction.Kind kind) {
        return new QuickAction(kind, finding.id(), book.rules().course(), null, null);
    }
}

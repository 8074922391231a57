package app.navlo.core.next;

import app.navlo.core.close.CheckIt;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Finding;
import app.navlo.core.feedback.FeedbackCount;
import app.navlo.core.next.NextPlan.Planned;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Finds the moves that take no room in the plan. */
final class Errands {
    private Errands() {}

    /** What the plan needs, by when it can be had; then what may be amiss, then what is unread, by course. */
    static List<Errand> of(Map<CourseBook, List<Finding>> known, List<Planned> planned) {
        List<Errand> errands = new ArrayList<>();
        planned.stream()
                .filter(one -> one.leeway() != null)
                .map(Errands::leeway)
                .sorted(Comparator.comparing(Errand::until))
                .forEach(errands::add);
        List<Errand> rest = new ArrayList<>();
        known.forEach((book, findings) -> findings.forEach(finding -> rest.addAll(amiss(book, finding))));
        rest.sort(Comparator.comparing(Errand::kind).reversed());
        errands.addAll(rest);
        return errands;
    }

    private static Errand leeway(Planned planned) {
        Leeway leeway = planned.leeway();
        return new Errand(
                leeway.kind() == Leeway.Kind.EXTENSION ? Errand.Kind.ASK_EXTENSION : Errand.Kind.USE_TOKENS,
                planned.work(),
                planned.course(),
                leeway.until(),
                leeway);
    }

    private static List<Errand> amiss(CourseBook book, Finding finding) {
        List<Errand> errands = new ArrayList<>();
        if (finding.checkIt().contains(CheckIt.UNGRADED_TOO_LONG)) {
            errands.add(errand(book, finding, Errand.Kind.CHECK_GRADING));
        }
        if (FeedbackCount.of(finding.work().facts(), book.now()).unread() > 0) {
            errands.add(errand(book, finding, Errand.Kind.READ_FEEDBACK));
        }
        return errands;
    }

    private static Errand errand(CourseBook book, Finding finding, Errand.Kind kind) {
        return new Errand(kind, finding.id(), book.rules().course(), null, null);
    }
}

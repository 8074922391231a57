package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import java.util.Objects;

/** What waiting costs of a course. */
public final class Waiting {
    private Waiting() {}

    /**
     * What is lost of the course, in percent, where so many points of full marks are lost: the same share of what a zero would cost.
     *
     * @param lost of the points possible, at least 0; more than all is all
     * @return 0 where no figure hangs on the work
     */
    public static Rational percent(CourseBook book, WorkAssessment finding, Rational lost) {
        Rational impact = finding.impact();
        if (impact == null) {
            return Rational.ZERO;
        }
        Rational most = Objects.requireNonNull(finding.item().marking().possible());
        return most.isZero()
                ? Rational.ZERO
                : book.percent(impact).times(lost.dividedBy(most).min(Rational.ONE));
    }
}

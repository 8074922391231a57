package app.navlo.core.pace;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.work.WorkKind;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * By how much a student's work of one kind in one course takes longer, or less long, than is said: the minutes really spent
 * on the last ten pieces that are done, over the minutes said for them. Three pieces at least; a tenth more or less is no
 * difference.
 *
 * @param works how many pieces it is drawn from
 * @param saidMinutes of those, together
 * @param spentMinutes on those, together
 */
public record EffortCorrection(CourseId course, WorkKind kind, int works, long saidMinutes, long spentMinutes) {
    private static final int LEAST_WORKS = 3;
    private static final int MOST_WORKS = 10;
    private static final Rational NO_DIFFERENCE = Rational.of(1, 10);
    private static final Rational LEAST = Rational.of(1, 4);
    private static final Rational MOST = Rational.of(4);
    private static final int STEP = 5;
    /** Factors are rounded to twentieths: more would be said than is known. */
    private static final Rational GRAIN = Rational.of(20);

    /**
     * A piece of work that is done.
     *
     * @param saidMinutes at least 1
     * @param spentMinutes at least 1
     */
    public record Done(CourseId course, WorkKind kind, int saidMinutes, int spentMinutes) {
        public Done {
            new Check()
                    .that(saidMinutes >= 1, "saidMinutes", "is " + saidMinutes + "; at least 1")
                    .that(spentMinutes >= 1, "spentMinutes", "is " + spentMinutes + "; at least 1")
                    .orThrow();
        }
    }

    /** @param done in the order in which it was done. @return in the order of courses and kinds as they first come */
    public static List<EffortCorrection> of(Collection<Done> done) {
        Map<List<Object>, List<Done>> alike = new LinkedHashMap<>();
        done.forEach(one -> alike.computeIfAbsent(List.of(one.course(), one.kind()), key -> new ArrayList<>())
                .add(one));
        return alike.values().stream().flatMap(those -> from(those).stream()).toList();
    }

    private static Optional<EffortCorrection> from(List<Done> alike) {
        if (alike.size() < LEAST_WORKS) {
            return Optional.empty();
        }
        List<Done> last = alike.subList(Math.max(0, alike.size() - MOST_WORKS), alike.size());
        EffortCorrection correction = new EffortCorrection(
                last.get(0).course(),
                last.get(0).kind(),
                last.size(),
                last.stream().mapToLong(Done::saidMinutes).sum(),
                last.stream().mapToLong(Done::spentMinutes).sum());
        Rational more = correction.factor().minus(Rational.ONE);
        boolean differs =
                more.compareTo(NO_DIFFERENCE) > 0 || Rational.ZERO.minus(more).compareTo(NO_DIFFERENCE) > 0;
        return differs ? Optional.of(correction) : Optional.empty();
    }

    /** From a quarter to four, in twentieths. */
    public Rational factor() {
        Rational raw = Rational.of(spentMinutes, saidMinutes);
        Rational bounded = raw.max(LEAST).min(MOST);
        long twentieths =
                bounded.times(GRAIN).toDecimal(0, RoundingMode.HALF_UP).longValueExact();
        return Rational.of(twentieths).dividedBy(GRAIN);
    }

    /** What is to be reckoned with for so many minutes said: in steps of five, at least one. */
    public int minutes(int said) {
        int steps = factor().times(Rational.of(said, STEP))
                .toDecimal(0, RoundingMode.HALF_UP)
                .intValueExact();
        return STEP * Math.max(1, steps);
    }

    /** What is left of so many minutes when some are spent: at least a tenth of them, and at least five or all of them. */
    public static int left(int minutes, int spent) {
        return Math.max(Math.max(1, minutes - spent), Math.min(minutes, Math.max(5, (minutes + 9) / 10)));
    }
}

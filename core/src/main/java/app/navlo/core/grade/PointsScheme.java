package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Points earned over points possible, nothing dropped. */
public record PointsScheme() implements Scheme {
    @Override
    public Grade grade(List<Valued> work) {
        List<Valued> extra = work.stream().filter(Valued::extra).toList();
        List<Valued> plain = work.stream().filter(one -> !one.extra()).toList();
        return new Grade(Drops.percent(By.POINTS, plain, extra), work.size(), List.of(), List.of());
    }

    /** Only what changed is added up anew. */
    @Override
    public Regrade regrade(List<Valued> work) {
        Map<WorkId, Valued> before = new HashMap<>();
        work.forEach(one -> before.put(one.id(), one));
        Rational earned = Rational.sum(work.stream().map(Valued::earned).toList());
        Rational possible = Rational.sum(
                work.stream().filter(one -> !one.extra()).map(Valued::possible).toList());
        long plain = work.stream().filter(one -> !one.extra()).count();
        return changed -> {
            Valued old = before.get(changed.id());
            boolean wasPlain = old != null && !old.extra();
            if (plain - (wasPlain ? 1 : 0) + (changed.extra() ? 0 : 1) == 0) {
                return null;
            }
            Rational sum = (old == null ? earned : earned.minus(old.earned())).plus(changed.earned());
            Rational of = old == null || old.extra() ? possible : possible.minus(old.possible());
            return sum.percentOf(changed.extra() ? of : of.plus(changed.possible()));
        };
    }

    @Override
    public Grade gradeAsChosen(List<Valued> work, Grade chosen) {
        return grade(work);
    }
}

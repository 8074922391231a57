package app.navlo.core.grade;

import java.util.List;

/** Points earned over points possible, nothing dropped. */
public record PointsScheme() implements Scheme {
    @Override
    public Grade grade(List<Valued> work) {
        List<Valued> extra = work.stream().filter(Valued::extra).toList();
        List<Valued> plain = work.stream().filter(one -> !one.extra()).toList();
        return new Grade(Drops.percent(By.POINTS, plain, extra), work.size(), List.of(), List.of());
    }

    @Override
    public Grade gradeAsChosen(List<Valued> work, Grade chosen) {
        return grade(work);
    }
}

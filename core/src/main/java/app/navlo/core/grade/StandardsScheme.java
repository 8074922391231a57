package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Each standard rated 0–4 from its evidence; the course is the mean of those that have some. A piece of work with p
 * percent is evidence of p · 4 / 100 for each standard that it names.
 *
 * @param noneBelow a rating that no standard may be below for a pass, 0–4; null for no such rule
 */
public record StandardsScheme(
        List<Standard> standards, @Nullable Rational noneBelow) implements Scheme {
    public static final Rational HIGHEST_RATING = Rational.of(4);

    public StandardsScheme {
        standards = List.copyOf(standards);
        Set<String> ids = new HashSet<>();
        Check check = new Check().that(!standards.isEmpty(), "standards", "is empty; name at least one");
        for (int i = 0; i < standards.size(); i++) {
            String id = standards.get(i).id();
            check.that(ids.add(id), "standards[" + i + "].id", "is '" + id + "' a second time; each needs its own");
        }
        check.notNegative(noneBelow, "noneBelow")
                .that(
                        noneBelow == null || noneBelow.compareTo(HIGHEST_RATING) <= 0,
                        "noneBelow",
                        "is " + noneBelow + "; ratings end at 4")
                .orThrow();
    }

    @Override
    public Grade grade(List<Valued> work) {
        return grade(work, null);
    }

    @Override
    public Grade gradeAsChosen(List<Valued> work, Grade chosen) {
        return grade(work, chosen);
    }

    private Grade grade(List<Valued> work, @Nullable Grade chosen) {
        List<Grade.Part> parts = new ArrayList<>();
        List<String> below = new ArrayList<>();
        Rational sum = Rational.ZERO;
        int rated = 0;
        for (int i = 0; i < standards.size(); i++) {
            Standard standard = standards.get(i);
            Set<String> leftOut =
                    chosen == null ? Set.of() : chosen.parts().get(i).dropped();
            Grade.Part part = part(standard, work, leftOut);
            parts.add(part);
            if (part.figure() != null) {
                sum = sum.plus(part.figure());
                rated++;
                if (noneBelow != null && part.figure().compareTo(noneBelow) < 0) {
                    below.add(standard.id());
                }
            }
        }
        Rational mean = rated == 0 ? null : sum.dividedBy(Rational.of(rated));
        int counted = (int) work.stream().filter(this::isEvidence).count();
        return new Grade(mean, counted, parts, below);
    }

    private boolean isEvidence(Valued work) {
        return standards.stream().anyMatch(s -> work.standards().contains(s.id()));
    }

    private static Grade.Part part(Standard standard, List<Valued> work, Set<String> leftOut) {
        List<Valued> evidence = work.stream()
                .filter(one -> one.standards().contains(standard.id()) && !leftOut.contains(one.id()))
                .sorted(Comparator.comparing(StandardsScheme::at))
                .toList();
        List<Rational> ratings = evidence.stream().map(StandardsScheme::rating).toList();
        Rational figure = ratings.isEmpty() ? null : standard.method().rate(ratings);
        Set<String> beaten = new HashSet<>(leftOut);
        if (standard.method() == StandardMethod.HIGHEST) {
            evidence.stream().filter(one -> rating(one).compareTo(figure) < 0).forEach(one -> beaten.add(one.id()));
        }
        return new Grade.Part(standard.id(), standard.name(), figure, null, beaten, true, evidence.size());
    }

    private static Instant at(Valued evidence) {
        return evidence.at() == null ? Instant.MAX : evidence.at();
    }

    private static Rational rating(Valued evidence) {
        return evidence.percent().times(HIGHEST_RATING).dividedBy(Rational.HUNDRED);
    }
}

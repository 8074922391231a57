package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
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
    private static final Comparator<Valued> BY_INSTANT = Comparator.comparing(StandardsScheme::at);

    public StandardsScheme {
        standards = List.copyOf(standards);
        Set<StandardId> ids = new HashSet<>();
        Check check = new Check().that(!standards.isEmpty(), "standards", "is empty; name at least one");
        for (int i = 0; i < standards.size(); i++) {
            StandardId id = standards.get(i).id();
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

    /** Only the standards that what changed is evidence of are looked at anew. */
    @Override
    public Regrade regrade(List<Valued> work) {
        List<Rational> figures = new ArrayList<>();
        standards.forEach(standard -> figures.add(part(standard, work, Set.of()).figure()));
        return changed -> {
            List<Rational> then = new ArrayList<>(figures);
            for (int i = 0; i < standards.size(); i++) {
                if (changed.standards().contains(standards.get(i).id())) {
                    List<Valued> with = Scheme.with(changed, work);
                    then.set(i, part(standards.get(i), with, Set.of()).figure());
                }
            }
            return mean(then);
        };
    }

    private static @Nullable Rational mean(List<@Nullable Rational> figures) {
        List<Rational> rated = figures.stream().filter(Objects::nonNull).toList();
        return rated.isEmpty() ? null : Rational.sum(rated).dividedBy(Rational.of(rated.size()));
    }

    private Grade grade(List<Valued> work, @Nullable Grade chosen) {
        List<Grade.Part> parts = new ArrayList<>();
        List<StandardId> below = new ArrayList<>();
        for (int i = 0; i < standards.size(); i++) {
            Standard standard = standards.get(i);
            Set<WorkId> leftOut =
                    chosen == null ? Set.of() : chosen.parts().get(i).dropped();
            Grade.Part part = part(standard, work, leftOut);
            parts.add(part);
            if (part.figure() != null && noneBelow != null && part.figure().compareTo(noneBelow) < 0) {
                below.add(standard.id());
            }
        }
        Rational mean = mean(parts.stream().map(Grade.Part::figure).toList());
        int counted = (int) work.stream().filter(this::isEvidence).count();
        return new Grade(mean, counted, parts, below);
    }

    private boolean isEvidence(Valued work) {
        return standards.stream().anyMatch(s -> work.standards().contains(s.id()));
    }

    private static Grade.Part part(Standard standard, List<Valued> work, Set<WorkId> leftOut) {
        List<Valued> evidence = new ArrayList<>();
        for (Valued one : work) {
            if (one.standards().contains(standard.id()) && !leftOut.contains(one.id())) {
                evidence.add(one);
            }
        }
        evidence.sort(BY_INSTANT);
        List<Rational> ratings = evidence.stream().map(StandardsScheme::rating).toList();
        Rational figure = ratings.isEmpty() ? null : standard.method().rate(ratings);
        Set<WorkId> beaten = new HashSet<>(leftOut);
        if (standard.method() == StandardMethod.HIGHEST) {
            evidence.stream()
                    .filter(one -> rating(one).compareTo(Objects.requireNonNull(figure)) < 0)
                    .forEach(one -> beaten.add(one.id()));
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

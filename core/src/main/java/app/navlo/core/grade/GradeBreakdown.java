package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.PartId;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A reading down to its terms, so that it can be checked by hand.
 *
 * @param parts in the order of the scheme; one without a name for a course that has no categories or standards
 */
public record GradeBreakdown(Readings.Answer answer, List<Part> parts) {
    public GradeBreakdown {
        parts = List.copyOf(parts);
    }

    /**
     * One category, one standard, or all of a course by points.
     *
     * @param id null for a course that has neither
     * @param name empty for a course that has neither
     * @param figure percent, or the rating of a standard; null where nothing counts
     * @param weight share of 100 of the weights that count; null where it has none
     * @param by null where no items are summed: for a standard
     * @param earned of the items kept, extra credit with it: points, or by mean the sum of percents; 0 for a standard
     * @param possible of the items kept: points, or by mean their count; 0 for a standard
     * @param only whether dropping other items would leave a lower percent
     */
    public record Part(
            @Nullable PartId id,
            String name,
            @Nullable Rational figure,
            @Nullable Rational weight,
            @Nullable By by,
            Rational earned,
            Rational possible,
            boolean only,
            List<Term> terms) {
        public Part {
            terms = List.copyOf(terms);
        }
    }

    /** @param dropped or, as evidence of a standard, beaten by better */
    public record Term(WorkId work, Rational earned, Rational possible, boolean extra, boolean dropped) {}

    public static GradeBreakdown of(Reading reading, Scheme scheme, GradeTable table, Collection<GradedWork> works) {
        List<Valued> valued = Readings.valued(reading, works);
        Grade grade = scheme.grade(valued);
        List<Part> parts = new ArrayList<>();
        for (Grade.Part part : grade.parts()) {
            parts.add(part(scheme, part, valued));
        }
        if (scheme instanceof PointsScheme) {
            parts.add(summed(null, "", grade.figure(), null, By.POINTS, true, terms(valued, Set.of())));
        }
        return new GradeBreakdown(new Readings.Answer(grade, table.letter(grade.figure())), parts);
    }

    private static Part part(Scheme scheme, Grade.Part part, List<Valued> valued) {
        if (scheme instanceof WeightedScheme weighted) {
            By by = weighted.categories().stream()
                    .filter(category -> category.id().equals(part.id()))
                    .findFirst()
                    .orElseThrow()
                    .by();
            List<Valued> here = valued.stream()
                    .filter(one -> part.id().equals(one.category()))
                    .toList();
            return summed(
                    part.id(), part.name(), part.figure(), part.weight(), by, part.only(), terms(here, part.dropped()));
        }
        List<Valued> evidence = valued.stream()
                .filter(one -> one.standards().contains(part.id()))
                .toList();
        return new Part(
                part.id(),
                part.name(),
                part.figure(),
                null,
                null,
                Rational.ZERO,
                Rational.ZERO,
                part.only(),
                terms(evidence, part.dropped()));
    }

    private static List<Term> terms(List<Valued> valued, Set<WorkId> dropped) {
        return valued.stream()
                .map(one -> new Term(one.id(), one.earned(), one.possible(), one.extra(), dropped.contains(one.id())))
                .toList();
    }

    private static Part summed(
            @Nullable PartId id,
            String name,
            @Nullable Rational figure,
            @Nullable Rational weight,
            By by,
            boolean only,
            List<Term> terms) {
        List<Rational> earned = new ArrayList<>();
        List<Rational> possible = new ArrayList<>();
        for (Term term : terms) {
            if (term.dropped()) {
                continue;
            }
            earned.add(by == By.MEAN ? percent(term) : term.earned());
            if (!term.extra()) {
                possible.add(by == By.MEAN ? Rational.ONE : term.possible());
            }
        }
        return new Part(id, name, figure, weight, by, Rational.sum(earned), Rational.sum(possible), only, terms);
    }

    private static Rational percent(Term term) {
        return term.possible().isZero()
                ? Rational.ZERO
                : term.earned().times(Rational.HUNDRED).dividedBy(term.possible());
    }
}

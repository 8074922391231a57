package app.navlo.core.grade;

import java.util.List;

/** How a course makes one grade of its work. */
public sealed interface Scheme permits PointsScheme, WeightedScheme, StandardsScheme, CompletionScheme {
    Grade grade(List<Valued> work);

    /**
     * The grade when the drops (or, in a course by standards, the evidence that counts) are those of {@code chosen}
     * instead of being chosen anew. As a function of one earned value it is then a straight line.
     */
    Grade gradeAsChosen(List<Valued> work, Grade chosen);
}

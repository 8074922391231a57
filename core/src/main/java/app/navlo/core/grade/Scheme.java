package app.navlo.core.grade;

import java.util.ArrayList;
import java.util.List;

/** How a course makes one grade of its work. */
public sealed interface Scheme permits PointsScheme, WeightedScheme, StandardsScheme, CompletionScheme {
    Grade grade(List<Valued> work);

    /** Grades {@code work} again with one piece of it changed. */
    default Regrade regrade(List<Valued> work) {
        return changed -> grade(with(changed, work)).figure();
    }

    /** All of them, with {@code changed} in the place of the one of its id, or at the end. */
    static List<Valued> with(Valued changed, List<Valued> work) {
        List<Valued> all = new ArrayList<>(work.size() + 1);
        boolean there = false;
        for (Valued one : work) {
            boolean same = one.id().equals(changed.id());
            all.add(same ? changed : one);
            there = there || same;
        }
        if (!there) {
            all.add(changed);
        }
        return all;
    }

    /**
     * The grade when the drops (or, in a course by standards, the evidence that counts) are those of {@code chosen}
     * instead of being chosen anew. As a function of one earned value it is then a straight line.
     */
    Grade gradeAsChosen(List<Valued> work, Grade chosen);
}

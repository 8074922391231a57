package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The readings of a course. Drops are chosen anew for each. Immutable. */
public record Readings(Map<Reading, Answer> answers) {
    /** @param letter null below the last row of the table, or where there is no figure */
    public record Answer(Grade grade, @Nullable String letter) {}

    public Readings {
        answers = Map.copyOf(answers);
    }

    public Answer of(Reading reading) {
        return Objects.requireNonNull(answers.get(reading));
    }

    /** Cost: each reading is one pass over the work and one choice of drops for each category. */
    public static Readings of(Scheme scheme, GradeTable table, Collection<GradedWork> works) {
        Map<Reading, Answer> answers = new EnumMap<>(Reading.class);
        for (Reading reading : Reading.values()) {
            Grade grade = scheme.grade(valued(reading, works));
            answers.put(reading, new Answer(grade, table.letter(grade.figure())));
        }
        return new Readings(answers);
    }

    /** A piece of work as a reading counts it; empty where it doesn't. */
    public static Optional<Valued> valued(Reading reading, GradedWork work) {
        return Optional.ofNullable(reading.worth(work)).map(work::valued);
    }

    static List<Valued> valued(Reading reading, Collection<GradedWork> works) {
        List<Valued> valued = new ArrayList<>(works.size());
        for (GradedWork work : works) {
            Rational worth = reading.worth(work);
            if (worth != null) {
                valued.add(work.valued(worth));
            }
        }
        return valued;
    }
}

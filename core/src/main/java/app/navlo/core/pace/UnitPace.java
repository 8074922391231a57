package app.navlo.core.pace;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How far one unit is; its counts are over required work.
 *
 * @param unit null for work that is in none
 * @param complete nothing is left and nothing out of reach
 * @param meanPercent of its scored required work; null while there is none
 * @param started the first instant at which any of its work was begun or handed in; null if none was
 */
public record UnitPace(
        @Nullable String unit,
        boolean complete,
        int done,
        int left,
        int outOfReach,
        @Nullable Rational meanPercent,
        @Nullable Instant started) {

    /** In the order in which the units are met. */
    static List<UnitPace> of(List<Paced> works) {
        Map<String, List<Paced>> byUnit = new LinkedHashMap<>();
        works.forEach(
                work -> byUnit.computeIfAbsent(Objects.requireNonNullElse(work.unit(), ""), unit -> new ArrayList<>())
                        .add(work));
        return byUnit.values().stream().map(UnitPace::ofOne).toList();
    }

    private static UnitPace ofOne(List<Paced> works) {
        List<Paced> required = works.stream().filter(Paced::required).toList();
        int done = (int) required.stream().filter(Paced::done).count();
        int left = (int) required.stream().filter(Paced::left).count();
        int out = required.size() - done - left;
        List<Rational> percents =
                required.stream().map(Paced::percent).filter(Objects::nonNull).toList();
        Rational mean = percents.isEmpty()
                ? null
                : percents.stream().reduce(Rational.ZERO, Rational::plus).dividedBy(Rational.of(percents.size()));
        Instant started = works.stream()
                .flatMap(work -> Stream.of(work.startedAt(), work.doneAt()))
                .filter(Objects::nonNull)
                .min(Instant::compareTo)
                .orElse(null);
        return new UnitPace(works.get(0).unit(), left == 0 && out == 0, done, left, out, mean, started);
    }
}

package app.navlo.core.time;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** From an instant to a later one. */
public record Stretch(Instant start, Instant endExclusive) {
    public Stretch {
        if (!start.isBefore(endExclusive)) {
            throw new IllegalArgumentException(
                    "a stretch from " + start + " ends at " + endExclusive + ", not after it");
        }
    }

    /** Empty unless the second instant is later. */
    public static Optional<Stretch> between(Instant start, Instant endExclusive) {
        return start.isBefore(endExclusive) ? Optional.of(new Stretch(start, endExclusive)) : Optional.empty();
    }

    public long minutes() {
        return Duration.between(start, endExclusive).toMinutes();
    }

    /** In order, with those that touch or overlap made one. */
    public static List<Stretch> joined(Collection<Stretch> any) {
        List<Stretch> joined = new ArrayList<>();
        any.stream().sorted(Comparator.comparing(Stretch::start)).forEach(next -> {
            int last = joined.size() - 1;
            if (last < 0 || joined.get(last).endExclusive.isBefore(next.start)) {
                joined.add(next);
            } else if (joined.get(last).endExclusive.isBefore(next.endExclusive)) {
                joined.set(last, new Stretch(joined.get(last).start, next.endExclusive));
            }
        });
        return List.copyOf(joined);
    }

    /** The parts that lie from one instant to another, in their order. */
    public static List<Stretch> within(Collection<Stretch> all, Instant from, Instant until) {
        return all.stream()
                .flatMap(one -> between(
                        one.start.isBefore(from) ? from : one.start,
                        one.endExclusive.isAfter(until) ? until : one.endExclusive)
                        .stream())
                .toList();
    }

    /** What is left of {@code all} without {@code taken}, both in order and disjoint. */
    public static List<Stretch> without(Collection<Stretch> all, Collection<Stretch> taken) {
        List<Stretch> left = new ArrayList<>();
        for (Stretch one : all) {
            Instant start = one.start;
            for (Stretch cut : within(taken, one.start, one.endExclusive)) {
                between(start, cut.start).ifPresent(left::add);
                start = cut.endExclusive;
            }
            between(start, one.endExclusive).ifPresent(left::add);
        }
        return left;
    }
}

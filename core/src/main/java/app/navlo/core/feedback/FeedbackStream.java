package app.navlo.core.feedback;

import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** All that was said about one piece of work, unread first, then newest first, with the place where it was found. */
public final class FeedbackStream {
    private FeedbackStream() {}

    /** Where it was said. */
    public enum Place {
        ON_WORK,
        CLASS_WIDE,
        IN_FILE,
        RUBRIC,
        ANSWERS,
        SENT_BACK
    }

    /**
     * @param fact which it was, by its order
     * @param text empty where a rubric was marked or answers were released without a word
     * @param unread by a teacher, and seen by nobody since it came
     */
    public record Entry(long fact, Instant at, Actor by, String name, Place place, String text, boolean unread) {}

    /** One's own words are in it, and never unread. */
    public static List<Entry> of(Collection<Fact> facts, Instant now) {
        List<Fact> known =
                facts.stream().filter(fact -> !fact.stamp().at().isAfter(now)).toList();
        if (known.stream().noneMatch(FeedbackStream::says)) {
            return List.of();
        }
        Instant seen = seen(known, now);
        List<Entry> entries = new ArrayList<>();
        known.forEach(fact -> entry(fact, seen).ifPresent(entries::add));
        entries.sort(Comparator.comparing(Entry::unread)
                .thenComparing(Entry::at)
                .thenComparing(Entry::fact)
                .reversed());
        return entries;
    }

    /** When the student last looked; {@link Instant#MIN} if never. */
    public static Instant seen(Collection<Fact> facts, Instant now) {
        return facts.stream()
                .filter(fact -> fact instanceof Fact.ReadMarked)
                .map(fact -> fact.stamp().at())
                .filter(at -> !at.isAfter(now))
                .max(Comparator.naturalOrder())
                .orElse(Instant.MIN);
    }

    private static boolean says(Fact fact) {
        return fact instanceof Fact.Commented
                || fact instanceof Fact.SentBack
                || fact instanceof Fact.RubricMarked
                || fact instanceof Fact.AnswersReleased;
    }

    private static Optional<Entry> entry(Fact fact, Instant seen) {
        if (fact instanceof Fact.Commented said) {
            Place place = said.inFile() ? Place.IN_FILE : said.isPrivate() ? Place.ON_WORK : Place.CLASS_WIDE;
            return Optional.of(entry(fact, place, said.text(), seen));
        }
        if (fact instanceof Fact.SentBack sentBack) {
            return Optional.of(entry(fact, Place.SENT_BACK, sentBack.reason(), seen));
        }
        if (fact instanceof Fact.AnswersReleased) {
            return Optional.of(entry(fact, Place.ANSWERS, "", seen));
        }
        return fact instanceof Fact.RubricMarked ? Optional.of(entry(fact, Place.RUBRIC, "", seen)) : Optional.empty();
    }

    private static Entry entry(Fact fact, Place place, String text, Instant seen) {
        Stamp stamp = fact.stamp();
        Instant came = stamp.learnt().isAfter(stamp.at()) ? stamp.learnt() : stamp.at();
        boolean unread = stamp.by() == Actor.TEACHER && came.isAfter(seen);
        return new Entry(stamp.order(), stamp.at(), stamp.by(), stamp.name(), place, text, unread);
    }
}

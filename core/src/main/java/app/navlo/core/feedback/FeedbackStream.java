package app.navlo.core.feedback;

import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

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
     * @param asks whether it is a question
     * @param unread by a teacher, and come since the student last looked
     */
    public record Entry(
            long fact, Instant at, Actor by, String name, Place place, String text, boolean asks, boolean unread) {}

    /** One's own words are in it, and never unread. */
    public static List<Entry> of(Collection<Fact> facts, Instant now) {
        List<Fact> words = facts.stream()
                .filter(fact -> place(fact) != null)
                .filter(fact -> !fact.stamp().at().isAfter(now))
                .toList();
        if (words.isEmpty()) {
            return List.of();
        }
        Instant seen = seen(facts, now);
        return words.stream()
                .map(fact -> entry(fact, seen))
                .sorted(Comparator.comparing(Entry::unread)
                        .thenComparing(Entry::at)
                        .thenComparing(Entry::fact)
                        .reversed())
                .toList();
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

    /** Null for what says nothing. */
    private static @Nullable Place place(Fact fact) {
        if (fact instanceof Fact.Commented said) {
            return said.inFile() ? Place.IN_FILE : said.isPrivate() ? Place.ON_WORK : Place.CLASS_WIDE;
        }
        if (fact instanceof Fact.SentBack) {
            return Place.SENT_BACK;
        }
        if (fact instanceof Fact.AnswersReleased) {
            return Place.ANSWERS;
        }
        return fact instanceof Fact.RubricMarked ? Place.RUBRIC : null;
    }

    private static String text(Fact fact) {
        if (fact instanceof Fact.Commented said) {
            return said.text();
        }
        return fact instanceof Fact.SentBack sentBack ? sentBack.reason() : "";
    }

    private static Entry entry(Fact fact, Instant seen) {
        Stamp stamp = fact.stamp();
        Instant came = stamp.learnt().isAfter(stamp.at()) ? stamp.learnt() : stamp.at();
        boolean unread = stamp.by() == Actor.TEACHER && came.isAfter(seen);
        Place place = Objects.requireNonNull(place(fact));
        boolean asks = fact instanceof Fact.Commented said && said.isQuestion();
        return new Entry(stamp.order(), stamp.at(), stamp.by(), stamp.name(), place, text(fact), asks, unread);
    }
}

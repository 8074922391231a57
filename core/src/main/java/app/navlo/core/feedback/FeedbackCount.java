package app.navlo.core.feedback;

import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How much a teacher has said about one piece of work. One's own words are never counted.
 *
 * @param count everything of the {@link FeedbackStream} that is by a teacher
 * @param unread of them, those that the student hasn't looked at
 * @param latestBy who spoke last; null exactly when {@code count} is 0
 */
public record FeedbackCount(int count, int unread, @Nullable String latestBy) {
    private static final FeedbackCount NOTHING = new FeedbackCount(0, 0, null);

    public static FeedbackCount of(Collection<Fact> facts, Instant now) {
        List<FeedbackStream.Entry> words = FeedbackStream.of(facts, now).stream()
                .filter(entry -> entry.by() == Actor.TEACHER)
                .toList();
        return words.stream()
                .max(Comparator.comparing(FeedbackStream.Entry::at).thenComparing(FeedbackStream.Entry::fact))
                .map(latest -> new FeedbackCount(words.size(), unread(words), latest.name()))
                .orElse(NOTHING);
    }

    private static int unread(List<FeedbackStream.Entry> words) {
        return (int) words.stream().filter(FeedbackStream.Entry::unread).count();
    }
}

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
 * @param count comments and reasons of send-backs, by teachers
 * @param unread of them, those learnt after the student last looked
 * @param latestBy who spoke last; null exactly when {@code count} is 0
 */
public record FeedbackCount(int count, int unread, @Nullable String latestBy) {
    public static FeedbackCount of(Collection<Fact> facts, Instant now) {
        Instant seen = facts.stream()
                .filter(fact ->
                        fact instanceof Fact.ReadMarked && !fact.stamp().at().isAfter(now))
                .map(fact -> fact.stamp().at())
                .max(Comparator.naturalOrder())
                .orElse(Instant.MIN);
        List<Fact> words = facts.stream()
                .filter(fact -> fact instanceof Fact.Commented || fact instanceof Fact.SentBack)
                .filter(fact -> fact.stamp().by() == Actor.TEACHER)
                .filter(fact -> !fact.stamp().at().isAfter(now))
                .sorted(Comparator.comparing(fact -> fact.stamp().at()))
                .toList();
        int unread = (int) words.stream()
                .filter(fact -> fact.stamp().learnt().isAfter(seen))
                .count();
        String latestBy =
                words.isEmpty() ? null : words.get(words.size() - 1).stamp().name();
        return new FeedbackCount(words.size(), unread, latestBy);
    }
}

package app.navlo.core.feedback;

import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How much a teacher has said about one piece of work. One's own words are never counted.
 *
 * @param count everything of the {@link FeedbackStream} that is by a teacher
 * @param unread of them, those that the student hasn't looked at
 * @param latestBy who spoke last; null exactly when {@code count} is 0
 * @param waits whether a word of the student's own waits for an answer: it came after all of the teacher's, and asks something or is
 *     the first that was said
 */
public record FeedbackCount(int count, int unread, @Nullable String latestBy, boolean waits) {
    private static final Comparator<FeedbackStream.Entry> LATER =
            Comparator.comparing(FeedbackStream.Entry::at).thenComparing(FeedbackStream.Entry::fact);

    private static final FeedbackCount NOTHING = new FeedbackCount(0, 0, null, false);

    public static FeedbackCount of(Collection<Fact> facts, Instant now) {
        List<FeedbackStream.Entry> all = FeedbackStream.of(facts, now);
        List<FeedbackStream.Entry> words =
                all.stream().filter(entry -> entry.by() == Actor.TEACHER).toList();
        Optional<FeedbackStream.Entry> own = latest(all.stream().filter(entry -> entry.by() == Actor.STUDENT));
        Optional<FeedbackStream.Entry> theirs = latest(words.stream());
        if (own.isEmpty() && theirs.isEmpty()) {
            return NOTHING;
        }
        boolean waits = own.isPresent()
                && (theirs.isEmpty()
                        || (LATER.compare(own.get(), theirs.get()) > 0
                                && own.get().asks()));
        return new FeedbackCount(
                words.size(),
                unread(words),
                theirs.map(FeedbackStream.Entry::name).orElse(null),
                waits);
    }

    private static Optional<FeedbackStream.Entry> latest(Stream<FeedbackStream.Entry> words) {
        return words.max(LATER);
    }

    private static int unread(List<FeedbackStream.Entry> words) {
        return (int) words.stream().filter(FeedbackStream.Entry::unread).count();
    }
}

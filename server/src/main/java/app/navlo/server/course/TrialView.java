package app.navlo.server.course;

import app.navlo.core.grade.Reading;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What rules do: to an example, and to the course as it stands. Sentences are whole; numbers are decimals.
 *
 * @param policy what lateness costs, in one sentence
 * @param late the example, in one sentence
 * @param steps what is kept of the example's points by when it is handed in; the last step ends with acceptance
 * @param soon when the example's due begins to be soon
 * @param extension null where the course gives none
 * @param tokens null where the course has none
 * @param shares of the categories; empty where the scheme has none
 * @param nowhere titles of work that names no category, or no standard, of the scheme, and so counts nowhere
 * @param readings before and after
 * @param letters how a figure just under the highest boundary is judged; null without letters
 * @param locked how many pieces of work that are open now would be shut
 */
public record TrialView(
        Instant exampleDue,
        String policy,
        String late,
        List<StepView> steps,
        String soon,
        @Nullable String extension,
        @Nullable String tokens,
        List<ShareView> shares,
        List<String> nowhere,
        List<ReadingChange> readings,
        @Nullable String letters,
        int locked) {

    /** @param until the last instant at which {@code kept} is kept; null for always */
    public record StepView(@Nullable Instant until, String kept) {}

    /**
     * One category or standard in the reading so far.
     *
     * @param figure percent, or rating 0–4; null where nothing counts yet
     * @param weight percent of the whole that it counts for now; null where it has none
     * @param dropped titles of what is dropped
     */
    public record ShareView(
            String name, @Nullable String figure, @Nullable String weight, int counted, List<String> dropped) {}

    public record ReadingChange(
            Reading reading,
            @Nullable String before,
            @Nullable String after,
            @Nullable String letterBefore,
            @Nullable String letterAfter) {}
}

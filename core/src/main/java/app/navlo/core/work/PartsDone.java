package app.navlo.core.work;

import org.jspecify.annotations.Nullable;

/** How many of a discussion's parts are there. More posts than wanted don't stand in for replies. */
public record PartsDone(int done, int of, int postsLeft, int repliesLeft) {
    static @Nullable PartsDone of(WorkItem item, WorkHistory life) {
        WorkItem.Parts wanted = item.parts();
        if (wanted == null) {
            return null;
        }
        int postsLeft = Math.max(0, wanted.posts() - life.posts());
        int repliesLeft = Math.max(0, wanted.replies() - life.replies());
        return new PartsDone(wanted.total() - postsLeft - repliesLeft, wanted.total(), postsLeft, repliesLeft);
    }
}

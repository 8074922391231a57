package app.navlo.server.news;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param key by which it is marked
 * @param at since when it can be seen here; the order goes by that
 * @param happened when it happened
 * @param courseId null for what is of a school, or of several
 * @param workId null for what belongs to no piece of work
 * @param title of the work, the announcement or the change
 * @param by who did or said it; empty where nobody is named
 * @param words what happened, in a line; empty where the title says it
 * @param body what was said; empty for nothing
 * @param address of a page that belongs to it; null for none
 * @param isNew whether this reader hasn't seen it
 */
public record NewsItem(
        String key,
        NewsKind kind,
        Instant at,
        Instant happened,
        @Nullable Long courseId,
        @Nullable Long workId,
        String title,
        String by,
        String words,
        String body,
        @Nullable String address,
        boolean isNew) {
    NewsItem as(boolean fresh) {
        return new NewsItem(key, kind, at, happened, courseId, workId, title, by, words, body, address, fresh);
    }
}

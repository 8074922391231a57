package app.navlo.server.news;

import java.time.Instant;
import java.util.List;

/**
 * @param now when it was read: everything until then can be marked as seen
 * @param fresh how many are new
 * @param items those that are new first, then what was seen in the last days; each newest first
 */
public record NewsView(Instant now, int fresh, List<NewsItem> items) {}

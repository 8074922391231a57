package app.navlo.server.imports;

import app.navlo.formats.told.SourceSnapshot;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * What a link answered.
 *
 * @param told null where nothing has changed since it was last asked
 * @param whole whether {@code told} is all that there is, so that what isn't in it is gone
 * @param deeds that it tells of one by one, in order; empty for a link that tells states only
 * @param announcements of courses and of the school
 * @param upTo where it goes on from; null for a link that tells all of it each time
 * @param tag to be shown when it is asked again; null for none
 */
public record SyncDelta(
        @Nullable SourceSnapshot told,
        boolean whole,
        List<ToldDeed> deeds,
        List<ToldAnnouncement> announcements,
        @Nullable String upTo,
        @Nullable String tag) {
    /**
     * @param key that names it at its source
     * @param kind in the words of the hand-in box
     */
    public record ToldDeed(String key, Instant at, String kind, String item, String by, JsonNode body) {}

    /**
     * @param key that names it at its source
     * @param course by its key there; null for the school's own
     * @param lastDay after which nobody needs it; null for none
     * @param address of a page that belongs to it; null for none
     */
    public record ToldAnnouncement(
            String key,
            @Nullable String course,
            Instant at,
            String by,
            String title,
            String text,
            @Nullable LocalDate lastDay,
            @Nullable String address) {}

    /** Of a source that announces nothing. */
    public SyncDelta(
            @Nullable SourceSnapshot told,
            boolean whole,
            List<ToldDeed> deeds,
            @Nullable String upTo,
            @Nullable String tag) {
        this(told, whole, deeds, List.of(), upTo, tag);
    }

    public SyncDelta {
        announcements = List.copyOf(announcements);
        deeds = List.copyOf(deeds);
    }

    public static SyncDelta unchanged(@Nullable String upTo, @Nullable String tag) {
        return new SyncDelta(null, false, List.of(), upTo, tag);
    }
}

package app.navlo.server.hours;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param host of the feed; null for a file. The rest of the address may be a secret.
 * @param toldAt when it last told something
 * @param fault why it couldn't be read the last time; null if it could
 * @param next of its times, the first few
 */
public record BusyCalendarView(
        long id,
        String name,
        @Nullable String host,
        @Nullable Instant toldAt,
        @Nullable String fault,
        int times,
        List<BusyTimeView> next) {}

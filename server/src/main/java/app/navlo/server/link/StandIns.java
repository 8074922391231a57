package app.navlo.server.link;

import app.navlo.school.calendar.CalendarShelf;
import org.jspecify.annotations.Nullable;

/**
 * What stands in for the world outside in the demo; closed with the server.
 *
 * @param calendars feeds on this machine, which may be fetched; null outside the demo
 */
public record StandIns(@Nullable CalendarShelf calendars) implements AutoCloseable {
    /** The address of a feed to try; null outside the demo. */
    public @Nullable String busyFeed() {
        return calendars == null ? null : calendars.address(CalendarShelf.ROWING);
    }

    boolean allows(String address) {
        return calendars != null && address.startsWith(calendars.address(""));
    }

    @Override
    public void close() {
        if (calendars != null) {
            calendars.close();
        }
    }
}

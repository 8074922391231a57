package app.navlo.server.http;

import app.navlo.school.calendar.CalendarShelf;
import app.navlo.school.college.CollegeServer;
import org.jspecify.annotations.Nullable;

/**
 * What stands in for the world outside in the demo; closed with the server.
 *
 * @param calendars feeds on this machine, which may be fetched; null outside the demo
 * @param college the simulated school; null outside the demo
 */
public record StandIns(
        @Nullable CalendarShelf calendars, @Nullable CollegeServer college) implements AutoCloseable {
    /** The addresses that the demo's links are stored with: the port of a stand-in is another at each start. */
    private static final String HERE = "stand-in:";

    public static final String SITE = HERE + "/site/v1/";
    public static final String GRADEBOOK = HERE + "/gradebook/oneroster.zip";

    /** The page of a piece of work at the simulated school. */
    public static String place(String key) {
        return HERE + CollegeServer.place(key);
    }

    /** The address of a feed to try; null outside the demo. */
    public @Nullable String busyFeed() {
        return calendars == null ? null : calendars.address(CalendarShelf.ROWING);
    }

    /** Where the simulated school can be looked at; null outside the demo. */
    public @Nullable String school() {
        return college == null ? null : college.address() + "/";
    }

    /** The address itself, or that of the stand-in that it speaks of. */
    public String resolve(String address) {
        return college != null && address.startsWith(HERE)
                ? college.address() + address.substring(HERE.length())
                : address;
    }

    /** An address that a browser can be led to; null for none, and for one that isn't of a page. */
    public @Nullable String page(@Nullable String address) {
        String there = address == null ? "" : resolve(address);
        return there.matches("(?i)https?://\\S+") ? there : null;
    }

    boolean allows(String address) {
        return (calendars != null && address.startsWith(calendars.address("")))
                || (college != null && address.startsWith(college.address() + "/"));
    }

    @Override
    public void close() {
        if (calendars != null) {
            calendars.close();
        }
        if (college != null) {
            college.close();
        }
    }
}

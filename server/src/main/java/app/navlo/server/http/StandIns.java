package app.navlo.server.http;

import app.navlo.school.calendar.CalendarShelf;
import app.navlo.school.college.CollegeServer;
import app.navlo.school.college.School;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What stands in for the world outside in the demo; closed with the server.
 *
 * @param calendars feeds on this machine, which may be fetched; null outside the demo
 * @param schools the simulated ones; none outside the demo
 */
public record StandIns(@Nullable CalendarShelf calendars, Map<School, CollegeServer> schools) implements AutoCloseable {
    /** The addresses that the demo's links are stored with: the port of a stand-in is another at each start. */
    private static final String HERE = "stand-in:";

    private static final Pattern STORED = Pattern.compile("^" + HERE + "([a-z]*)(/.*)$");

    /** Whether an address is of a stand-in, and leads nowhere but in a demo. */
    public static boolean isOne(String address) {
        return STORED.matcher(address).matches();
    }

    public static String site(School school) {
        return HERE + school.key() + "/site/v1/";
    }

    public static String gradebook(School school) {
        return HERE + school.key() + "/gradebook/oneroster.zip";
    }

    /** The page of a piece of work at a simulated school. */
    public static String place(School school, String key) {
        return HERE + school.key() + CollegeServer.place(key);
    }

    /** The first of the schools; null outside the demo. */
    public @Nullable CollegeServer college() {
        return schools.get(School.THORNMERE);
    }

    /** The address of a feed to try; null outside the demo. */
    public @Nullable String busyFeed() {
        return calendars == null ? null : calendars.address(CalendarShelf.ROWING);
    }

    /** Where the simulated school can be looked at; null outside the demo. */
    public @Nullable String school() {
        CollegeServer college = college();
        return college == null ? null : college.address() + "/";
    }

    /** The address itself, or that of the stand-in that it speaks of. */
    public String resolve(String address) {
        Matcher stored = STORED.matcher(address);
        if (!stored.matches()) {
            return address;
        }
        return schools.entrySet().stream()
                .filter(school -> school.getKey().key().equals(stored.group(1)))
                .map(school -> school.getValue().address() + stored.group(2))
                .findFirst()
                .orElse(address);
    }

    /** An address that a browser can be led to; null for none, and for one that isn't of a page. */
    public @Nullable String page(@Nullable String address) {
        String there = address == null ? "" : resolve(address);
        return there.matches("(?i)https?://\\S+") ? there : null;
    }

    boolean allows(String address) {
        return (calendars != null && address.startsWith(calendars.address("")))
                || schools.values().stream().anyMatch(school -> address.startsWith(school.address() + "/"));
    }

    @Override
    public void close() {
        if (calendars != null) {
            calendars.close();
        }
        schools.values().forEach(CollegeServer::close);
    }
}

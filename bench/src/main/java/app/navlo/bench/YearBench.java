package app.navlo.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/**
 * What lies about after a year of one student, with and without the rounds that sweep it out. Each day they sign in anew, put a file up
 * and take it down again, look at a calendar that they don't take in, and every third day hand something in. A month is done in a
 * moment; then all that has a time is made a month older.
 */
final class YearBench {
    private static final int MONTHS = 12;
    private static final int DAYS = 30;
    private static final int EVERY = 3;
    private static final int DRAFT_BYTES = 100_000;
    private static final int HAND_IN_BYTES = 50_000;
    /** In which everything is swept twice: contents go in the round after the one that found nobody naming them. */
    private static final int SWEEPING_SECONDS = 6;

    private static final Map<String, String> SWEPT = Map.of(
            "NAVLO_SWEEPING_FIRST",
            "1s",
            "NAVLO_SWEEPING_ROUND",
            "2s",
            "SPRING_SESSION_JDBC_CLEANUP_CRON",
            "*/2 * * * * *");
    private static final Map<String, String> UNSWEPT =
            Map.of("NAVLO_SWEEPING_FIRST", "9999d", "SPRING_SESSION_JDBC_CLEANUP_CRON", "-");

    private static final List<String> OLDER = List.of(
            "UPDATE write_once SET at = DATEADD('DAY', -30, at)",
            "UPDATE calendar_file SET read_at = DATEADD('DAY', -30, read_at)",
            "UPDATE spring_session SET expiry_time = expiry_time - 2592000000, last_access_time = last_access_time - 2592000000");

    private final Random random = new Random(1);
    private final Path data = Files.createTempDirectory("navlo-bench");
    private final Map<String, String> environment;

    private YearBench(Map<String, String> environment) throws IOException {
        this.environment = environment;
    }

    static void run() throws Exception {
        System.out.println(
                "after a year of one student               rows: writes remembered, sign-ins, calendars looked at,"
                        + " contents of files; MB in all");
        new YearBench(UNSWEPT).say("nothing swept out");
        new YearBench(SWEPT).say("swept out in rounds");
    }

    private void say(String what) throws Exception {
        Map<String, Long> rows = year();
        System.out.printf(
                Locale.ROOT, "%-30s %s, %.1f MB%n", what, rows, Files.size(data.resolve("navlo.mv.db")) / 1e6);
    }

    private Path database() {
        return data.resolve("navlo");
    }

    private Map<String, Long> year() throws Exception {
        long drafts = 0;
        for (int month = 0; month < MONTHS; month++) {
            try (Running navlo = Running.on(data, environment, "start")) {
                if (month == 0) {
                    Client first = Client.first(navlo.address());
                    drafts = first.add(first.addCourse(1), "Drafts", "null", "null");
                }
                for (int day = 0; day < DAYS; day++) {
                    day(navlo.address(), drafts, month * DAYS + day);
                }
                navlo.stop();
            }
            for (String sql : OLDER) {
                Stored.sql(database(), sql);
            }
            Files.deleteIfExists(data.resolve("navlo.seal"));
            try (Running navlo = Running.on(data, environment, "start")) {
                TimeUnit.SECONDS.sleep(SWEEPING_SECONDS);
                navlo.stop();
            }
        }
        return found();
    }

    /** A file that begins as a PDF does, and is like no other. */
    private byte[] pdf(int bytes) {
        byte[] content = new byte[bytes];
        random.nextBytes(content);
        byte[] head = "%PDF-1.4\n".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, content, 0, head.length);
        return content;
    }

    private void day(String address, long drafts, int day) throws IOException, InterruptedException {
        Client ida = new Client(address, "ida@example.org", "a-long-password");
        ida.throwAway(drafts, pdf(DRAFT_BYTES));
        String calendar =
                "BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:%d\nSUMMARY:Day %d\nDTSTART;VALUE=DATE:20270105\nEND:VEVENT\nEND:VCALENDAR\n";
        ida.look("day.ics", calendar.formatted(day, day).getBytes(StandardCharsets.UTF_8));
        if (day % EVERY == 0) {
            ida.handIn(ida.add(1, "Day " + day, "20", "null"), "day.pdf", pdf(HAND_IN_BYTES));
        }
    }

    private Map<String, Long> found() throws SQLException {
        Map<String, Long> found = new LinkedHashMap<>();
        for (String table : List.of("write_once", "spring_session", "calendar_file", "stored_file")) {
            found.put(table, Stored.number(database(), "SELECT COUNT(*) FROM " + table));
        }
        return found;
    }
}

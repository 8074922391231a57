package app.navlo.core.reminder;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** When nobody is to be disturbed, and what is told before. */
public class QuietHoursTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(ZONE).toInstant();
    }

    private static QuietHours quiet(String from, String until) {
        return new QuietHours(LocalTime.parse(from), LocalTime.parse(until));
    }

    @DataProvider
    public static Object[][] times() {
        return new Object[][] {
            {"22:00", "07:00", "2026-11-24T21:59:59", false},
            {"22:00", "07:00", "2026-11-24T22:00", true},
            {"22:00", "07:00", "2026-11-24T23:59", true},
            {"22:00", "07:00", "2026-11-25T00:00", true},
            {"22:00", "07:00", "2026-11-25T06:59", true},
            {"22:00", "07:00", "2026-11-25T07:00", false},
            {"08:00", "15:00", "2026-11-24T07:59", false},
            {"08:00", "15:00", "2026-11-24T08:00", true},
            {"08:00", "15:00", "2026-11-24T15:00", false},
            {"00:00", "00:00", "2026-11-24T03:00", false},
            {"12:00", "12:00", "2026-11-24T12:00", false},
        };
    }

    @Test(dataProvider = "times")
    public void itHoldsFromItsBeginningToBeforeItsEnd(String from, String until, String local, boolean holds) {
        assertEquals(quiet(from, until).hold(at(local), ZONE), holds);
    }

    @DataProvider
    public static Object[][] moved() {
        return new Object[][] {
            {"22:00", "07:00", "2026-11-24T18:00", "2026-11-24T18:00"},
            {"22:00", "07:00", "2026-11-24T23:30", "2026-11-24T21:45"},
            {"22:00", "07:00", "2026-11-25T05:00", "2026-11-24T21:45"},
            {"08:00", "15:00", "2026-11-24T09:00", "2026-11-24T07:45"},
            {"01:00", "07:00", "2026-11-25T05:00", "2026-11-25T00:45"},
            // Hardly any time in which a word may come.
            {"16:21", "16:20", "2026-11-24T12:00", "2026-11-23T16:20"},
            {"16:25", "16:20", "2026-11-24T18:00", "2026-11-24T16:20"},
            {"00:05", "23:55", "2026-11-24T12:00", "2026-11-23T23:55"},
            // The night in which the clock goes forward, and the one in which it goes back.
            {"22:00", "07:00", "2026-03-29T04:00", "2026-03-28T21:45"},
            {"02:30", "07:00", "2026-03-29T04:00", "2026-03-29T01:45"},
            {"22:00", "07:00", "2026-10-25T04:00", "2026-10-24T21:45"},
        };
    }

    @Test(dataProvider = "moved")
    public void aWordComesBeforeItGetsQuiet(String from, String until, String local, String told) {
        assertEquals(quiet(from, until).atOrBefore(at(local), ZONE), at(told));
    }

    /** Whatever the hours: a word is never told in them, and never later than it was meant. */
    @Test
    public void noWordIsToldInThem() {
        Random random = new Random(11);
        for (int i = 0; i < 2_000; i++) {
            QuietHours quiet = new QuietHours(
                    LocalTime.of(random.nextInt(24), random.nextInt(60)),
                    LocalTime.of(random.nextInt(24), random.nextInt(60)));
            Instant meant = at("2026-03-27T00:00").plus(Duration.ofMinutes(random.nextInt(5 * 24 * 60)));
            Instant told = quiet.atOrBefore(meant, ZONE);
            assertFalse(told.isAfter(meant));
            assertFalse(quiet.hold(told, ZONE), quiet + " " + meant + " " + told);
        }
    }
}

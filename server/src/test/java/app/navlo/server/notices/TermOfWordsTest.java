package app.navlo.server.notices;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.reminder.QuietHours;
import app.navlo.server.TestSettings;
import app.navlo.server.store.Notices;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.IsoFields;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The rest of the demo's term, looked at every hour, by each reader at other minutes of it: what is told, when, and how much of it. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
public class TermOfWordsTest extends AbstractTestNGSpringContextTests {
    private static final Instant FROM = Instant.parse("2026-11-24T15:20:00Z");
    private static final Duration ROUND = Duration.ofHours(1);
    private static final Duration APART = Duration.ofMinutes(20);
    private static final int DAYS = 35;
    private static final String ZONE = "Europe/Copenhagen";
    private static final int MOST_A_WEEK = 45;

    @Autowired
    private WordsToTell words;

    private static Notices.Reader reader(long person, String from, String until) {
        return new Notices.Reader(
                person,
                "Somebody",
                "somebody@example.org",
                ZONE,
                new Notices.Choice(
                        true,
                        true,
                        true,
                        DayOfWeek.SUNDAY,
                        LocalTime.parse(from),
                        LocalTime.parse(until),
                        Instant.EPOCH,
                        FROM));
    }

    @DataProvider
    public static Object[][] readers() {
        return new Object[][] {{1L, "22:00", "07:00"}, {2L, "20:30", "09:00"}, {3L, "00:00", "00:00"}};
    }

    @Test(dataProvider = "readers")
    public void nothingIsToldAfterItsLossNorWhileItIsQuiet(long person, String from, String until) {
        Notices.Reader reader = reader(person, from, until);
        QuietHours quiet =
                new QuietHours(reader.choice().quietFrom(), reader.choice().quietUntil());
        Set<String> told = new HashSet<>();
        Map<Integer, Integer> byWeek = new TreeMap<>();
        Map<Word.Kind, Integer> kinds = new HashMap<>();
        Instant first = FROM.plus(APART.multipliedBy(person - 1));
        for (Instant now = first; now.isBefore(FROM.plus(Duration.ofDays(DAYS))); now = now.plus(ROUND)) {
            for (Word word : words.standing(reader, now)) {
                assertFalse(quiet.hold(now, ZoneId.of(ZONE)), word + " at " + now);
                if (word.kind() == Word.Kind.LOSS) {
                    Instant loss = Instant.parse(word.key().substring(word.key().lastIndexOf(' ') + 1));
                    assertTrue(now.isBefore(loss), word + " at " + now);
                }
                if (told.add(word.student() + " " + word.key())) {
                    kinds.merge(word.kind(), 1, Integer::sum);
                    int week = now.atZone(ZoneId.of(ZONE)).get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
                    byWeek.merge(week, now.equals(first) ? 0 : 1, Integer::sum);
                }
            }
        }
        assertTrue(kinds.getOrDefault(Word.Kind.LOSS, 0) > 0, kinds.toString());
        assertEquals(kinds.get(Word.Kind.WEEK), Integer.valueOf(person == 2 ? 10 : 5), "each Sunday, of each student");
        // The first look finds all that stands. Nothing is ever done here: whoever does some of it is told less.
        byWeek.forEach((week, many) -> assertTrue(many <= MOST_A_WEEK, week + ": " + many));
    }
}

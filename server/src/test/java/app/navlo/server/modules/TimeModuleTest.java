package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import app.navlo.core.reason.Sentences;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Dates and spans as they stand on screen, at the ends of days and where clocks change. */
public class TimeModuleTest extends Modules {
    @AfterMethod
    public void asUsual() {
        say("time.setFormats({ hour12: false, dateOrder: 'DAY_FIRST', firstWeekday: 1 })");
    }

    @DataProvider
    public static Object[][] spans() {
        return new Object[][] {
            {"time.span(0)", "0 min"},
            {"time.span(59.9)", "59 min"},
            {"time.span(60)", "1 h"},
            {"time.span(65)", "1 h 05"},
            {"time.span(24 * 60)", "1 d"},
            {"time.span(31 * 60)", "1 d 7 h"},
            {"time.span(49 * 60)", "2 d"},
            {"time.span(-5)", "0 min"},
            {"time.roughSpan(59)", "59 min"},
            {"time.roughSpan(23 * 60 + 59)", "23 h"},
            {"time.roughSpan(49 * 60)", "2 d"},
            {"time.lateSpan(30)", "30 min"},
            {"time.lateSpan(49 * 60)", "49 h"},
            {"time.lateSpan(119 * 60)", "119 h"},
            {"time.lateSpan(120 * 60)", "5 d"},
        };
    }

    @Test(dataProvider = "spans")
    public void aSpanIsSaidInTheUnitsThatMatter(String expression, String words) {
        assertEquals(say(expression), words);
    }

    @DataProvider
    public static Object[][] instants() {
        return new Object[][] {
            {"time.near('2026-11-24T17:00:00Z', ZONE, NOW)", "today 18:00"},
            {"time.near('2026-11-24T23:00:00Z', ZONE, NOW)", "today"},
            {"time.near('2026-11-25T08:00:00Z', ZONE, NOW)", "tomorrow 09:00"},
            {"time.near('2026-11-23T09:00:00Z', ZONE, NOW)", "yesterday 10:00"},
            {"time.near('2026-11-27T16:00:00Z', ZONE, NOW)", "Fri 27 Nov 17:00"},
            {"time.nearStart('2026-11-24T23:00:00Z', ZONE, NOW)", "tomorrow"},
            {"time.nearDate('2026-11-27T16:00:00Z', ZONE, NOW)", "Fri 27 Nov"},
            {"time.instantWords('2026-11-27T23:00:00Z', ZONE, NOW)", "the end of Fri 27 Nov"},
            {"time.instantWords('2026-11-27T16:00:00Z', ZONE, NOW)", "Fri 27 Nov 17:00"},
            {"time.exact('2026-11-22T23:00:00Z', ZONE)", "the end of Sun 22 Nov 2026"},
            {"time.exact('2026-11-22T22:59:07Z', ZONE)", "Sun 22 Nov 2026 23:59:07"},
            {"time.day('2026-11-24T23:30:00Z', ZONE)", "Wed 25 Nov"},
            {"time.moment('2026-07-01T10:00:00Z', ZONE)", "Wed 1 Jul 12:00"},
            {"time.dateWords('2026-11-24')", "Tue 24 Nov"},
            {"time.monthWords('2026-11')", "November 2026"},
            {"time.dateParts('2026-11-24')", "{\"weekday\":\"Tu\",\"number\":24}"},
            {"time.addDays('2026-12-30', 3)", "2027-01-02"},
            {"time.localDate(Date.parse('2026-11-24T23:30:00Z'), ZONE)", "2026-11-25"},
            {"time.localTime(Date.parse('2026-11-24T23:30:00Z'), ZONE)", "00:30"},
        };
    }

    @Test(dataProvider = "instants")
    public void anInstantIsSaidAsOneWouldAndMidnightIsTheEndOfItsDay(String expression, String words) {
        assertEquals(say(expression), words);
    }

    @DataProvider
    public static Object[][] clockChanges() {
        return new Object[][] {
            {"time.instantIn('2026-11-24T16:20', ZONE)", "2026-11-24T15:20:00.000Z"},
            {"time.instantIn('2026-07-01T00:00', ZONE)", "2026-06-30T22:00:00.000Z"},
            // 2:30 isn't there on 29 March, and comes twice on 25 October.
            {"time.instantIn('2026-03-29T02:30', ZONE)", "2026-03-29T01:30:00.000Z"},
            {"time.instantIn('2026-10-25T02:30', ZONE)", "2026-10-25T00:30:00.000Z"},
            {"time.instantIn('2026-10-25T03:30', ZONE)", "2026-10-25T02:30:00.000Z"},
            {"time.instantIn('', ZONE)", "null"},
            {"time.instantIn('2026-11-24', ZONE)", "null"},
            {"time.near('2026-10-25T00:30:00Z', ZONE, Date.parse('2026-10-25T01:30:00Z'))", "today 02:30"},
            {"time.near('2026-10-25T23:00:00Z', ZONE, Date.parse('2026-10-25T01:30:00Z'))", "today"},
        };
    }

    @Test(dataProvider = "clockChanges")
    public void hoursThatAreSkippedAndHoursThatComeTwiceHaveAnInstant(String expression, String instant) {
        assertEquals(say(expression), instant);
    }

    @DataProvider
    public static Object[][] formats() {
        return new Object[][] {
            {"true, 'MONTH_FIRST'", "time.near('2026-11-27T16:00:00Z', ZONE, NOW)", "Fri Nov 27 5:00 pm"},
            {"true, 'MONTH_FIRST'", "time.near('2026-11-24T11:00:00Z', ZONE, NOW)", "today 12:00 pm"},
            {"true, 'DAY_FIRST'", "time.timeWords('2026-11-24T23:05:00Z', ZONE)", "12:05 am"},
            {"true, 'DAY_FIRST'", "time.timeWords(Date.parse('2026-11-24T23:05:00Z'), ZONE)", "12:05 am"},
            {"false, 'DAY_FIRST'", "time.fromTo('2026-11-24T07:00:00Z', '2026-11-24T08:30:00Z', ZONE)", "08:00–09:30"},
            {"true, 'DAY_FIRST'", "time.fromTo('2026-11-24T07:00:00Z', '2026-11-24T08:30:00Z', ZONE)", "8:00–9:30 am"},
            {
                "true, 'DAY_FIRST'",
                "time.fromTo('2026-11-24T10:00:00Z', '2026-11-24T11:30:00Z', ZONE)",
                "11:00 am–12:30 pm"
            },
            {
                "true, 'DAY_FIRST'",
                "time.fromTo('2026-11-24T21:00:00Z', '2026-11-24T23:00:00Z', ZONE)",
                "10:00 pm–12:00 am"
            },
            {"false, 'DAY_FIRST'", "time.hourMark('16:00')", "16:00"},
            {"true, 'DAY_FIRST'", "time.hourMark('16:00')", "4 pm"},
            {"true, 'DAY_FIRST'", "time.hourMark('12:00')", "12 pm"},
            {"true, 'DAY_FIRST'", "time.fieldTime('24:00')", "12:00 am"},
            {"true, 'DAY_FIRST'", "time.hourMark('00:30')", "12:30 am"},
            {"true, 'DAY_FIRST'", "time.nearDate('2026-11-27T16:00:00Z', ZONE, NOW)", "Fri 27 Nov"},
            {"true, 'DAY_FIRST'", "time.fieldTime('16:20:00')", "4:20 pm"},
            {"false, 'YEAR_FIRST'", "time.day('2026-11-27T16:00:00Z', ZONE)", "Fri Nov 27"},
            {"false, 'DAY_FIRST'", "time.asRead('Due Fri 27 Nov 17:00')", "Due Fri 27 Nov 17:00"},
            {"true, 'DAY_FIRST'", "time.asRead('Due Fri 27 Nov 17:00')", "Due Fri 27 Nov 5:00 pm"},
            {
                "true, 'MONTH_FIRST'",
                "time.asRead('From Sun 1 Nov 00:05 on; by the end of Wed 18 Nov, then 18 of 20 at 40 %')",
                "From Sun Nov 1 12:05 am on; by the end of Wed Nov 18, then 18 of 20 at 40 %"
            },
            {"true, 'MONTH_FIRST'", "time.asRead(time.asRead('Fri 27 Nov 12:30'))", "Fri Nov 27 12:30 pm"},
            {"true, 'DAY_FIRST'", "time.asRead(time.asRead('Fri 27 Nov 12:30'))", "Fri 27 Nov 12:30 pm"},
            {"true, 'MONTH_FIRST'", "time.asRead('Unit 3 Sat 12 apples')", "Unit 3 Sat 12 apples"},
        };
    }

    @Test(dataProvider = "formats")
    public void aReaderHasFormatsOfTheirOwn(String formats, String expression, String words) {
        String[] one = formats.split(", ");
        say("time.setFormats({ hour12: " + one[0] + ", dateOrder: " + one[1] + ", firstWeekday: 7 })");
        assertEquals(say(expression), words);
    }

    @DataProvider
    public static Object[][] readers() {
        return new Object[][] {
            {"false, dateOrder: 'DAY_FIRST'"},
            {"true, dateOrder: 'DAY_FIRST'"},
            {"true, dateOrder: 'MONTH_FIRST'"},
            {"false, dateOrder: 'YEAR_FIRST'"},
        };
    }

    /** In one view a person reads days and times in one way, whoever wrote them. */
    @Test(dataProvider = "readers")
    public void anInstantWithinWordsOfTheServerReadsAsThoseOfThePage(String formats) {
        say("time.setFormats({ hour12: " + formats + ", firstWeekday: 1 })");
        ZoneId zone = ZoneId.of("Europe/Copenhagen");
        Instant at = Instant.parse("2026-01-01T00:07:00Z");
        for (int i = 0; i < 40; i++) {
            at = at.plus(Duration.ofMinutes(12_347));
            assertEquals(
                    say("time.asRead('" + Sentences.moment(at, zone) + "')"),
                    say("time.instantWords('" + at + "', '" + zone + "', 0)"));
        }
    }

    /** A table that is drawn once a minute says no other countdown than the bar above it. */
    @Test
    public void aCountdownIsTheSameWhereverItStands() {
        for (String due : List.of("NOW + 100 * 60_000", "NOW", "NOW - 100 * 60_000")) {
            for (int millis : new int[] {1, 29_999, 30_000, 59_999}) {
                String at = "(NOW + " + millis + ")";
                assertEquals(wholeMinutes("time.withinMinute(" + at + ")", due), wholeMinutes(at, due), at + " " + due);
            }
        }
        assertEquals(say("time.withinMinute(NOW + 59_999) - time.withinMinute(NOW)"), "0");
        assertEquals(
                say("(clock.holdNow(new Date(NOW).toISOString()), clock.shownNow() - time.withinMinute(NOW))"),
                "0",
                "nor is a clock that stands right on the minute");
        say("(clock.holdNow(null), '')");
    }

    private String wholeMinutes(String now, String due) {
        return say("Math.floor(Math.abs(time.minutesBetween(" + now + ", new Date(" + due + ").toISOString())))");
    }

    /** What the page's clock shows after an answer, in whole minutes behind or before that of the demo. */
    @DataProvider
    public static Object[][] answers() {
        return new Object[][] {
            {"{ 'X-Navlo-Now': new Date(NOW).toISOString() }", "0"},
            {"{ 'X-Navlo-Now': new Date(NOW).toISOString(), 'X-Navlo-Offline': ago(90) }", "90"},
            {"{ 'X-Navlo-Now': new Date(NOW).toISOString(), 'X-Navlo-Offline': '' }", "0"},
            {"{}", "7"},
        };
    }

    /** Without a connection it is as much later than the answer says as that was read ago. */
    @Test(dataProvider = "answers")
    public void theClockIsThatOfTheAnswer(String headers, String minutes) {
        assertEquals(say("""
                (() => {
                  const ago = (minutes) => new Date(Date.now() - minutes * 60_000).toISOString();
                  clock.setServerNow(new Date(NOW + 7 * 60_000).toISOString());
                  clock.clockReader.onResponse({ response: new Response('', { headers: %s }) });
                  return String(Math.round((clock.serverNow() - NOW) / 60_000));
                })()
                """.formatted(headers)), minutes);
    }
}

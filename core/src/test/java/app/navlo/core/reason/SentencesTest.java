package app.navlo.core.reason;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How instants, spans and numbers are said, and what becomes of a template. */
public class SentencesTest {
    private static final ZoneId COPENHAGEN = ZoneId.of("Europe/Copenhagen");

    private enum Said implements Rule {
        PLAIN("Nothing is begun"),
        WHEN("Handed in {at}, by the due of {due}"),
        MUCH("{points} of {of} points, {count} times, in {span}"),
        WHY("Sent back {at} to be fixed: {why}"),
        TWICE("{word} and {word}");

        private final String template;

        Said(String template) {
            this.template = template;
        }

        @Override
        public String template() {
            return template;
        }
    }

    @DataProvider
    public static Object[][] moments() {
        return new Object[][] {
            {"2026-11-24T15:20:00Z", "Europe/Copenhagen", "Tue 24 Nov 16:20", "on Tue 24 Nov 16:20"},
            {"2026-11-24T15:20:00Z", "America/New_York", "Tue 24 Nov 10:20", "on Tue 24 Nov 10:20"},
            {"2026-11-24T15:20:00Z", "Asia/Kolkata", "Tue 24 Nov 20:50", "on Tue 24 Nov 20:50"},
            {"2026-11-24T23:00:00Z", "Europe/Copenhagen", "the end of Tue 24 Nov", "at the end of Tue 24 Nov"},
            {"2026-11-24T23:01:00Z", "Europe/Copenhagen", "Wed 25 Nov 00:01", "on Wed 25 Nov 00:01"},
            {"2026-11-24T23:00:00Z", "UTC", "Tue 24 Nov 23:00", "on Tue 24 Nov 23:00"},
            // The night in which the clocks go forward, and the one in which they go back.
            {"2026-03-28T23:00:00Z", "Europe/Copenhagen", "the end of Sat 28 Mar", "at the end of Sat 28 Mar"},
            {"2026-03-29T22:00:00Z", "Europe/Copenhagen", "the end of Sun 29 Mar", "at the end of Sun 29 Mar"},
            {"2026-10-25T23:00:00Z", "Europe/Copenhagen", "the end of Sun 25 Oct", "at the end of Sun 25 Oct"},
            {"2026-10-25T00:30:00Z", "Europe/Copenhagen", "Sun 25 Oct 02:30", "on Sun 25 Oct 02:30"},
            {"2026-10-25T01:30:00Z", "Europe/Copenhagen", "Sun 25 Oct 02:30", "on Sun 25 Oct 02:30"},
        };
    }

    @Test(dataProvider = "moments")
    public void aMidnightIsTheEndOfTheDayThatItCloses(String instant, String zone, String said, String on) {
        assertEquals(Sentences.moment(Instant.parse(instant), ZoneId.of(zone)), said);
        assertEquals(Sentences.on(Instant.parse(instant), ZoneId.of(zone)), on);
    }

    /** Whatever zone it is read in, the day that was given is the day that is said. */
    @Test
    public void theEndOfADayIsSaidAsThatDayInEveryZone() {
        LocalDate day = LocalDate.of(2026, 1, 1);
        for (String name : ZoneId.getAvailableZoneIds()) {
            ZoneId zone = ZoneId.of(name);
            for (int after = 0; after < 365; after += 73) {
                LocalDate one = day.plusDays(after);
                Instant end = one.plusDays(1).atStartOfDay(zone).toInstant();
                String said = Sentences.moment(end, zone);
                boolean skipped = !end.atZone(zone).toLocalTime().equals(java.time.LocalTime.MIDNIGHT);
                assertTrue(
                        skipped || said.startsWith("the end of ") && said.contains(" " + one.getDayOfMonth() + " "),
                        name + ": " + said);
            }
        }
    }

    @DataProvider
    public static Object[][] spans() {
        return new Object[][] {
            {0L, "0 min"},
            {1L, "1 min"},
            {59L, "59 min"},
            {60L, "1 h"},
            {61L, "1 h 01"},
            {100L, "1 h 40"},
            {1_439L, "23 h 59"},
            {1_440L, "1 d"},
            {1_499L, "1 d"},
            {1_500L, "1 d 1 h"},
            {4_500L, "3 d 3 h"},
            {-90L, "1 h 30"},
        };
    }

    @Test(dataProvider = "spans")
    public void aSpanIsItsTwoLargestUnits(long minutes, String said) {
        assertEquals(Sentences.span(Duration.ofMinutes(minutes)), said);
        assertEquals(Sentences.span(Duration.ofMinutes(minutes).plusSeconds(minutes < 0 ? 0 : 59)), said);
    }

    @DataProvider
    public static Object[][] numbers() {
        return new Object[][] {
            {"40", "40"},
            {"67.5", "67.5"},
            {"33.333", "33.33"},
            {"66.665", "66.67"},
            {"0.004", "0"},
            {"-2.5", "-2.5"},
            {"100.10", "100.1"},
        };
    }

    @Test(dataProvider = "numbers")
    public void aNumberHasTwoDecimalsAtMostAndNoneThatAreZero(String exact, String said) {
        assertEquals(Sentences.number(Rational.parse(exact)), said);
    }

    @Test
    public void athirdIsRoundedInTheSentenceAlone() {
        assertEquals(Sentences.number(Rational.of(1, 3)), "0.33");
        assertEquals(Sentences.number(Rational.of(2, 3)), "0.67");
        assertEquals(Sentences.number(Rational.of(200, 2)), "100");
    }

    @Test
    public void aTemplateIsFilledWithWhatItNames() {
        Instant at = Instant.parse("2026-11-24T15:20:00Z");
        assertEquals(Sentences.write(Reason.of(Said.PLAIN), COPENHAGEN), "Nothing is begun");
        assertEquals(
                Sentences.write(
                        Reason.of(Said.WHEN).with("at", at).with("due", Instant.parse("2026-11-24T23:00:00Z")),
                        COPENHAGEN),
                "Handed in Tue 24 Nov 16:20, by the due of the end of Tue 24 Nov");
        assertEquals(
                Sentences.write(
                        Reason.of(Said.MUCH)
                                .with("points", Rational.of(35, 2))
                                .with("of", Rational.of(20))
                                .with("count", 3)
                                .with("span", Duration.ofHours(25)),
                        COPENHAGEN),
                "17.5 of 20 points, 3 times, in 1 d 1 h");
        assertEquals(Sentences.write(Reason.of(Said.TWICE).with("word", "now"), COPENHAGEN), "now and now");
    }

    /** Titles and reasons come from outside: what would be a group of a pattern is a dollar and a one. */
    @Test
    public void aWordStandsAsItWasWritten() {
        String odd = "cost $1 \\ {at} “quoted”";
        assertEquals(Sentences.write(Reason.of(Said.TWICE).with("word", odd), COPENHAGEN), odd + " and " + odd);
    }

    @Test
    public void aReasonThatNobodyGaveLeavesNoColon() {
        Reason told = Reason.of(Said.WHY).with("at", Instant.parse("2026-11-24T15:20:00Z"));
        assertEquals(
                Sentences.write(told.with("why", "the north is missing"), COPENHAGEN),
                "Sent back Tue 24 Nov 16:20 to be fixed: the north is missing");
        assertEquals(Sentences.write(told.with("why", ""), COPENHAGEN), "Sent back Tue 24 Nov 16:20 to be fixed");
    }

    @Test
    public void aHoleThatNothingFillsIsNamed() {
        IllegalArgumentException fault = expectThrows(
                IllegalArgumentException.class,
                () -> Sentences.write(Reason.of(Said.WHEN).with("at", Instant.EPOCH), COPENHAGEN));
        assertTrue(fault.getMessage().contains("WHEN wants 'due'"), fault.getMessage());
        assertTrue(fault.getMessage().contains("[at]"), fault.getMessage());
    }

    @Test
    public void theSameNameSaidAgainIsSaidAnew() {
        Reason reason = Reason.of(Said.TWICE).with("word", "before").with("word", "after");
        assertEquals(Sentences.write(reason, COPENHAGEN), "after and after");
        assertEquals(reason.inputs().size(), 1);
    }
}

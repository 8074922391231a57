package app.navlo.formats.told;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.formats.told.TitleWords.Edge;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Scores, titles and dates as people and tables write them. */
public class WordsTest {
    private static final LocalDate NEAR = LocalDate.parse("2026-11-24");

    @DataProvider
    public static Object[][] scores() {
        return new Object[][] {
            {"18", "20", "18"},
            {"18,5", "20", "18.5"},
            {"18/20", "20", "18"},
            {"18 / 20 pts", "0", "18"},
            {"9 of 10", "20", "18"},
            {"17 out of 20 (85 %)", "20", "17"},
            {"85 %", "20", "17"},
            {"85%", "40", "34"},
            {"A-", "100", "91"},
            {"b+", "100", "88"},
            {"25", "20", "25"},
            {"12 points", "20", "12"},
        };
    }

    @Test(dataProvider = "scores")
    public void aScoreIsSoManyPoints(String text, String possible, String points) {
        assertEquals(ScoreWords.read(text, Map.of()).outOf(Rational.parse(possible)), Rational.parse(points), text);
    }

    @Test
    public void aLetterIsWhatTheCourseSaysAndNothingIsNoScore() {
        Map<String, Rational> own = Map.of("VG", Rational.of(80));
        assertEquals(ScoreWords.read("vg", own).outOf(Rational.of(50)), Rational.of(40));
        assertNull(ScoreWords.read("85 %", own).outOf(Rational.ZERO), "of how many isn't known");
        assertTrue(ScoreWords.read("–", own).isNothing());
        assertTrue(ScoreWords.read("EX", own).excused());
        assertThrows(IllegalArgumentException.class, () -> ScoreWords.read("very good", own));
        assertThrows(IllegalArgumentException.class, () -> ScoreWords.read("-3", own));
    }

    @DataProvider
    public static Object[][] titles() {
        return new Object[][] {
            {"Problem Set 4 [MATH-201]", "Problem Set 4", "MATH-201", Edge.ITSELF},
            {"[MATH-201] Problem Set 4 is due", "Problem Set 4", "MATH-201", Edge.ITSELF},
            {"HIST 110: Essay 1 due", "Essay 1", "HIST 110", Edge.ITSELF},
            {"Quiz 2 opens", "Quiz 2", null, Edge.OPENS},
            {"Quiz 2 closes", "Quiz 2", null, Edge.CLOSES},
            {"Quiz 2 (available until)", "Quiz 2", null, Edge.CLOSES},
            {"Due: Lab report", "Lab report", null, Edge.ITSELF},
            {"Essay: why the shop closes early", "Essay: why the shop closes early", null, Edge.ITSELF},
            {"Due", "Due", null, Edge.ITSELF},
        };
    }

    @Test(dataProvider = "titles")
    public void aTitleKeepsTheNameOfTheWork(String raw, String title, String code, Edge edge) {
        TitleWords.Read read = TitleWords.read(raw);
        assertEquals(read.title(), title);
        assertEquals(read.code(), code);
        assertEquals(read.edge(), edge);
        assertNull(read.notWork(), raw);
    }

    @DataProvider
    public static Object[][] notWork() {
        return new Object[][] {
            {"Autumn break"},
            {"Fall Break"},
            {"No class"},
            {"Office hours"},
            {"Course evaluation"},
            {"Total"},
            {"Course total"},
            {"Current grade"},
            {"Homework average"},
            {"Department party"},
            {"Thanksgiving"},
        };
    }

    @Test(dataProvider = "notWork")
    public void whatIsNoWorkSaysWhy(String title) {
        assertTrue(TitleWords.notWork(title) != null, title);
    }

    @DataProvider
    public static Object[][] work() {
        return new Object[][] {
            {"Essay on the birthday party"},
            {"Total internal reflection: the lab report of week three"},
            {"Holiday reading quiz"},
            {"Mean value theorem, exercises"},
            {"Project report"},
        };
    }

    @Test(dataProvider = "work")
    public void workIsWork(String title) {
        assertNull(TitleWords.notWork(title), title);
    }

    @DataProvider
    public static Object[][] dates() {
        return new Object[][] {
            {"2026-11-24", "2026-11-24", null},
            {"2026-11-24T23:59:00Z", "2026-11-24", "23:59"},
            {"24.11.2026 23:59", "2026-11-24", "23:59"},
            {"24/11/26", "2026-11-24", null},
            {"24.11.", "2026-11-24", null},
            {"Tue 24 Nov, 11:59 pm", "2026-11-24", "23:59"},
            {"Nov 24 at 11:59pm", "2026-11-24", "23:59"},
            {"November 24, 2026", "2026-11-24", null},
            {"24-Nov-26", "2026-11-24", null},
            {"3rd Sept 2026 5pm", "2026-09-03", "17:00"},
            {"12 Jan", "2027-01-12", null},
            {"12 Jul", "2026-07-12", null},
        };
    }

    @Test(dataProvider = "dates")
    public void aDateIsThisDay(String text, String day, String time) {
        DateWords.When when = DateWords.read(text, true, NEAR);
        assertEquals(when.day(), LocalDate.parse(day), text);
        assertEquals(when.time(), time == null ? null : LocalTime.parse(time), text);
    }

    @Test
    public void whatIsNoDateIsSaidSo() {
        assertThrows(IllegalArgumentException.class, () -> DateWords.read("soon", true, NEAR));
        assertThrows(IllegalArgumentException.class, () -> DateWords.read("31.02.2026", true, NEAR));
        assertThrows(IllegalArgumentException.class, () -> DateWords.read("11/24/2026", true, NEAR));
        assertEquals(DateWords.read("11/24/2026", false, NEAR).day(), NEAR);
    }
}

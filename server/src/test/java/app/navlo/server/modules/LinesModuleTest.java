package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lines that are typed, and what is understood of them. Today is Tuesday 24 November 2026. */
public class LinesModuleTest extends Modules {
    private static final String ASKED = """
            { courses: [{ id: 1, name: 'Soil Science', shortName: 'Soil' }, { id: 2, name: 'Plant Identification',
              shortName: 'Plants' }], course: null, today: '2026-11-24', firstDay: '2026-09-07', lastDay: '2026-12-18',
              daysOff: [{ first: '2026-12-08', last: '2026-12-12' }] }""";

    @DataProvider
    public static Object[][] said() {
        return new Object[][] {
            {"soil essay fri 17:00 60p 3h", "Essay|1|ASSIGNMENT|2026-11-27 17:00|60|180"},
            {"essay", "Essay|null|ASSIGNMENT|null null|null|null"},
            {"quiz 4 plants tomorrow", "Quiz 4|2|QUIZ|2026-11-25 null|null|null"},
            {"Test: profiles 3 dec 10:00 40 points 1h30", "Test: profiles|null|TEST|2026-12-03 10:00|40|90"},
            {"lab report due 1 dec (20 pts)", "Lab report|null|ASSIGNMENT|2026-12-01 null|20|null"},
            {"portfolio by next friday 45 min", "Portfolio|null|PROJECT|2026-12-04 null|null|45"},
            {"forum post today 12,5p", "Forum post|null|DISCUSSION|2026-11-24 null|12.5|null"},
            {"Plant Identification: key 9", "Key 9|2|ASSIGNMENT|null null|null|null"},
            {"algebra paper fri 40 marks", "Algebra paper|null|ASSIGNMENT|2026-11-27 null|40|null"},
            {"1,500 words on clay", "1,500 words on clay|null|ASSIGNMENT|null null|null|null"},
        };
    }

    @Test(dataProvider = "said")
    public void aLineSaysTitleCourseKindDuePointsAndEffort(String line, String understood) {
        String of =
                "(({ title, course, kind, dueDay, dueTime, possible, effortMinutes }) => [title, course, kind, dueDay + ' ' +"
                        + " dueTime, possible, effortMinutes].map(String).join('|'))(lines.understand(" + quoted(line)
                        + ", " + ASKED
                        + "))";
        assertEquals(say(of), understood);
    }

    @DataProvider
    public static Object[][] withoutAYear() {
        return new Object[][] {
            {"essay 18 sep", "2026-09-18", "due Fri 18 Sep"},
            {"essay 7 sep", "2026-09-07", "due Mon 7 Sep"},
            {"essay 6 sep", "2027-09-06", "due Mon 6 Sep 2027"},
            {"essay 3 dec", "2026-12-03", "due Thu 3 Dec"},
            {"essay 12 jan", "2027-01-12", "due Tue 12 Jan 2027"},
            {"essay 18 sep 2027", "2027-09-18", "due Sat 18 Sep 2027"},
            {"essay monday", "2026-11-30", "due Mon 30 Nov"},
            {"log every monday from 9 nov until 30 nov", "2026-11-09", "due Mon 9 Nov"},
        };
    }

    /** What is written down in the middle of a term is mostly of that term; a day of another year says so. */
    @Test(dataProvider = "withoutAYear")
    public void aDayWithoutAYearIsTheTermsThoughItIsOver(String line, String day, String words) {
        String understood = "lines.understand(" + quoted(line) + ", " + ASKED + ")";
        assertEquals(say(understood + ".dueDay"), day);
        assertEquals(say("lines.lineWords(" + understood + ", '2026-11-24')"), "assignment, " + words);
    }

    @DataProvider
    public static Object[][] over() {
        return new Object[][] {
            {"essay 18 sep", "1"},
            {"essay today", "0"},
            {"essay today 16:19", "1"},
            {"essay today 16:20", "0"},
            {"essay", "0"},
            {"exam 18 sep 9:00-11:00", "0"},
            {"log every monday from 9 nov", "3"},
        };
    }

    /** It is twenty past four. What happens at a time of its own is never handed in. */
    @Test(dataProvider = "over")
    public void whatIsOverIsCounted(String line, String over) {
        String understood = "lines.understand(" + quoted(line) + ", " + ASKED + ")";
        assertEquals(say("lines.overIn(" + understood + ", { today: '2026-11-24', time: '16:20' })"), over);
    }

    @AfterMethod
    public void asUsual() {
        readAs("DAY_FIRST", false);
    }

    private void readAs(String dateOrder, boolean hour12) {
        say("time.setFormats({ hour12: " + hour12 + ", dateOrder: '" + dateOrder + "', firstWeekday: 1 })");
    }

    @DataProvider
    public static Object[][] numbered() {
        return new Object[][] {
            {"DAY_FIRST", "essay 1/12", "2026-12-01"},
            {"DAY_FIRST", "essay 12/1", "2027-01-12"},
            {"DAY_FIRST", "map 3/12/2026 noon", "2026-12-03"},
            {"MONTH_FIRST", "essay 12/1", "2026-12-01"},
            {"MONTH_FIRST", "map 12/3/2026 noon", "2026-12-03"},
            {"MONTH_FIRST", "map due 12/3/26 11:59p", "2026-12-03"},
            {"MONTH_FIRST", "essay 2026-12-03", "2026-12-03"},
            {"YEAR_FIRST", "essay 12/3", "2026-12-03"},
            // There is one way only.
            {"DAY_FIRST", "essay 12/13", "2026-12-13"},
            {"MONTH_FIRST", "essay 13/12", "2026-12-13"},
        };
    }

    /** "12/3" is the day that this reader would write so, in a line and in an outline. */
    @Test(dataProvider = "numbered")
    public void aDateOfNumbersIsReadAsItsReaderWritesThem(String order, String line, String day) {
        readAs(order, false);
        assertEquals(say("lines.understand(" + quoted(line) + ", " + ASKED + ").dueDay"), day);
        assertEquals(
                say("lines.outlineRows([" + quoted(line) + "], " + ASKED + ")[0].dueDay")
                        .substring(5),
                day.substring(5));
    }

    @DataProvider
    public static Object[][] numbersBesideDates() {
        return new Object[][] {
            {"MONTH_FIRST", "alg quiz 7 dec 9 10:30am", "Alg quiz 7|2026-12-09 10:30"},
            {"MONTH_FIRST", "essay 3 dec 9 pm", "Essay|2026-12-03 21:00"},
            {"MONTH_FIRST", "read pages 10-12 dec 9", "Read pages 10-12|2026-12-09 null"},
            {"MONTH_FIRST", "lab 5 december 10th, 8:15a", "Lab 5|2026-12-10 08:15"},
            {"MONTH_FIRST", "essay 12/10 11:59p", "Essay|2026-12-10 23:59"},
            {"MONTH_FIRST", "essay 3 dec 2026", "Essay|2026-12-03 null"},
            {"DAY_FIRST", "quiz 7 9 dec 10:30", "Quiz 7|2026-12-09 10:30"},
            {"DAY_FIRST", "field day 3 dec, by the gate, 9:30", "Field day, by the gate|2026-12-03 09:30"},
            {"DAY_FIRST", "essay 10:30", "Essay|2026-11-25 10:30"},
        };
    }

    /** A number of the title beside a date is none of its days, and a time that stands apart from its day is of that day. */
    @Test(dataProvider = "numbersBesideDates")
    public void theDayIsTheOneThatWasMeant(String order, String line, String understood) {
        readAs(order, false);
        String of = "(({ title, dueDay, dueTime }) => title + '|' + dueDay + ' ' + dueTime)(lines.understand("
                + quoted(line) + ", " + ASKED + "))";
        assertEquals(say(of), understood);
    }

    @Test
    public void whatWasUnderstoodIsSaidAsItsReaderReadsIt() {
        String line = "lines.lineWords(lines.understand('exam 3 dec 9:00-11:30 40p', " + ASKED + "), '2026-11-24')";
        assertEquals(say(line), "test, at Thu 3 Dec 09:00 to 11:30, 40 points");
        readAs("MONTH_FIRST", true);
        assertEquals(say(line), "test, at Thu Dec 3 9:00 am to 11:30 am, 40 points");
    }

    @DataProvider
    public static Object[][] shortNames() {
        return new Object[][] {
            {"lab report soi fri", "1"},
            {"pla key 9 fri", "2"},
            {"key for the pla gate fri", "null"},
            {"the essay", "null"},
            {"idents test fri", "2"},
        };
    }

    /** Three letters of a course's name stand for it at the beginning or at the end, where nothing else would. */
    @Test(dataProvider = "shortNames")
    public void aCourseIsNamedByItsFirstLetters(String line, String course) {
        assertEquals(say("lines.understand(" + quoted(line) + ", " + ASKED + ").course"), course);
    }

    @DataProvider
    public static Object[][] parts() {
        String usual = "['Homework', 'Quizzes', 'Tests and exams', 'Labs']";
        return new Object[][] {
            {"Quiz 4", "QUIZ", usual, "Quizzes"},
            {"Lab report on clay", "ASSIGNMENT", usual, "Labs"},
            {"Essay", "ASSIGNMENT", usual, "Homework"},
            {"Midterm", "TEST", usual, "Tests and exams"},
            {"Homework quiz", "QUIZ", usual, "Quizzes"},
            {"Essay", "ASSIGNMENT", "['Coursework', 'Homework']", "null"},
            {"Poster", "PROJECT", usual, "null"},
            {"Studies of composition", "ASSIGNMENT", "['Observation', 'Composition']", "Composition"},
            {"Sketch", "ASSIGNMENT", "[]", "null"},
        };
    }

    /** What a title or a kind names once; what could be two is asked. */
    @Test(dataProvider = "parts")
    public void aLineLikelyCountsInTheCategoryThatItNames(String title, String kind, String parts, String part) {
        assertEquals(say("parts.partOf(" + quoted(title) + ", '" + kind + "', " + parts + ")"), part);
    }

    @DataProvider
    public static Object[][] repeated() {
        return new Object[][] {
            {"quiz every friday", "2026-11-27 2026-12-04 2026-12-18|every week"},
            {"quiz every friday until 4 dec", "2026-11-27 2026-12-04|every week"},
            {"drill every friday 4 times", "2026-11-27 2026-12-04 2026-12-18 2026-12-25|every week"},
            {"log every other monday", "2026-11-30 2026-12-14|every other week"},
            {"diary weekly", "2026-11-24 2026-12-01 2026-12-15|every week"},
            {"reading daily x 3", "2026-11-24 2026-11-25 2026-11-26|every day"},
            {"essay fri", "|"},
        };
    }

    @Test(dataProvider = "repeated")
    public void whatRepeatsLeavesDaysOffOutAndEndsWithTheTerm(String line, String days) {
        String of = "((one) => one.days.join(' ') + '|' + one.every)(lines.understand(" + quoted(line) + ", " + ASKED
                + "))";
        assertEquals(say(of), days);
    }

    @DataProvider
    public static Object[][] outlines() {
        return new Object[][] {
            {"Week 3: Essay on drainage, due 21 September (20 points)", "Essay on drainage|2026-09-21|20"},
            {"14 Sep  Quiz: horizons", "Quiz: horizons|2026-09-14|null"},
            {"Office hours on Mondays", ""},
            {"Read chapter 3", ""},
            {"2026-10-05", ""},
        };
    }

    @Test(dataProvider = "outlines")
    public void aLineOfAnOutlineIsARowWhereItNamesADay(String line, String row) {
        String of = "lines.outlineRows([" + quoted(line) + "], " + ASKED
                + ").map((one) => [one.title, one.dueDay,"
                + " one.possible].map(String).join('|')).join(';')";
        assertEquals(say(of), row);
    }

    @Test
    public void nothingIsUnderstoodOfNothing() {
        assertEquals(say("lines.understand('   ', " + ASKED + ")"), "null");
        assertEquals(say("lines.understand('?', " + ASKED + ").title"), "?");
    }

    private static String quoted(String line) {
        return "'" + line.replace("'", "\\'") + "'";
    }
}

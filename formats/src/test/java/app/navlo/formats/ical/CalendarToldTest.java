package app.navlo.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.SourceSnapshot;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A calendar as any source tells it: courses, pieces of work with their windows, appointments, and what is no work. */
public class CalendarToldTest {
    private static final ZoneId COPENHAGEN = ZoneId.of("Europe/Copenhagen");

    private static String event(String uid, String title, String... more) {
        List<String> lines = new ArrayList<>(List.of("BEGIN:VEVENT", "UID:" + uid, "SUMMARY:" + title));
        lines.addAll(List.of(more));
        lines.add("END:VEVENT");
        return String.join("\r\n", lines);
    }

    private static String day(String uid, String title, String date) {
        return event(uid, title, "DTSTART;VALUE=DATE:" + date);
    }

    private static SourceSnapshot told(String name, Set<String> known, String... events) throws CalendarFault {
        String text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n"
                + (name.isEmpty() ? "" : "X-WR-CALNAME:" + name + "\r\n")
                + String.join("\r\n", events) + "\r\nEND:VCALENDAR\r\n";
        CalendarContent content = CalendarReader.read(text.getBytes(StandardCharsets.UTF_8), COPENHAGEN);
        return CalendarTold.of(content, "soil.ics", known);
    }

    private static SourceSnapshot told(String... events) throws CalendarFault {
        return told("Soil Science", Set.of(), events);
    }

    private static SourceSnapshot.Work work(SourceSnapshot told, String title) {
        return told.works().stream()
                .filter(one -> one.title().equals(title))
                .findFirst()
                .orElseThrow(() -> new AssertionError(title + " isn't in " + told.works()));
    }

    private static List<String> titles(SourceSnapshot told) {
        return told.works().stream().map(SourceSnapshot.Work::title).toList();
    }

    private static Instant due(SourceSnapshot.Work work) {
        return work.due() == null ? null : work.due().instant();
    }

    @DataProvider
    public static Object[][] names() {
        return new Object[][] {
            {"Soil Science", "Soil Science"},
            {"Soil Science Calendar", "Soil Science"},
            {"Calendar: Soil Science", "Soil Science"},
            {"MATH-201 calendar feed", "MATH-201"},
            {"Calendar", "Calendar"},
            {"", "soil.ics"},
        };
    }

    @Test(dataProvider = "names")
    public void whatNamesNoCourseIsOfTheOneThatTheCalendarIsCalledBy(String name, String course) throws CalendarFault {
        SourceSnapshot told = told(name, Set.of(), day("a", "Essay", "20261127"));
        assertEquals(told.courses().size(), 1);
        assertEquals(told.courses().get(0).name(), course);
        assertEquals(work(told, "Essay").courseKey(), CalendarTold.ONE_COURSE);
    }

    /** One code alone may be part of a title; two of them tell courses apart. */
    @Test
    public void codesNameCoursesWhereThereIsMoreThanOne() throws CalendarFault {
        SourceSnapshot two =
                told(day("a", "Essay [BOT-101]", "20261127"), day("b", "[SOIL-204] Lab report", "20261128"));
        assertEquals(two.courses().stream().map(SourceSnapshot.Course::name).toList(), List.of("BOT-101", "SOIL-204"));
        assertEquals(titles(two), List.of("Essay", "Lab report"));
        assertEquals(work(two, "Lab report").courseKey(), "SOIL-204");

        SourceSnapshot one = told(day("a", "Essay [BOT-101]", "20261127"), day("b", "Lab report", "20261128"));
        assertEquals(one.courses().size(), 1);
        assertEquals(one.courses().get(0).name(), "Soil Science");
    }

    @Test
    public void aCodeThatIsKnownNamesItsCourseAlone() throws CalendarFault {
        SourceSnapshot told = told("Everything", Set.of("BOT-101"), day("a", "Essay [BOT-101]", "20261127"));
        assertEquals(told.courses().get(0).name(), "BOT-101");
    }

    /** Categories are courses only where one of them is a course's name; else they are anything. */
    @Test
    public void aCategoryIsACourseWhereOneIsCalledSo() throws CalendarFault {
        String essay = event("a", "Essay", "DTSTART;VALUE=DATE:20261127", "CATEGORIES:Botany");
        String lab = event("b", "Lab", "DTSTART;VALUE=DATE:20261128", "CATEGORIES:Important");
        SourceSnapshot known = told("Everything", Set.of("botany"), essay, lab);
        assertEquals(work(known, "Essay").courseKey(), "Botany");
        assertEquals(work(known, "Lab").courseKey(), "Important");
        SourceSnapshot unknown = told("Everything", Set.of("zoology"), essay, lab);
        assertEquals(unknown.courses().size(), 1);
    }

    @DataProvider
    public static Object[][] windows() {
        return new Object[][] {
            {"opens", "closes"},
            {"is available", "is closed"},
            {"(opens)", "(closes)"},
            {"Opens", "Available until"},
        };
    }

    /** "Quiz 3 opens" and "Quiz 3 closes" are one piece of work, with a window. */
    @Test(dataProvider = "windows")
    public void whatOpensAndClosesIsOnePieceOfWork(String opens, String closes) throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "Quiz 3 " + opens, "DTSTART:20261120T080000Z"),
                event("b", "Quiz 3 " + closes, "DTSTART:20261122T220000Z"));
        assertEquals(titles(told), List.of("Quiz 3"));
        SourceSnapshot.Work quiz = work(told, "Quiz 3");
        assertEquals(quiz.kind(), WorkKind.QUIZ);
        assertEquals(quiz.opensAt(), Instant.parse("2026-11-20T08:00:00Z"));
        assertEquals(due(quiz), Instant.parse("2026-11-22T22:00:00Z"));
    }

    @Test
    public void aWindowIsJoinedToTheEntryOfTheWorkItself() throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "Quiz 3 opens", "DTSTART:20261120T080000Z"),
                event("b", "Quiz 3", "DTSTART:20261121T220000Z"),
                event("c", "Quiz 3 closes", "DTSTART:20261122T220000Z"));
        assertEquals(titles(told), List.of("Quiz 3"));
        SourceSnapshot.Work quiz = work(told, "Quiz 3");
        assertEquals(quiz.key(), "b");
        assertEquals(due(quiz), Instant.parse("2026-11-21T22:00:00Z"));
        assertEquals(quiz.opensAt(), Instant.parse("2026-11-20T08:00:00Z"));
        assertNotNull(quiz.more());
        assertEquals(quiz.more().closesAt(), Instant.parse("2026-11-22T22:00:00Z"));
    }

    /** Two pieces of one title are two, each with its own UID; their windows can't be told apart and go to the first. */
    @Test
    public void twoOfOneTitleStayTwo() throws CalendarFault {
        SourceSnapshot told = told(day("a", "Reading log", "20261120"), day("b", "Reading log", "20261127"));
        assertEquals(titles(told), List.of("Reading log", "Reading log"));
        assertEquals(told.works().stream().map(SourceSnapshot.Work::key).toList(), List.of("a", "b"));
    }

    /** A window of the same title in another course is another's. */
    @Test
    public void windowsOfOtherCoursesAreNotJoined() throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "[BOT-101] Quiz 1 opens", "DTSTART:20261120T080000Z"),
                event("b", "[SOIL-204] Quiz 1", "DTSTART:20261121T220000Z"));
        assertEquals(told.works().size(), 2);
        assertNull(told.works().stream()
                .filter(one -> "SOIL-204".equals(one.courseKey()))
                .findFirst()
                .orElseThrow()
                .opensAt());
    }

    /** What would open after its due was told wrong: the due holds. */
    @Test
    public void anOpeningAfterTheDueIsLeftOut() throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "Quiz 3 opens", "DTSTART:20261125T080000Z"),
                event("b", "Quiz 3 closes", "DTSTART:20261122T220000Z"));
        assertNull(work(told, "Quiz 3").opensAt());
        assertEquals(due(work(told, "Quiz 3")), Instant.parse("2026-11-22T22:00:00Z"));
    }

    /** Opening on a day means from its first minute, in the course's zone. */
    @Test
    public void aDayOpensWithItsFirstMinute() throws CalendarFault {
        SourceSnapshot told = told(day("a", "Essay opens", "20261120"), day("b", "Essay is due", "20261127"));
        SourceSnapshot.Work essay = work(told, "Essay");
        assertEquals(essay.opensAt(), Instant.parse("2026-11-19T23:00:00Z"));
        assertEquals(due(essay), Instant.parse("2026-11-27T23:00:00Z"));
    }

    /** What takes place from one hour to another is an appointment, due when it begins; "due" in its title makes it a due. */
    @Test
    public void whatTakesPlaceIsAnAppointment() throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "Plant test", "DTSTART:20261120T080000Z", "DTEND:20261120T093000Z"),
                event("b", "Essay due", "DTSTART:20261120T080000Z", "DTEND:20261120T093000Z"));
        SourceSnapshot.Work test = work(told, "Plant test");
        assertEquals(due(test), Instant.parse("2026-11-20T08:00:00Z"));
        assertNotNull(test.more());
        assertEquals(test.more().appointment().start(), Instant.parse("2026-11-20T08:00:00Z"));
        assertEquals(test.more().appointment().endExclusive(), Instant.parse("2026-11-20T09:30:00Z"));
        assertNull(work(told, "Essay").more());
        assertEquals(due(work(told, "Essay")), Instant.parse("2026-11-20T09:30:00Z"));
    }

    @DataProvider
    public static Object[][] notWork() {
        return new Object[][] {
            {"Autumn break", "a holiday or a day of the term"},
            {"Office hours", "hours to ask in"},
            {"Course evaluation", "an evaluation of the course"},
            {"Welcome drinks", "a party"},
            {"Essay on the autumn break", null},
            {"Report: a birthday party", null},
        };
    }

    @Test(dataProvider = "notWork")
    public void whatIsNoWorkSaysWhy(String title, String why) throws CalendarFault {
        SourceSnapshot told = told(day("a", title, "20261127"));
        assertEquals(told.works().get(0).hint().notWork(), why);
    }

    @Test
    public void whatWasCancelledIsSaidAndIsNoWork() throws CalendarFault {
        SourceSnapshot told = told(
                event("a", "Essay", "DTSTART;VALUE=DATE:20261127", "STATUS:CANCELLED"), day("b", "Lab", "20261128"));
        assertEquals(titles(told), List.of("Lab"));
        assertEquals(told.beside().cancelled(), Set.of("a"));
    }

    /** What lies outside of the span that a calendar tells of isn't gone. */
    @Test
    public void itsReachIsFromTheFirstDueToTheLast() throws CalendarFault {
        SourceSnapshot told =
                told(event("a", "Essay", "DTSTART:20261120T080000Z"), event("b", "Lab", "DTSTART:20261128T080000Z"));
        assertNotNull(told.beside().reach());
        assertEquals(told.beside().reach().start(), Instant.parse("2026-11-20T08:00:00Z"));
        assertTrue(told.beside().reach().endExclusive().isAfter(Instant.parse("2026-11-28T08:00:00Z")));
    }

    @DataProvider
    public static Object[][] weekly() {
        return new Object[][] {
            {
                "FREQ=WEEKLY;BYDAY=TU,TH",
                "20261124T091500",
                "20261124T104500",
                List.of(DayOfWeek.TUESDAY, DayOfWeek.THURSDAY)
            },
            {"FREQ=WEEKLY;INTERVAL=1;BYDAY=MO", "20261123T091500", "20261123T104500", List.of(DayOfWeek.MONDAY)},
            {"FREQ=WEEKLY;UNTIL=20261218T000000Z", "20261125T091500", "20261125T104500", List.of(DayOfWeek.WEDNESDAY)},
            {"FREQ=WEEKLY;BYDAY=XX", "20261127T091500", "20261127T104500", List.of()},
            {"FREQ=WEEKLY;INTERVAL=2;BYDAY=TU", "20261124T091500", "20261124T104500", List.of()},
            {"FREQ=DAILY", "20261124T091500", "20261124T104500", List.of()},
            {"FREQ=WEEKLY;BYDAY=TU", "20261124T220000", "20261125T020000", List.of()},
        };
    }

    /** A class that repeats takes its hours of the week; what repeats otherwise doesn't say any. */
    @Test(dataProvider = "weekly")
    public void aClassTellsTheHoursOfAWeek(String rule, String from, String until, List<DayOfWeek> days)
            throws CalendarFault {
        SourceSnapshot told = told(
                event(
                        "a",
                        "Lecture",
                        "DTSTART;TZID=Europe/Copenhagen:" + from,
                        "DTEND;TZID=Europe/Copenhagen:" + until,
                        "RRULE:" + rule),
                day("b", "Essay", "20261127"));
        List<SourceSnapshot.ClassTime> classes = told.beside().classes();
        assertEquals(classes.stream().map(SourceSnapshot.ClassTime::day).toList(), days);
        for (SourceSnapshot.ClassTime one : classes) {
            assertEquals(one.title(), "Lecture");
            assertEquals(one.starts(), LocalTime.of(9, 15));
            assertEquals(one.ends(), LocalTime.of(10, 45));
        }
    }

    @DataProvider
    public static Object[][] namesLikeEdges() {
        return new Object[][] {{"Where life starts"}, {"How a war ends"}};
    }

    /** A word at the end of a name is no edge where nothing else speaks of the same work: its due stays. */
    @Test(dataProvider = "namesLikeEdges")
    public void aNameThatEndsLikeAnEdgeKeepsItsDue(String title) throws CalendarFault {
        SourceSnapshot told = told(day("a", title, "20261127"), day("b", "Essay", "20261128"));
        assertEquals(titles(told), List.of(title, "Essay"));
        assertEquals(due(work(told, title)), Instant.parse("2026-11-27T23:00:00Z"));
    }

    @Test
    public void withAnotherEntryOfTheSameWorkTheWordIsAnEdge() throws CalendarFault {
        SourceSnapshot told = told(day("a", "Trial starts", "20261120"), day("b", "Trial ends", "20261127"));
        assertEquals(titles(told), List.of("Trial"));
        assertEquals(work(told, "Trial").opensAt(), Instant.parse("2026-11-19T23:00:00Z"));
    }
}

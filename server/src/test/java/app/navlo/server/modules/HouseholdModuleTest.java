package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The words of a row of Household, and the lists that its figures lead to. */
public class HouseholdModuleTest extends Modules {
    private static final String ROW = """
            (({ missing, ...over }) => ({ id: 7, name: 'Asta', zone: ZONE, school: null, term: null,
              missing: { savable: 0, closed: 0, listed: 0, ungradedLong: 0, sentBack: 0, ...missing }, aboutToBeLost: '0',
              nextLoss: null, nextDue: null, close: null, fresh: 0, courses: [], sources: [],
              own: { note: '', writtenAt: null, groups: [] }, ...over }))""";

    @DataProvider
    public static Object[][] headlines() {
        String loss = "nextLoss: { work: 1, title: 'Essay', at: '2026-11-24T17:00:00Z' }";
        return new Object[][] {
            {"{}", "Nothing is missing that can still be had."},
            {"{ missing: { savable: 1 } }", "1 piece missing that can still be had."},
            {"{ missing: { savable: 3, sentBack: 2 } }", "3 pieces missing that can still be had, 2 back with them."},
            {"{ missing: { closed: 4 } }", "Nothing is missing that can still be had."},
            {"{ aboutToBeLost: '9.14', " + loss + " }", "Waiting three days costs 9.1 % of a course, first today 18:00."
            },
            {
                "{ missing: { savable: 1 }, aboutToBeLost: '2', " + loss + " }",
                "1 piece missing that can still be had. Waiting three days costs 2.0 % of a course, first today 18:00."
            },
            {"{ aboutToBeLost: '0.04', " + loss + " }", "Nothing is missing that can still be had."},
        };
    }

    @Test(dataProvider = "headlines")
    public void aRowSaysInASentenceHowAStudentFares(String row, String words) {
        assertEquals(say("household.headline(" + ROW + "(" + row + "), NOW)"), words);
    }

    /** Each figure's list, of work that only one of them counts. */
    @DataProvider
    public static Object[][] figures() {
        return new Object[][] {
            {"savable", "{ missing: true, move: 'YOURS', lacks: ['SAVABLE'] }"},
            {"closed", "{ missing: true, move: 'OUT_OF_REACH', lacks: ['CLOSED'] }"},
            {"listed", "{ flag: 'MISSING', stage: 'TURNED_IN', lacks: ['LISTED'] }"},
            {"long", "{ move: 'TEACHERS', lacks: ['UNGRADED_LONG'] }"},
            {"back", "{ stage: 'SENT_BACK', lacks: ['BACK'] }"},
            {"", "{ stage: 'SENT_BACK', missing: true }"},
        };
    }

    @Test(dataProvider = "figures")
    public void aFigureLeadsToTheWorkThatItCounts(String key, String work) {
        String found = """
                household.figuresOf(%s({}))
                  .filter(({ to }) => narrowing.narrow(board([piecework(%s)]),
                    narrowing.readNarrowing(new URLSearchParams(to.split('?')[1])), NOW).length === 1)
                  .map((one) => one.key).join(' ')
                """.formatted(ROW, work);
        assertEquals(say(found), key);
    }

    @DataProvider
    public static Object[][] sources() {
        String at = "'2026-11-24T06:00:00Z'";
        return new Object[][] {
            {"{ answeredAt: null, toldAt: null, faulty: false }", "nothing new so far"},
            {"{ answeredAt: null, toldAt: null, faulty: true }", "doesn't answer"},
            {"{ answeredAt: " + at + ", toldAt: " + at + ", faulty: false }", "told something today 07:00"},
            {"{ answeredAt: " + at + ", toldAt: null, faulty: true }", "silent since today 07:00"},
        };
    }

    @Test(dataProvider = "sources")
    public void aSchoolsSystemSaysWhenItLastTold(String source, String words) {
        assertEquals(say("household.sourceWords(" + source + ", ZONE, NOW)"), words);
    }

    @DataProvider
    public static Object[][] courses() {
        return new Object[][] {
            {"{ expected: null, kind: 'POINTS' }", "–"},
            {"{ expected: '82.449', kind: 'WEIGHTED' }", "82.4 %"},
            {"{ expected: '79.96', kind: 'POINTS' }", "80.0 %"},
            {"{ expected: '3.25', kind: 'STANDARDS' }", "3.3 of 4"},
        };
    }

    @Test(dataProvider = "courses")
    public void aCourseSaysWhatIsExpected(String course, String words) {
        assertEquals(say("household.expectedWords(" + course + ")"), words);
    }

    /** Three students as the server orders them: who needs it most first. */
    private static final String THREE = """
            [%1$s({ id: 1, name: 'Bo Lind', missing: { savable: 2 }, fresh: 1, courses: [
                 { id: 4, kind: 'POINTS', expected: '71.5' }, { id: 5, kind: 'STANDARDS', expected: '2.4' }, { id: 6, kind: 'POINTS', expected: null }],
               own: { note: 'Called on Monday', writtenAt: null, groups: ['First year', 'Needs a call'] } }),
             %1$s({ id: 2, name: 'Åse Dahl', missing: { savable: 5, closed: 1 }, close: { name: '', at: '2026-12-18T11:00:00Z' },
               own: { note: '', writtenAt: null, groups: ['Second year'] } }),
             %1$s({ id: 3, name: 'Anna Krog', missing: { savable: 2, closed: 4 }, fresh: 3,
               close: { name: '', at: '2026-11-27T16:00:00Z' } })]""".formatted(ROW);

    @DataProvider
    public static Object[][] looks() {
        return new Object[][] {
            {"", "1 2 3"},
            {"by=-need", "3 2 1"},
            {"by=name", "3 2 1"},
            {"by=-name", "1 2 3"},
            {"by=savable", "2 1 3"},
            {"by=-savable", "3 1 2"},
            {"by=closed", "3 2 1"},
            {"by=fresh", "3 1 2"},
            {"by=weakest", "1 2 3"},
            {"by=-weakest", "3 2 1"},
            {"by=close", "3 2 1"},
            {"by=nonsense", "1 2 3"},
            {"q=lind", "1"},
            {"q=CALL", "1"},
            {"q=mon+bo", "1"},
            {"q=onday", ""},
            {"q=ann", "3"},
            {"group=First+year", "1"},
            {"group=", "3"},
            {"group=Third+year", ""},
            {"group=First+year&q=dahl", ""},
        };
    }

    /** Who is equal stays in the order of who needs it most. */
    @Test(dataProvider = "looks")
    public void studentsAreNarrowedAndOrdered(String address, String ids) {
        assertEquals(
                say("household.lookAt(" + THREE + ", household.readLooking(new URLSearchParams('" + address
                        + "'))).map((row) => row.id).join(' ')"),
                ids);
    }

    @DataProvider
    public static Object[][] addresses() {
        return new Object[][] {
            {"q=lind&group=First+year&by=savable", "q=lind&group=First+year&by=savable"},
            {"by=need", ""},
            {"group=", "group="},
            {"q=&by=-name", "by=-name"},
            {"by=-need&span=term", "by=-need&span=term"},
        };
    }

    @Test(dataProvider = "addresses")
    public void howTheyAreLookedAtLivesInTheAddress(String address, String again) {
        String written = "((now) => (household.writeLooking(now, household.readLooking(now)), String(now)))";
        assertEquals(say(written + "(new URLSearchParams('" + address + "'))"), again);
    }

    @DataProvider
    public static Object[][] groups() {
        return new Object[][] {
            {"household.groupsOf(" + THREE + ")", "First year|Needs a call|Second year"},
            {"household.groupNames(' First year ,, Needs a call,')", "First year|Needs a call"},
            {"household.groupNames('')", ""},
            {"[household.weakest(" + THREE + "[0])?.id, household.weakest(" + THREE + "[1])]", "5|"},
        };
    }

    @Test(dataProvider = "groups")
    public void groupsAreNamedOnceAndReadFromALine(String told, String names) {
        assertEquals(say("(" + told + ").join('|')"), names);
    }

    /** What is taken by a press, or let go, in a list of five; and by a press with Shift. */
    @DataProvider
    public static Object[][] choices() {
        return new Object[][] {
            {"work.toggled(null, [2])", "2"},
            {"work.toggled(new Set([2]), [2])", ""},
            {"work.toggled(new Set([2]), [2, 3])", "2 3"},
            {"work.toggled(new Set([2, 3]), [2, 3])", ""},
            {"work.between([5, 4, 3, 2, 1], 4, 2)", "4 3 2"},
            {"work.between([5, 4, 3, 2, 1], 2, 4)", "4 3 2"},
            {"work.between([5, 4], null, 4) ?? []", ""},
            {"work.between([5, 4], 9, 4) ?? []", ""},
        };
    }

    @Test(dataProvider = "choices")
    public void severalRowsAreTaken(String chosen, String ids) {
        assertEquals(say("[..." + "(" + chosen + ")].join(' ')"), ids);
    }

    @DataProvider
    public static Object[][] unread() {
        return new Object[][] {
            {"Ada", "The work of Ada couldn’t be worked out just now."},
            {"Ada,Ben", "The work of Ada and Ben couldn’t be worked out just now."},
            {"Ada,Ben,Cy", "The work of Ada, Ben and Cy couldn’t be worked out just now."},
            {"Ada,Ben,Cy,Di,Ed", "The work of Ada, Ben, Cy and 2 more couldn’t be worked out just now."},
        };
    }

    @Test(dataProvider = "unread")
    public void whoCouldNotBeWorkedOutIsNamed(String names, String words) {
        assertEquals(say("household.unreadWords('" + names + "'.split(',').map((name, id) => ({ id, name })))"), words);
    }
}

package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The words of a row of Household, and the lists that its figures lead to. */
public class HouseholdModuleTest extends Modules {
    private static final String ROW = """
            (({ missing, ...over }) => ({ id: 7, name: 'Asta', zone: ZONE, school: null, term: null,
              missing: { savable: 0, closed: 0, listed: 0, ungradedLong: 0, sentBack: 0, ...missing }, aboutToBeLost: '0',
              nextLoss: null, nextDue: null, close: null, fresh: 0, courses: [], sources: [], ...over }))""";

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
            {"{ expected: null, target: '80', kind: 'POINTS' }", "– false"},
            {"{ expected: '82.449', target: null, kind: 'WEIGHTED' }", "82.4 % false"},
            {"{ expected: '79.96', target: '80', kind: 'POINTS' }", "80.0 % true"},
            {"{ expected: '3.25', target: '3', kind: 'STANDARDS' }", "3.3 of 4 false"},
            {"{ expected: '2.9', target: '3', kind: 'STANDARDS' }", "2.9 of 4 true"},
        };
    }

    @Test(dataProvider = "courses")
    public void aCourseSaysWhatIsExpectedAndWhetherItFallsShort(String course, String words) {
        assertEquals(
                say("((one) => household.expectedWords(one) + ' ' + household.isShort(one))(" + course + ")"), words);
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
}

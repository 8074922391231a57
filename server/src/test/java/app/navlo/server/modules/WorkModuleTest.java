package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the table of work is narrowed to, how it is grouped and sorted, and how that stands in the address. */
public class WorkModuleTest extends Modules {
    private static final String WORKS = """
            [piecework({ id: 1, title: 'Soil essay', courseId: 1, unit: '2 Water', due: '2026-11-27T16:00:00Z',
               next: { at: '2026-11-27T16:00:00Z', limit: null, lost: '0', unknown: false } }),
             piecework({ id: 2, title: 'Worksheet 8', courseId: 1, unit: '10 Frost', timing: 'OVERDUE', missing: true,
               due: '2026-11-20T23:00:00Z', next: { at: '2026-11-24T23:00:00Z', limit: null, lost: '2', unknown: false } }),
             piecework({ id: 3, title: 'Planting plan', courseId: 2, move: 'TEACHERS', stage: 'TURNED_IN',
               handedInAt: '2026-11-22T08:00:00Z', due: '2026-11-23T16:00:00Z', files: 2 }),
             piecework({ id: 4, title: 'Critique', courseId: 2, kind: 'DISCUSSION', move: 'SETTLED', stage: 'RETURNED',
               due: '2026-10-02T16:00:00Z', score: { mark: 'FINAL', points: '9', raw: null, possible: '10' },
               feedback: { count: 2, unread: 1, latestBy: 'Maren Aldous', waits: true } }),
             piecework({ id: 5, title: 'Key 9', courseId: 2, kind: 'QUIZ', move: 'NOT_YET', stage: 'NOT_OPEN', due: null,
               opensAt: '2026-12-01T07:00:00Z', lock: 'opens once Key 8 is done', effortMinutes: 25 }),
             piecework({ id: 6, title: 'Overdue traverse', courseId: 1, timing: 'OVERDUE', due: '2026-11-22T23:00:00Z',
               next: { at: '2026-11-27T16:00:00Z', limit: null, lost: '2', unknown: false }, effortMinutes: null })]""";

    @DataProvider
    public static Object[][] narrowed() {
        return new Object[][] {
            {"", "1 2 3 4 5 6"},
            {"course=2", "3 4 5"},
            {"course=2&move=teachers,settled", "3 4"},
            {"stage=returned", "4"},
            {"kind=quiz,discussion", "4 5"},
            {"unit=2 Water&unit=10 Frost", "1 2"},
            {"only=missing", "2"},
            {"only=unread,scored", "4"},
            {"only=waits", "4"},
            {"only=overdue", "2 6"},
            {"only=week", "1"},
            {"only=nodue", "5"},
            {"only=short", "5"},
            {"only=files", "3"},
            {"only=locked", "5"},
            {"q=soil essay", "1"},
            {"q=planting", "3 4 5"},
            {"q=aldous", "4"},
            {"q=missing", "2"},
            {"q=turned  IN", "3"},
            {"q=nothing of this", ""},
            {"day=2026-11-27", "1 3"},
            {"day=2026-11-28", ""},
        };
    }

    @Test(dataProvider = "narrowed")
    public void theAddressSaysWhatIsLeft(String address, String left) {
        String narrowing = "narrowing.readNarrowing(new URLSearchParams('" + address + "'))";
        assertEquals(say("ids(narrowing.narrow(board(" + WORKS + "), " + narrowing + ", NOW))"), left);
        assertEquals(
                say("narrowing.isNarrowed(" + narrowing + ")"), String.valueOf(!address.isEmpty()), "said as narrowed");
    }

    @DataProvider
    public static Object[][] addresses() {
        return new Object[][] {
            {"", ""},
            {"by=move", ""},
            {"by=course&sort=-points", "by=course&sort=-points"},
            {"move=YOURS,nonsense", "move=yours"},
            {"only=missing,waits", "only=waits%2Cmissing"},
            {"course=2,x,3", "course=2%2C3"},
            {"sort=shoe-size", ""},
            {"q=a%20b&day=2026-11-27&unit=1%20Keys&unit=2", "unit=1+Keys&unit=2&q=a+b&day=2026-11-27"},
        };
    }

    @Test(dataProvider = "addresses")
    public void whatIsReadFromAnAddressIsWrittenBackAndNothingElse(String address, String written) {
        String back = "narrowing.writeNarrowing(narrowing.readNarrowing(new URLSearchParams('%s'))).toString()";
        assertEquals(say(back.formatted(address)), written);
        assertEquals(say(back.formatted(written)), written, "once more");
    }

    @DataProvider
    public static Object[][] groupings() {
        return new Object[][] {
            {"move", "null", "Yours: 2 6 1; Teacher’s: 3; Settled: 4; Not yet: 5"},
            {"course", "null", "Soil Science: 2 6 1; Planting Design: 4 3 5"},
            {"unit", "null", "2 Water: 1; 10 Frost: 2; No unit: 6; No unit: 3 4 5"},
            {"due", "null", "Overdue and yours: 2 6; In the next seven days: 1; No due date: 5; Past: 3 4"},
            {"state", "null", "Not open: 5; Assigned: 2 6 1; Turned in: 3; Returned: 4"},
            {"kind", "{ key: 'title', down: false }", "Assignment: 6 3 1 2; Quiz: 5; Discussion: 4"},
            {"kind", "{ key: 'title', down: true }", "Assignment: 2 1 3 6; Quiz: 5; Discussion: 4"},
            {"move", "{ key: 'effort', down: false }", "Yours: 1 2 6; Teacher’s: 3; Settled: 4; Not yet: 5"},
            {"move", "{ key: 'effort', down: true }", "Yours: 1 2 6; Teacher’s: 3; Settled: 4; Not yet: 5"},
        };
    }

    @Test(dataProvider = "groupings")
    public void groupsStandInTheirOrderAndWhatIsUnknownComesLast(String by, String sort, String groups) {
        String of =
                "work.group(board(%1$s), %1$s, '%2$s', %3$s, NOW).map((one) => one.title + ': ' + ids(one.works)).join('; ')";
        assertEquals(say(of.formatted(WORKS, by, sort)), groups);
    }

    @Test
    public void countsOfGroupsAddUpToWhatIsShown() {
        for (String by : new String[] {"move", "course", "unit", "due", "state", "kind"}) {
            String sum =
                    "work.group(board(%1$s), %1$s, '%2$s', null, NOW).reduce((sum, one) => sum + one.works.length, 0)";
            assertEquals(say(sum.formatted(WORKS, by)), "6", by);
        }
    }

    @DataProvider
    public static Object[][] small() {
        return new Object[][] {
            {"work.numbersOf([1, 2, 3, 7, 9, 10].map((id) => piecework({ id })))", "1-3,7,9-10"},
            {"work.numbersOf([])", ""},
            {"work.tableUrl(4, [piecework({ id: 2 })])", "/api/students/4/exports/works.csv?works=2"},
            {"time.span60(125)", "2 h 05"},
            {"time.span60(30 * 60)", "30 h"},
            {"work.narrowedWords(board([]), [], [])", "all courses, all moves"},
            {"work.narrowedWords(board([]), [2], ['YOURS', 'NOT_YET'])", "Studio, yours, not yet"},
            {"search.wordsOf('Blåbær, Żółw & co. 8')", "[\"blabær\",\"zołw\",\"co\",\"8\"]"},
            {"search.fits('Worksheet 8: nitrogen', 'work nit')", "1"},
            {"search.fits('Worksheet 8: nitrogen', 'sheet')", "0"},
            {"search.fits('Worksheet 8', 'tarn work', ['Halvor Tarn'])", "0.5"},
            {"search.fits('Planting plan', 'missing', ['missing'])", "0.5"},
            {"search.fits('anything', '')", "1"},
            {"search.fits('Soil lab', 'ha-ha', ['Halvor Tarn'])", "0"},
            {"search.fits('The ha-ha: a sunken fence', 'ha-ha')", "1"},
            {"search.fits('The ha-ha: a sunken fence', 'fence ha-h')", "1"},
            {"search.fits('Sheet 2: the border', '2: the')", "1"},
            {"search.fits('Café review', 'cafe')", "1"},
        };
    }

    @Test(dataProvider = "small")
    public void rowsAreNamedCountedAndFound(String expression, String said) {
        assertEquals(say(expression), said);
    }
}

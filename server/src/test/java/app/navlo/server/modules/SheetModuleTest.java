package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a sheet for a meeting says of work, courses and days. */
public class SheetModuleTest extends Modules {
    private static final String WORKS = """
            [piecework({ id: 1, title: 'Essay', lacks: ['SAVABLE'], next: { at: '2026-11-26T17:00:00Z' } }),
             piecework({ id: 2, title: 'Map', lacks: ['SAVABLE', 'BACK'], next: { at: '2026-11-25T17:00:00Z' } }),
             piecework({ id: 3, title: 'Poster', lacks: ['BACK'] }),
             piecework({ id: 4, title: 'Quiz', lacks: ['CLOSED'] }),
             piecework({ id: 5, title: 'Fine', lacks: [] })]""";

    /** Each piece of work once, under the first of its kinds; what loses something first stands first. */
    @Test
    public void whatIsMissingStandsByItsKind() {
        assertEquals(
                say("sheet.lacking(board(" + WORKS + "))"
                        + ".map(({ lack, works }) => lack + ' ' + works.map((one) => one.title).join(',')).join('; ')"),
                "SAVABLE Map,Essay; BACK Poster; CLOSED Quiz");
        assertEquals(say("String(sheet.lacking(board([])).length)"), "0");
    }

    @DataProvider
    public static Object[][] brought() {
        return new Object[][] {
            {"{ impact: '2.14' }", "SAVABLE", "up to 2.1 % of the course"},
            {"{ impact: '2.14', lift: '0.8' }", "BACK", "up to 0.8 % of the course"},
            {"{ impact: '0' }", "SAVABLE", "no figure hangs on it"},
            {"{ impact: null }", "SAVABLE", "no figure hangs on it"},
            {"{ impact: '2.14' }", "CLOSED", "nothing more"},
            {"{ impact: '2.14' }", "LISTED", "it is there: ask for it to be entered"},
        };
    }

    @Test(dataProvider = "brought")
    public void itSaysWhatAPieceOfWorkStillBrings(String work, String lack, String words) {
        assertEquals(
                say("sheet.bringsWords(piecework(" + work + "), '" + lack + "', { standing: { kind: 'POINTS' } })"),
                words);
    }

    @DataProvider
    public static Object[][] ends() {
        String at = "at: '2026-11-27T16:00:00Z'";
        return new Object[][] {
            {"{ next: null }", ""},
            {"{ next: { " + at + ", limit: null, lost: '2' } }", "full value until Fri 27 Nov 17:00"},
            {"{ timing: 'OVERDUE', next: { " + at + ", limit: null, lost: '2' } }", "loses more after Fri 27 Nov 17:00"
            },
            {
                "{ timing: 'OVERDUE', redo: { kind: 'ASKED' }, next: { " + at + ", limit: null, lost: '2' } }",
                "full value until Fri 27 Nov 17:00"
            },
            {"{ next: { at: '2026-11-24T23:00:00Z', limit: null, lost: '2' } }", "full value until the end of today"},
            {"{ next: { " + at + ", limit: 'CUTOFF', lost: '8' } }", "until Fri 27 Nov 17:00 (late work ends)"},
        };
    }

    @Test(dataProvider = "ends")
    public void itSaysUntilWhen(String work, String words) {
        assertEquals(say("sheet.untilWords(piecework(" + work + "), ZONE, NOW)"), words);
    }

    @DataProvider
    public static Object[][] came() {
        String score = "score: { mark: 'NONE', points: '18', possible: '20' }";
        return new Object[][] {
            {"SCORE", "{ " + score + " }", "18 of 20"},
            {"SENT_BACK", "{ " + score + " }", "Sent back"},
            {"FLAG", "{ flag: 'MISSING' }", "Flagged missing"},
            {"FLAG", "{ flag: 'CLEARED' }", "Flagged"},
            {"SCORE", "{ score: { mark: 'HIDDEN', points: null, possible: '20' } }", "Scored"},
        };
    }

    @Test(dataProvider = "came")
    public void itSaysWhatCameOfAPieceOfWork(String kind, String work, String words) {
        assertEquals(say("sheet.cameWords({ kind: '" + kind + "' }, piecework(" + work + "))"), words);
    }

    @DataProvider
    public static Object[][] lines() {
        String letters = "letters: [{ label: 'A', from: '90' }, { label: 'Pass', from: '55' }]";
        return new Object[][] {
            {
                "{ kind: 'POINTS', " + letters + ", readings: [{ reading: 'EXPECTED', figure: '54.96' }] }",
                "Pass from 55.0 % | 54.96 % | true"
            },
            {
                "{ kind: 'POINTS', " + letters + ", readings: [{ reading: 'EXPECTED', figure: '55' }] }",
                "Pass from 55.0 % | 55.0 % | false"
            },
            {"{ kind: 'STANDARDS', letters: [], readings: [{ reading: 'EXPECTED', figure: '2.4' }] }", " | 2.4 | false"
            },
            {"{ kind: 'POINTS', " + letters + ", readings: [] }", "Pass from 55.0 % | — | false"},
        };
    }

    @Test(dataProvider = "lines")
    public void aCourseStandsAgainstItsLowestLine(String standing, String words) {
        assertEquals(
                say("((course) => sheet.passLine(course) + ' | ' + sheet.expectedOf(course).words + ' | '"
                        + " + sheet.expectedOf(course).under)({ standing: " + standing + " })"),
                words);
    }

    /** The plan's moves and what is due, by local day; what is the teacher's, over, or beyond two weeks isn't there. */
    @Test
    public void theNextTwoWeeksAreToldByDay() {
        String works = """
                [piecework({ id: 1, title: 'Essay', move: 'YOURS', due: '2026-11-26T22:30:00Z' }),
                 piecework({ id: 2, title: 'Map', move: 'TEACHERS', due: '2026-11-26T22:30:00Z' }),
                 piecework({ id: 3, title: 'Talk', move: 'NOT_YET', due: '2026-12-08T09:00:00Z' }),
                 piecework({ id: 4, title: 'Later', move: 'YOURS', due: '2026-12-09T09:00:00Z' }),
                 piecework({ id: 5, title: 'Over', move: 'YOURS', due: '2026-11-20T09:00:00Z' })]""";
        String next = """
                { free: [], moves: [{ work: 1, deed: 'HAND_IN', minutes: 45,
                  sittings: [{ start: '2026-11-25T18:00:00Z', end: '2026-11-25T18:45:00Z' }] }] }""";
        assertEquals(
                say("sheet.ahead(board(" + works + "), " + next + ", NOW)"
                        + ".map((day) => day.date + ' [' + day.plan + '] [' + day.due + ']').join('; ')"),
                "2026-11-25 [Hand in Essay, 45 min] []; 2026-11-26 [] [Essay]; 2026-12-08 [] [Talk]");
    }

    @DataProvider
    public static Object[][] days() {
        return new Object[][] {
            {"{ due: '2026-11-23', keptAt: null }", "true"},
            {"{ due: '2026-11-24', keptAt: null }", "false"},
            {"{ due: '2026-11-23', keptAt: '2026-11-23T10:00:00Z' }", "false"},
            {"{ due: null, keptAt: null }", "false"},
        };
    }

    @Test(dataProvider = "days")
    public void anAgreementIsLateOnTheDayAfter(String agreement, String late) {
        assertEquals(say("String(sheet.isOverdue(" + agreement + ", '2026-11-24'))"), late);
    }
}

package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rows that are read in, what was said in one stream, and what asks for attention. */
public class IntakeModuleTest extends Modules {
    private static final String ROW = """
            ((over) => ({ key: 'k', status: 'NEW', past: false, answer: null, notWork: null, score: null, state: null, ...over }))""";

    private static String rows(String... over) {
        StringBuilder all = new StringBuilder("[");
        for (String one : over) {
            all.append(ROW).append("({ ").append(one).append(" }),");
        }
        return all.append(']').toString();
    }

    @Test
    public void rowsStandByWhatIsToBeDecidedAboutThem() {
        String all = rows(
                "key: 'a'",
                "key: 'b', past: true",
                "key: 'c', status: 'SAME'",
                "key: 'd', status: 'ASIDE'",
                "key: 'e', status: 'ASIDE', past: true, answer: 'LEAVE_OUT'");
        assertEquals(
                say("imports.groupsOf(" + all
                        + ").map((one) => one.key + (one.open ? '' : '!') + ':' + one.rows.map((row) =>"
                        + " row.key).join('')).join(' ')"),
                "ahead:a past:be aside:d same!:c");
    }

    @DataProvider
    public static Object[][] presses() {
        return new Object[][] {
            {rows("", ""), "0", "[]", "Add 2"},
            {rows("", "status: 'CHANGED'", "status: 'GONE'", "status: 'SAME'"), "0", "[]", "Add 1, change 1, remove 1"},
            {rows("status: 'CHANGED', score: '8'"), "0", "[]", "Change 1, take in scores of 1"},
            {rows("status: 'SAME'"), "0", "[]", ""},
            {rows("status: 'SAME'"), "5", "[]", "Take in 5 entries"},
            {rows(""), "0", "[{}, {}]", "Add 1, take the hours of classes: 2"},
        };
    }

    @Test(dataProvider = "presses")
    public void theButtonSaysWhatItDoes(String all, String results, String classes, String words) {
        String preview = "{ rows: " + all + ", records: 0, results: " + results + ", classes: " + classes + " }";
        assertEquals(say("imports.applyWords(" + preview + ", { classes: true })"), words);
    }

    @Test
    public void aRowThatIsCorrectedTwiceKeepsBoth() {
        String once = "imports.edited([], 'k', { title: 'Essay' })";
        String twice = "imports.edited(" + once + ", 'k', { dueDay: '2026-12-01' })";
        assertEquals(say(twice + ".length"), "1");
        assertEquals(say(twice + "[0].title + ' ' + " + twice + "[0].dueDay"), "Essay 2026-12-01");
        assertEquals(say("imports.edited(" + once + ", 'other', { take: false }).length"), "2");
    }

    private static final String SAID = """
            ((over) => ({ id: 1, work: 1, at: '2026-11-20T10:00:00Z', name: 'Maren Aldous', text: 'Draw the levels.', unread: false,
              mark: null, rows: [], released: null, ...over }))""";

    private static String said(String over) {
        return SAID + "({ " + over + " })";
    }

    @Test
    public void marksOfOneFileAreOneEntryReadAndUnreadApart() {
        String all = "[" + said("id: 1") + "," + said("id: 2, mark: { handIn: 4, position: 1 }") + ","
                + said("id: 3, mark: { handIn: 4, position: 1 }") + ","
                + said("id: 4, mark: { handIn: 4, position: 1 }, unread: true") + ","
                + said("id: 5, mark: { handIn: 4, position: 2 }") + "]";
        String entries = "feedback.entriesOf(" + all + ")";
        assertEquals(say(entries + ".map((one) => ids(one.all)).join('; ')"), "1; 2 3; 4; 5");
        assertEquals(say("feedback.sizeOf(" + entries + ")"), "5");
    }

    @DataProvider
    public static Object[][] words() {
        return new Object[][] {
            {"['levels']", "true"},
            {"['aldous', 'site']", "true"},
            {"['draw', 'nothing']", "false"},
            {"[]", "true"},
            {"['needles']", "true"},
        };
    }

    @Test(dataProvider = "words")
    public void allWordsAreSomewhereInWhatWasSaid(String words, String there) {
        String entry = "feedback.entriesOf(["
                + said("released: { attempt: 1, shown: { answers: [{ question: 'Soft needles?',"
                        + " given: null, wanted: 'Larix' }] } }")
                + "])[0]";
        assertEquals(say("feedback.hasWords(" + entry + ", 'Site section', " + words + ")"), there);
    }

    @DataProvider
    public static Object[][] ways() {
        return new Object[][] {
            {"step: 'HAND_IN', kind: 'DRAFT_DUE'", "true", "Finish the hand-in → /s/1/next/7?step=hand-in"},
            {"step: 'HAND_IN', kind: 'PARTS_DUE'", "true", "Write what is left → /s/1/next/7?step=hand-in"},
            {"step: 'ASK_FOR_TIME', kind: 'ASKING_ENDS'", "true", "Ask for more days → /s/1/leeway/7"},
            {
                "step: 'SEND_RECEIPT', kind: 'FLAGGED_LATE'",
                "true",
                "Send the receipt → /s/1/next/7?step=message&answers=FLAGGED_LATE"
            },
            {"step: 'ANSWER', kind: 'QUESTION'", "true", "Answer → /s/1/next/7?step=said"},
            {"step: 'READ', kind: 'EXTENSION_DECLINED'", "true", "Look at it → /s/1/next/7"},
            {"step: 'HAND_IN', kind: 'DRAFT_DUE'", "false", "Look at it → /s/1/next/7"},
        };
    }

    @Test(dataProvider = "ways")
    public void aSignalHasOneThingToDoAndAReaderOnlyLooks(String signal, String may, String way) {
        String of = "signals.wayOf({ work: 7, " + signal + " }, 1, '/s/1/next', " + may + ")";
        assertEquals(say("((one) => one.words + ' → ' + one.to)(" + of + ")"), way);
    }

    @Test
    public void aGuardianIsToldOfTheStudentByName() {
        String whom = "{ own: %s, board: { student: { name: 'Mira Solheim' } } }";
        assertEquals(say("signals.groupWords('ASKED', " + whom.formatted("true") + ")"), "Asked of you");
        assertEquals(say("signals.groupWords('AGAINST', " + whom.formatted("false") + ")"), "Came out against Mira");
        String all =
                "[{ work: 1, kind: 'A', group: 'NEWS' }, { work: 2, kind: 'B', group: 'ASKED' }, { work: 3, kind: 'C', group:"
                        + " 'NEWS' }]";
        assertEquals(
                say("signals.grouped(" + all + ").map(([group, of]) => group + of.length).join(' ')"), "NEWS2 ASKED1");
        assertEquals(say("signals.signalKey(" + all + "[1])"), "2 B");
    }
}

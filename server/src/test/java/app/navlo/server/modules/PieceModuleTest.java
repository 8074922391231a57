package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import java.util.Arrays;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The parts of a piece of work, what was said about it, and what would be handed in. */
public class PieceModuleTest extends Modules {
    private static final String SAID = """
            ((over) => ({ id: 1, work: 1, at: '2026-11-20T10:00:00Z', by: 'TEACHER', name: 'Halvor Tarn', place: 'ON_WORK',
              text: 'Good.', unread: false, answers: null, mark: null, rows: [], released: null, files: [], ...over }))""";
    private static final String DETAIL = """
            ((over, workOver) => ({ work: piecework(workOver ?? {}), instructions: '', said: [], notes: [], handIns: [], life: [],
              costs: [], mayHandIn: true, mayRecord: true, onItsWay: null,
              takes: { files: true, text: false, done: false, fileTypes: [], maxFiles: 20, maxFileBytes: 1048576 },
              draft: { files: [], text: '', number: null },
              material: { attachments: [], attempts: [], rubric: null, records: [], filesWanted: null }, ...over }))""";

    private static String said(String over) {
        return SAID + "({ " + over + " })";
    }

    private static String detail(String over, String work) {
        return DETAIL + "({ " + over + " }, { " + work + " })";
    }

    @Test
    public void answersStandUnderWhatTheyAnswerAndMarksByTheirFile() {
        String all = "[" + said("id: 1, at: '2026-11-20T10:00:00Z'") + ","
                + said("id: 4, answers: 3, at: '2026-11-22T10:00:00Z'")
                + "," + said("id: 3, answers: 1, by: 'STUDENT', at: '2026-11-21T10:00:00Z'")
                + "," + said("id: 5, answers: 99") + ","
                + said("id: 6, mark: { handIn: 9, position: 1, page: 2, y: 0.1 }") + ","
                + said("id: 7, mark: { handIn: 9, position: 1, page: 1, y: 0.8 }") + ","
                + said("id: 8, mark: { handIn: 9, position: 2, page: 1, y: 0.2 }") + "]";
        String threads = "piece.threads(" + all + ")";
        assertEquals(
                say(threads
                        + ".talks.map((one) => one.said.id + ':' + one.answers.map((a) => a.id).join(',')).join(' ')"),
                "1:3,4 5:");
        assertEquals(say(threads + ".onPages.map((one) => ids(one)).join(';')"), "6 7;8");
        assertEquals(say("ids(piece.inOrder(" + threads + ".onPages[0]))"), "7 6", "as they are numbered on the pages");
        assertEquals(say("piece.markKey(" + said("mark: { handIn: 9, position: 2 }") + ")"), "9.2");
    }

    @Test
    public void whatWasNewWhenItWasOpenedStaysNewAndOnTop() {
        String all = "[" + said("id: 1, at: '2026-11-20T10:00:00Z'") + "," + said("id: 2, at: '2026-11-22T10:00:00Z'")
                + "," + said("id: 3, at: '2026-11-19T10:00:00Z', unread: true") + "]";
        assertEquals(say("ids(piece.stillNew(" + all + ", new Set([1])))"), "1 3 2");
        assertEquals(say("ids(piece.stillNew(" + all + ", new Set()))"), "3 2 1");
    }

    @DataProvider
    public static Object[][] titles() {
        String done = "takes: { files: false, text: false, done: true, fileTypes: [], maxFiles: 0, maxFileBytes: 0 }";
        return new Object[][] {
            {"", "", "Hand in"},
            {done, "", "Record that it was done"},
            {done + ", mayHandIn: false", "", "Hand in"},
            {
                "takes: { files: false, text: true, done: true, fileTypes: [], maxFiles: 0, maxFileBytes: 0 }",
                "",
                "Hand in"
            },
            {done, "toComplete: true", "Add what is lacking"},
        };
    }

    @Test(dataProvider = "titles")
    public void whatOnlyRecordsIsCalledSo(String over, String work, String title) {
        assertEquals(say("piece.handInTitle(" + detail(over, work) + ")"), title);
    }

    @DataProvider
    public static Object[][] parts() {
        return new Object[][] {
            {"", "", "true", "hand-in said worth notes"},
            {"", "", "false", "worth"},
            {
                "instructions: 'Read it.'",
                "",
                "true",
                "hand-in asked said worth notes".replace("said worth", "worth said")
            },
            {
                "said: [" + said("") + "]",
                "stage: 'RETURNED', feedback: { count: 1, unread: 0, latestBy: 'Halvor Tarn', waits: false }",
                "true",
                "said hand-in worth notes"
            },
        };
    }

    @Test(dataProvider = "parts")
    public void thePartsStandInTheOrderInWhichTheyMatter(String over, String work, String may, String order) {
        String shown = say("piece.partsOf(" + detail(over, work) + ", " + may + ").map((one) => one.id).join(' ')");
        assertEquals(sorted(shown), sorted(order), shown);
        assertEquals(shown.startsWith("said"), order.startsWith("said"), shown);
    }

    private static String sorted(String words) {
        return Arrays.stream(words.split(" ")).sorted().toList().toString();
    }

    @DataProvider
    public static Object[][] compared() {
        String file = "{ id: 1, name: 'plan.pdf', size: 400 }";
        return new Object[][] {
            {"", "", "Files:up to 20/0 wanting"},
            {"draft: { files: [" + file + "], text: '', number: 1 }", "", "Files:up to 20/1 fits"},
            {
                "draft: { files: [" + file
                        + "], text: '', number: 1 }, material: { attachments: [], attempts: [], rubric: null,"
                        + " records: [], filesWanted: 3 }",
                "",
                "Files:3/1 wanting"
            },
        };
    }

    @Test(dataProvider = "compared")
    public void whatIsAskedForStandsBesideWhatIsReady(String over, String text, String lines) {
        String of = "piece.compared(" + detail(over, "") + ", '" + text
                + "').filter((one) => one.what === 'Files').map((one) =>"
                + " one.what + ':' + one.asked + '/' + one.ready + (one.fits ? ' fits' : ' wanting')).join(';')";
        assertEquals(say(of), lines);
    }
}

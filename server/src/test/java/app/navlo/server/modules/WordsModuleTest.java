package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a row says of a piece of work. */
public class WordsModuleTest extends Modules {
    @DataProvider
    public static Object[][] ends() {
        String loss = "{ at: '2026-11-24T23:00:00Z', limit: null, lost: '2', unknown: false }";
        return new Object[][] {
            {"", "no due date"},
            {"next: " + loss, "7 h 40 to due"},
            {"next: { at: '2026-11-27T16:00:00Z', limit: null, lost: '0', unknown: false }", "3 d to due"},
            {
                "next: { at: '2026-11-27T16:00:00Z', limit: 'GRADING_CLOSE', lost: '0', unknown: false }",
                "3 d to the close"
            },
            {"timing: 'OVERDUE', due: '2026-11-20T23:00:00Z', next: " + loss, "88 h late, −2 in 7 h"},
            {"timing: 'OVERDUE', due: '2026-11-20T23:00:00Z'", "88 h late"},
            {
                "timing: 'OVERDUE', due: '2026-11-23T09:00:00Z', next: { at: '2026-11-27T16:00:00Z', limit: 'CUTOFF',"
                        + " lost: '12', unknown: false }",
                "30 h late, 3 d left"
            },
            {
                "timing: 'OVERDUE', due: '2026-11-23T09:00:00Z', next: { at: '2026-11-24T23:00:00Z', limit: null,"
                        + " lost: '1.25', unknown: true }",
                "30 h late, 7 h left"
            },
            {"move: 'NOT_YET', opensAt: '2026-12-01T07:00:00Z'", "opens Tue 1 Dec 08:00"},
            {"move: 'NOT_YET', opensAt: '2026-12-01T23:00:00Z'", "opens Wed 2 Dec"},
            {"move: 'NOT_YET', lock: 'opens once Key 8 is done'", "opens once Key 8 is done"},
            {"move: 'NOT_YET'", "behind a gate"},
            {"move: 'TEACHERS', handedInAt: '2026-11-23T19:00:00Z'", "in since yesterday 20:00"},
            {"move: 'TEACHERS', timing: 'LATE', handedInAt: '2026-11-23T19:00:00Z'", "in since yesterday 20:00, late"},
            {"move: 'TEACHERS', stage: 'TURNED_IN'", "collected"},
            {"move: 'TEACHERS'", "extension asked for"},
            {"move: 'OUT_OF_REACH'", "closed"},
            {"move: 'SETTLED', stage: 'EXCUSED'", ""},
            {"move: 'SETTLED', timing: 'ON_TIME'", "on time"},
            {
                "move: 'SETTLED', timing: 'LATE', due: '2026-11-20T23:00:00Z', handedInAt: '2026-11-23T00:00:00Z'",
                "49 h late"
            },
            {"move: 'SETTLED', required: false", "optional, past its due"},
            {"due: '2026-12-03T10:00:00Z', endsAt: '2026-12-03T11:30:00Z'", "starts in 8 d"},
            {"due: '2026-11-24T15:00:00Z', endsAt: '2026-11-24T16:30:00Z'", "happening now"},
        };
    }

    @Test(dataProvider = "ends")
    public void theEndOfARowSaysWhatComesNextAndWhen(String over, String words) {
        assertEquals(say("words.countdown(piecework({ " + over + " }), ZONE, NOW).words"), words);
    }

    @Test
    public void whatIsLostWithinADayIsHot() {
        String in =
                "words.countdown(piecework({ next: { at: '%s', limit: null, lost: '0', unknown: false } }), ZONE, NOW).hot";
        assertEquals(say(in.formatted("2026-11-25T15:19:00Z")), "true");
        assertEquals(say(in.formatted("2026-11-25T15:21:00Z")), "false");
    }

    @DataProvider
    public static Object[][] details() {
        return new Object[][] {
            {"", "Assigned", ""},
            {"missing: true", "Assigned", "missing"},
            {"flag: 'MISSING', stage: 'TURNED_IN'", "Turned in", "flagged missing"},
            {"flag: 'CLEARED'", "Assigned", ""},
            {"stage: 'DRAFT'", "Draft", "not handed in"},
            {"stage: 'DRAFT', missing: true", "Draft", "missing"},
            {"stage: 'DRAFT', parts: { done: 2, of: 4 }", "Posted", "2 of 4"},
            {"stage: 'DRAFT', parts: { done: 0, of: 4 }", "Draft", "nothing posted"},
            {"stage: 'NOT_OPEN', lock: 'opens later'", "Not open", "locked"},
            {"stage: 'RETURNED', redo: { kind: 'ASKED' }", "Returned", "redo asked"},
            {"stage: 'RETURNED', redo: { kind: 'OPEN' }", "Returned", "redo open"},
            {"stage: 'RETURNED', move: 'SETTLED'", "Returned", ""},
        };
    }

    @Test(dataProvider = "details")
    public void theStateIsAWordAndWhatStandsBehindIt(String over, String stage, String detail) {
        assertEquals(say("words.stageWord(piecework({ " + over + " }))"), stage);
        assertEquals(say("words.stageDetail(piecework({ " + over + " }))"), detail);
    }

    @DataProvider
    public static Object[][] scores() {
        return new Object[][] {
            {"mark: 'NONE', points: null, possible: '20'", "{\"points\":\"—\",\"of\":\"of 20\",\"mark\":\"\"}"},
            {"mark: 'FINAL', points: '18', possible: '20'", "{\"points\":\"18\",\"of\":\"of 20\",\"mark\":\"\"}"},
            {"mark: 'HIDDEN', points: null, possible: '25'", "{\"points\":\"\",\"of\":\"of 25\",\"mark\":\"hidden\"}"},
            {
                "mark: 'PROVISIONAL', points: '14', possible: '20'",
                "{\"points\":\"14\",\"of\":\"of 20\",\"mark\":\"so far\"}"
            },
            {"mark: 'NONE', points: null, possible: '0'", "{\"points\":\"\",\"of\":\"\",\"mark\":\"\"}"},
        };
    }

    @Test(dataProvider = "scores")
    public void aNumberIsShownOnlyWhereOneMayBe(String score, String words) {
        assertEquals(say("words.scoreWords({ " + score + " })"), words);
    }

    @DataProvider
    public static Object[][] small() {
        return new Object[][] {
            {"words.bytes(900)", "900 bytes"},
            {"words.bytes(21_000)", "21 kB"},
            {"words.bytes(1_048_576)", "1 MB"},
            {"words.bytes(1_600_000)", "1.5 MB"},
            {"words.count(1, 'reply', 'replies')", "1 reply"},
            {"words.count(0, 'file')", "0 files"},
            {"words.sentence('It is closed')", "It is closed."},
            {"words.sentence('Is it?')", "Is it?"},
            {"words.barShare(0)", "0.03"},
            {"words.barShare(14 * 24 * 60)", "1"},
            {"words.barShare(90 * 24 * 60)", "1"},
            {"words.moveWords('YOURS', { own: false, board: { student: { name: 'Mira Solheim' } } })", "Mira’s"},
            {"words.moveWords('TEACHERS', { own: false, board: { student: { name: 'Mira Solheim' } } })", "Teacher’s"},
            {
                "words.flagAgainstClock(piecework({ flag: 'LATE', flagDiffers: true, timing: 'ON_TIME' }))",
                "The gradebook says late; by the clock it was handed in on time."
            },
            {"words.flagAgainstClock(piecework({ flag: 'LATE', flagDiffers: false }))", ""},
            {"budget.budgetOf('90')", "90"},
            {"budget.budgetOf('1441')", "null"},
            {"budget.budgetOf('1.5')", "null"},
            {"budget.budgetOf(null)", "null"},
        };
    }

    @Test(dataProvider = "small")
    public void wordsAreWholeAndCounted(String expression, String words) {
        assertEquals(say(expression), words);
    }
}

package app.navlo.formats.told;

import static org.testng.Assert.assertEquals;

import app.navlo.formats.told.StateWords.Meaning;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The words for states that tables use, each with what it means. */
public class StateWordsTest {
    @DataProvider
    public static Object[][] words() {
        return new Object[][] {
            {"", Meaning.NOTHING},
            {"-", Meaning.NOTHING},
            {"N/A", Meaning.NOTHING},
            {"Not submitted", Meaning.NOT_HANDED_IN},
            {"not submitted yet", Meaning.NOT_HANDED_IN},
            {"NOT TURNED IN", Meaning.NOT_HANDED_IN},
            {"unsubmitted", Meaning.NOT_HANDED_IN},
            {"not yet handed in", Meaning.NOT_HANDED_IN},
            {"not yet submitted", Meaning.NOT_HANDED_IN},
            {"not handed in (related)", Meaning.NOT_HANDED_IN},
            {"never handed in", Meaning.NOT_HANDED_IN},
            {"no submission", Meaning.NOT_HANDED_IN},
            {"No submissions", Meaning.NOT_HANDED_IN},
            {"nothing submitted", Meaning.NOT_HANDED_IN},
            {"hasn't been turned in", Meaning.NOT_HANDED_IN},
            {"wasn't submitted", Meaning.NOT_HANDED_IN},
            {"to be submitted", Meaning.NOT_HANDED_IN},
            {"still to be handed in", Meaning.NOT_HANDED_IN},
            {"Not started", Meaning.NOT_HANDED_IN},
            {"not begun", Meaning.NOT_HANDED_IN},
            {"not attempted", Meaning.NOT_HANDED_IN},
            {"no attempt", Meaning.NOT_HANDED_IN},
            {"To do", Meaning.NOT_HANDED_IN},
            {"todo", Meaning.NOT_HANDED_IN},
            {"assigned", Meaning.NOT_HANDED_IN},
            {"In progress", Meaning.NOT_HANDED_IN},
            {"draft", Meaning.NOT_HANDED_IN},
            {"Overdue", Meaning.NOT_HANDED_IN},
            {"past due", Meaning.NOT_HANDED_IN},
            {"upcoming", Meaning.NOT_HANDED_IN},
            {"awaiting submission", Meaning.NOT_HANDED_IN},
            {"pending submission", Meaning.NOT_HANDED_IN},
            {"submission pending", Meaning.NOT_HANDED_IN},
            {"submission required", Meaning.NOT_HANDED_IN},
            {"without submission", Meaning.NOT_HANDED_IN},
            {"not done", Meaning.NOT_HANDED_IN},
            {"didn't hand in", Meaning.NOT_HANDED_IN},
            {"late work accepted", Meaning.NOTHING},
            {"Late submissions allowed", Meaning.NOTHING},
            {"late accepted", Meaning.NOTHING},
            {"accepting submissions", Meaning.NOTHING},
            {"accepts late work", Meaning.NOTHING},
            {"no late work", Meaning.NOTHING},
            {"submissions closed", Meaning.NOTHING},
            {"not late", Meaning.NOTHING},
            {"closed", Meaning.NOTHING},
            {"locked", Meaning.NOTHING},
            {"not graded", Meaning.NOTHING},
            {"ungraded", Meaning.NOTHING},
            {"not missing", Meaning.NOTHING},
            {"unexcused", Meaning.NOTHING},
            {"Submitted", Meaning.HANDED_IN},
            {"submitted, not graded", Meaning.HANDED_IN},
            {"Submitted 12 Mar", Meaning.HANDED_IN},
            {"Turned in", Meaning.HANDED_IN},
            {"handed in", Meaning.HANDED_IN},
            {"Handed-in", Meaning.HANDED_IN},
            {"submitted on time", Meaning.HANDED_IN},
            {"on time", Meaning.HANDED_IN},
            {"delivered", Meaning.HANDED_IN},
            {"received", Meaning.HANDED_IN},
            {"uploaded", Meaning.HANDED_IN},
            {"resubmitted", Meaning.HANDED_IN},
            {"Done", Meaning.HANDED_IN},
            {"complete", Meaning.HANDED_IN},
            {"completed", Meaning.HANDED_IN},
            {"finished", Meaning.HANDED_IN},
            {"collected", Meaning.HANDED_IN},
            {"needs grading", Meaning.HANDED_IN},
            {"awaiting grading", Meaning.HANDED_IN},
            {"pending review", Meaning.HANDED_IN},
            {"waiting for a grade", Meaning.HANDED_IN},
            {"under review", Meaning.HANDED_IN},
            {"to be graded", Meaning.HANDED_IN},
            {"Late", Meaning.HANDED_IN_LATE},
            {"submitted late", Meaning.HANDED_IN_LATE},
            {"Turned in late", Meaning.HANDED_IN_LATE},
            {"handed in 2 d late", Meaning.HANDED_IN_LATE},
            {"late submission", Meaning.HANDED_IN_LATE},
            {"done late", Meaning.HANDED_IN_LATE},
            {"Graded", Meaning.RETURNED},
            {"marked", Meaning.RETURNED},
            {"returned", Meaning.RETURNED},
            {"scored", Meaning.RETURNED},
            {"Missing", Meaning.MISSING},
            {"missing, not submitted", Meaning.MISSING},
            {"Incomplete", Meaning.INCOMPLETE},
            {"not complete", Meaning.INCOMPLETE},
            {"partially done", Meaning.INCOMPLETE},
            {"EX", Meaning.EXCUSED},
            {"excused", Meaning.EXCUSED},
            {"Exempt", Meaning.EXCUSED},
            {"waived", Meaning.EXCUSED},
        };
    }

    @Test(dataProvider = "words")
    public void aWordMeansThis(String word, Meaning meaning) {
        assertEquals(StateWords.read(word), Optional.of(meaning), word);
    }

    @DataProvider
    public static Object[][] unknown() {
        return new Object[][] {{"blue"}, {"inside"}, {"related"}, {"platelet"}, {"indone"}, {"wip-3"}, {"eingereicht"}};
    }

    @Test(dataProvider = "unknown")
    public void aWordThatHoldsAnotherIsntThatOne(String word) {
        assertEquals(StateWords.read(word), Optional.empty(), word);
    }
}

package app.navlo.formats.told;

import static org.testng.Assert.assertEquals;

import app.navlo.core.work.WorkKind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What kind of work a title speaks of. */
public class KindWordsTest {
    @DataProvider
    public static Object[][] titles() {
        return new Object[][] {
            {"Quiz 4: ferns", WorkKind.QUIZ},
            {"Weekly quizzes", WorkKind.QUIZ},
            {"A quizzical essay", WorkKind.ASSIGNMENT},
            {"Test: day books", WorkKind.TEST},
            {"Midterm (room 4)", WorkKind.TEST},
            {"Final", WorkKind.TEST},
            {"Final essay", WorkKind.ASSIGNMENT},
            {"Final project", WorkKind.PROJECT},
            {"Final exam", WorkKind.TEST},
            {"Contest entry", WorkKind.ASSIGNMENT},
            {"Soil test report", WorkKind.TEST},
            {"Presentation of the border", WorkKind.PROJECT},
            {"Portfolio/2", WorkKind.PROJECT},
            {"Forum: seed pricing", WorkKind.DISCUSSION},
            {"Discussion–week 3", WorkKind.DISCUSSION},
            {"Practice: twigs", WorkKind.PRACTICE},
            {"Malpractice case", WorkKind.ASSIGNMENT},
            {"QUIZ", WorkKind.QUIZ},
            {"", WorkKind.ASSIGNMENT},
            {"42", WorkKind.ASSIGNMENT},
        };
    }

    @Test(dataProvider = "titles")
    public void aWholeWordTells(String title, WorkKind kind) {
        assertEquals(KindWords.kind(title), kind);
    }
}

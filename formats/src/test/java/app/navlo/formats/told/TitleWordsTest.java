package app.navlo.formats.told;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a title says beside the name of the work: a course, an edge of its window, that it is due. */
public class TitleWordsTest {
    @DataProvider
    public static Object[][] titles() {
        return new Object[][] {
            {"Essay", "Essay", null, TitleWords.Edge.ITSELF, false},
            {"  Essay \t on   soil ", "Essay on soil", null, TitleWords.Edge.ITSELF, false},
            {"[BOT-101] Essay", "Essay", "BOT-101", TitleWords.Edge.ITSELF, false},
            {"Essay [BOT-101]", "Essay", "BOT-101", TitleWords.Edge.ITSELF, false},
            {"MATH 201: Problem set 3", "Problem set 3", "MATH 201", TitleWords.Edge.ITSELF, false},
            {"Problem set 3 is due", "Problem set 3", null, TitleWords.Edge.ITSELF, true},
            {"Due: Problem set 3", "Problem set 3", null, TitleWords.Edge.ITSELF, true},
            {"Quiz 3 opens", "Quiz 3", null, TitleWords.Edge.OPENS, false},
            {"Quiz 3 (closes)", "Quiz 3", null, TitleWords.Edge.CLOSES, false},
            {"[BOT-101] Quiz 3 - available until", "Quiz 3", "BOT-101", TitleWords.Edge.CLOSES, false},
        };
    }

    @Test(dataProvider = "titles")
    public void whatATitleSaysIsTakenApart(String raw, String title, String code, TitleWords.Edge edge, boolean isDue) {
        TitleWords.Read read = TitleWords.read(raw);
        assertEquals(read.title(), title);
        assertEquals(read.code(), code);
        assertEquals(read.edge(), edge);
        assertEquals(read.isDue(), isDue);
    }

    /** Nothing is ever left without a name. */
    @Test
    public void aTitleOfSuchWordsAloneStays() {
        for (String raw : new String[] {"Due", "Opens", "[BOT-101]"}) {
            assertEquals(TitleWords.read(raw).title(), raw);
        }
    }

    @DataProvider
    public static Object[][] alone() {
        return new Object[][] {
            {"Where life starts", "Where life starts", TitleWords.Edge.ITSELF},
            {"Quiz 3: starts", "Quiz 3", TitleWords.Edge.OPENS},
            {"Quiz 3 (ends)", "Quiz 3", TitleWords.Edge.CLOSES},
            {"Quiz 3 opens", "Quiz 3", TitleWords.Edge.OPENS},
            {"Essay", "Essay", TitleWords.Edge.ITSELF},
        };
    }

    /** Set apart from the name, or a word that names don't end with, it stays an edge. */
    @Test(dataProvider = "alone")
    public void aWordThatMayBePartOfTheNameIsWhereItStandsAlone(String raw, String title, TitleWords.Edge edge) {
        assertEquals(TitleWords.read(raw).alone().title(), title);
        assertEquals(TitleWords.read(raw).alone().edge(), edge);
    }
}

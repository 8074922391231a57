package app.navlo.server.search;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Words are found by their beginnings, never by scattered letters. */
public class BeginningsTest {
    @DataProvider
    public static Object[][] cases() {
        String text = "Bring the Façade drawing (page 112), and label every élément: roots, stems.";
        return new Object[][] {
            {"facade", text, true},
            {"FAÇ draw", text, true},
            {"page 112", text, true},
            {"112 bring", text, true},
            {"element", text, true},
            {"stem", text, true},
            {"tems", text, false},
            {"fcd", text, false},
            {"page 113", text, false},
            {"drawing leaves", text, false},
            {"ring", text, false},
            {"", text, false},
            {"  ,. ", text, false},
            {"a", "", false},
            {"ﬁg", "fig tree", false},
            {"größe", "Die GROSSE Größe", true},
        };
    }

    @Test(dataProvider = "cases")
    public void eachPartBeginsAWord(String sought, String text, boolean found) {
        assertEquals(new Beginnings(sought).in(text), found, sought);
    }

    @Test
    public void theWordsAroundAreCutAtWords() {
        String text = "one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen "
                + "sixteen seventeen eighteen nineteen twenty twentyone twentytwo twentythree twentyfour twentyfive "
                + "twentysix twentyseven twentyeight";
        String around = new Beginnings("thirt").around(text);
        assertTrue(around.startsWith("… ") && around.endsWith(" …"), around);
        assertTrue(around.contains("thirteen"), around);
        for (String word : around.replace("…", "").strip().split(" ")) {
            assertTrue((" " + text + " ").contains(" " + word + " "), word);
        }
        assertEquals(new Beginnings("one").around("one"), "one");
        assertEquals(new Beginnings("b").around("a\n\n b"), "a b");
    }
}

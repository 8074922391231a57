package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;

/** Things are marked by names that always fit: a school may call an announcement, or a file, what it likes. */
public class SeenMarksTest {
    @Test
    public void aLongNameIsMarkedByItsDigestAndAShortOneAsItIs() {
        String longest = "a".repeat(SeenMarks.LONGEST_ITEM);
        assertEquals(SeenMarks.item(longest), longest);
        String longer = SeenMarks.item(longest + "a");
        assertTrue(longer.length() <= SeenMarks.LONGEST_ITEM, longer);
        assertEquals(SeenMarks.item(longest + "a"), longer);
        assertNotEquals(SeenMarks.item(longest + "b"), longer);
    }
}

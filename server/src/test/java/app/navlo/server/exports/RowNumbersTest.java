package app.navlo.server.exports;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.expectThrows;

import app.navlo.server.store.TableCopies.Column;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** An archive that comes to where others are already: each row, and whatever names it, gets a number after theirs. */
public class RowNumbersTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** Ten pieces of work are here, three courses, a hundred facts, and nobody's notes. */
    private static final Map<String, Long> HERE =
            Map.of("work", 10L, "course", 3L, "fact", 100L, "note", 0L, "note_revision", 0L, "change", 7L);

    private static final Map<Column, Column> NAMED = Map.of(
            new Column("work", "course_id"), new Column("course", "id"),
            new Column("hand_in", "fact_id"), new Column("fact", "id"),
            new Column("fact", "work_id"), new Column("work", "id"),
            new Column("own_word", "work_id"), new Column("fact", "work_id"),
            new Column("note_revision", "note_id"), new Column("note", "id"));

    private static RowNumbers numbers(Map<String, Long> here) {
        return new RowNumbers(here, NAMED, JSON);
    }

    @DataProvider
    public static Object[][] cells() {
        return new Object[][] {
            {"its own number", "work", "id", null, "5", "15"},
            {"a column that names another table", "work", "course_id", null, "2", "5"},
            {"a column by way of another", "own_word", "work_id", null, "5", "15"},
            {"where there are none yet", "note_revision", "note_id", null, "8", "8"},
            {"a text that looks like a number", "work", "origin_key", null, "5", "5"},
            {"a table that is unknown", "weather", "id", null, "5", "5"},
            {"a key of a link that names work", "link_key", "ours", "WORK", "5", "15"},
            {"... a course", "link_key", "ours", "COURSE", "1", "4"},
            {"... something that happened", "link_key", "ours", "DEED", "9", "109"},
            {"... something else", "link_key", "ours", "TERM", "9", "9"},
            {"a lens over two courses", "lens_revision", "query", null, "course=1,2&missing=1", "course=4,5&missing=1"},
            {
                "... as it is written in an address",
                "lens_revision",
                "query",
                null,
                "a=1&course=1%2C2",
                "a=1&course=4%2C5"
            },
            {"... whose name only ends so", "lens_revision", "query", null, "ofcourse=1", "ofcourse=1"},
            {
                "a sheet whose gates name work, however deep",
                "work_revision",
                "rules",
                null,
                "{\"gates\":[{\"kind\":\"DONE\",\"work\":4},{\"kind\":\"UNIT\",\"unit\":\"4\"}]}",
                "{\"gates\":[{\"kind\":\"DONE\",\"work\":14},{\"kind\":\"UNIT\",\"unit\":\"4\"}]}"
            },
            {"... that names none", "course_rules", "rules", null, "{\"work\":null}", "{\"work\":null}"},
        };
    }

    @Test(dataProvider = "cells")
    public void whateverNamesARowNamesItsNewNumber(
            String what, String table, String column, @Nullable String kind, String before, String after) {
        Map<String, @Nullable String> row = new HashMap<>();
        row.put(column, before);
        row.put("kind", kind);
        numbers(HERE).renew(table, row);
        assertEquals(row.get(column), after, what);
        assertEquals(row.get("kind"), kind, "what sort it is stays");
    }

    /** Who brings their archive to an empty Navlo finds every number as it was. */
    @Test(dataProvider = "cells")
    public void inAnEmptyNavloAllStaysAsItIs(
            String what, String table, String column, @Nullable String kind, String before, String after) {
        Map<String, @Nullable String> row = new HashMap<>();
        row.put(column, before);
        row.put("kind", kind);
        numbers(Map.of()).renew(table, row);
        assertEquals(row.get(column), before, what);
    }

    @Test
    public void whatIsntThereStaysAway() {
        Map<String, @Nullable String> row = new HashMap<>();
        row.put("course_id", null);
        numbers(HERE).renew("work", row);
        assertNull(row.get("course_id"));
    }

    @DataProvider
    public static Object[][] broken() {
        return new Object[][] {
            {"work", "id", "five"},
            {"work", "course_id", ""},
            {"work_revision", "rules", "{\"gates\":["},
        };
    }

    /** It is refused by whoever reads the archive, with the place. */
    @Test(dataProvider = "broken")
    public void whatHasToBeANumberAndIsNoneIsSaid(String table, String column, String value) {
        Map<String, @Nullable String> row = new HashMap<>(Map.of(column, value));
        expectThrows(NumberFormatException.class, () -> numbers(HERE).renew(table, row));
    }
}

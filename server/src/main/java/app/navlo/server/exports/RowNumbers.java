package app.navlo.server.exports;

import app.navlo.server.store.ArchiveTables;
import app.navlo.server.store.TableCopies;
import app.navlo.server.store.TableCopies.Column;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * New numbers for the rows of an archive: each table's begin after those that are here, and whatever names a row, be it a
 * column, a field of a sheet or an address, names its new number. In an empty Navlo all stay as they are.
 */
final class RowNumbers {
    private static final String ID = "id";
    /** Sheets in which fields name a piece of work. */
    private static final Map<String, Set<String>> SHEETS = Map.of(
            "course_rules.rules", Set.of("work"),
            "work_revision.rules", Set.of("work"),
            "scenario_revision.sheet", Set.of("work"));

    private static final String LENS = "lens_revision.query";
    private static final Pattern COURSES = Pattern.compile("(?<=(^|[?&])course=)[0-9]+((,|%2C)[0-9]+)*");
    private static final Pattern NUMBER = Pattern.compile("(?<![%0-9])[0-9]+");

    /** What {@code link_key.ours} names, by its kind. */
    private static final Map<String, String> OURS = Map.of("COURSE", "course", "WORK", "work", "DEED", "fact");

    private final JsonMapper json;
    private final Map<String, Long> after;
    private final Map<Column, Column> named;

    RowNumbers(TableCopies copies, JsonMapper json) {
        this(last(copies), copies.references(), json);
    }

    /**
     * @param after by table, the greatest number that is here
     * @param named which column names which
     */
    RowNumbers(Map<String, Long> after, Map<Column, Column> named, JsonMapper json) {
        this.after = Map.copyOf(after);
        this.named = Map.copyOf(named);
        this.json = json;
    }

    private static Map<String, Long> last(TableCopies copies) {
        Map<String, Long> last = new HashMap<>();
        ArchiveTables.ALL.forEach(table -> last.put(table.name(), copies.last(table)));
        return last;
    }

    /**
     * Gives a row of the archive its new numbers.
     *
     * @param row by column; null for a column without a value
     * @throws NumberFormatException if something isn't a number that has to be one
     */
    void renew(String table, Map<String, @Nullable String> row) {
        row.replaceAll((column, value) -> value == null ? null : renewed(table, column, value, row.get("kind")));
    }

    private String renewed(String table, String column, String value, @Nullable String kind) {
        String place = table + "." + column;
        if (place.equals("link_key.ours")) {
            return moved(OURS.getOrDefault(kind, ""), value);
        }
        if (place.equals(LENS)) {
            return lens(value);
        }
        Set<String> fields = SHEETS.get(place);
        if (fields != null) {
            return sheet(value, fields);
        }
        Column at = new Column(table, column);
        while (!at.name().equals(ID) && named.containsKey(at)) {
            at = named.get(at);
        }
        return at.name().equals(ID) ? moved(at.table(), value) : value;
    }

    private String moved(String table, String number) {
        long by = after.getOrDefault(table, 0L);
        return by == 0 ? number : Long.toString(Long.parseLong(number) + by);
    }

    private String lens(String query) {
        return COURSES.matcher(query)
                .replaceAll(courses -> Matcher.quoteReplacement(
                        NUMBER.matcher(courses.group()).replaceAll(one -> moved("course", one.group()))));
    }

    private String sheet(String text, Set<String> fields) {
        if (after.getOrDefault("work", 0L) == 0) {
            return text;
        }
        try {
            JsonNode tree = json.readTree(text);
            renew(tree, fields);
            return json.writeValueAsString(tree);
        } catch (JacksonException e) {
            throw new NumberFormatException("A sheet that can't be read");
        }
    }

    private void renew(JsonNode node, Set<String> fields) {
        if (node instanceof ObjectNode object) {
            for (String field : fields) {
                JsonNode number = object.get(field);
                if (number != null && number.isIntegralNumber()) {
                    object.put(field, number.asLong() + after.getOrDefault("work", 0L));
                }
            }
        }
        node.forEach(part -> renew(part, fields));
    }
}

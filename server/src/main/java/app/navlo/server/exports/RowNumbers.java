package app.navlo.server.exports;

import app.navlo.server.exports.ArchiveTables.Table;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
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
    private static final String NAMED = """
            SELECT LOWER(one.table_name) of_table, LOWER(one.column_name) of_column,
                   LOWER(other.table_name) named_table, LOWER(other.column_name) named_column
            FROM information_schema.key_column_usage one
            JOIN information_schema.referential_constraints reference
              ON reference.constraint_name = one.constraint_name
            JOIN information_schema.key_column_usage other
              ON other.constraint_name = reference.unique_constraint_name
             AND other.ordinal_position = one.position_in_unique_constraint
            """;

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

    private record Column(String table, String name) {}

    private final JsonMapper json;
    private final Map<String, Long> after = new HashMap<>();
    private final Map<Column, Column> named = new HashMap<>();

    RowNumbers(JdbcTemplate db, JsonMapper json) {
        this.json = json;
        db.query(NAMED, row -> {
            named.put(
                    new Column(row.getString("of_table"), row.getString("of_column")),
                    new Column(row.getString("named_table"), row.getString("named_column")));
        });
        for (Table table : ArchiveTables.ALL) {
            boolean numbered = Boolean.TRUE.equals(
                    db.queryForObject("""
                    SELECT EXISTS (SELECT 1 FROM information_schema.columns
                    WHERE table_name = ? AND column_name = 'ID')
                    """, Boolean.class, table.name().toUpperCase(Locale.ROOT)));
            if (numbered) {
                Long last = db.queryForObject("SELECT COALESCE(MAX(id), 0) FROM " + table.name(), Long.class);
                after.put(table.name(), last == null ? 0 : last);
            }
        }
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

package app.navlo.formats.csv;

import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.told.DateWords;
import app.navlo.formats.told.ScoreWords;
import app.navlo.formats.told.StateWords;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.Reader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * Brings a table that isn't a list of work into the shape of one: a wide one, with a column for each piece of work and a row
 * for the student, and one that came without a line of heads, as a few cells that were copied do.
 */
public final class TableShape {
    private static final int MOST_ROWS = 12;
    private static final int LEAST_WORKS = 3;
    private static final int LOOKED_AT = 20;
    private static final Pattern OF = Pattern.compile(
            "^(.*?)\\s*[(\\[]\\s*(?:out of |of |max\\.? ?|/ ?)?(\\d{1,5}(?:[.,]\\d{1,2})?)\\s*(?:points?|pts?|p)?\\s*[)\\]]$");
    private static final Pattern POSSIBLE_ROW = Pattern.compile("(?i).*\\b(possible|out of|maximum|max|of)\\b.*");
    private static final Set<String> PERSON = Set.of(
            "student", "name", "id", "email", "section", "first", "last", "user", "login", "sis", "number", "surname");

    private TableShape() {}

    /** @return the source of a list of work: the same one where it is a list already */
    public static TextTable.Source listOf(String name, TextTable.Source source) throws IOException, TableFault {
        Optional<TextTable.Source> wide = wide(name, source);
        return wide.isPresent() ? wide.get() : withHeads(name, source);
    }

    private static Optional<TextTable.Source> wide(String name, TextTable.Source source)
            throws IOException, TableFault {
        List<List<String>> rows = new ArrayList<>(TextTable.cells(name, source, MOST_ROWS + 2));
        List<String> heads = rows.isEmpty() ? List.of() : rows.remove(0);
        if (rows.size() > MOST_ROWS) {
            return Optional.empty();
        }
        boolean list = heads.stream()
                .anyMatch(head -> has(head, Set.of("due", "deadline", "score", "status", "possible", "points")));
        List<Integer> works = new ArrayList<>();
        for (int place = 0; place < heads.size(); place++) {
            if (isWork(heads.get(place), place, rows)) {
                works.add(place);
            }
        }
        if (list && !everyHeadNamesPoints(heads, works) || rows.isEmpty() || works.size() < LEAST_WORKS) {
            return Optional.empty();
        }
        return Optional.of(transposed(heads, rows, works));
    }

    private static boolean everyHeadNamesPoints(List<String> heads, List<Integer> works) {
        return works.size() >= LEAST_WORKS
                && works.stream().allMatch(place -> OF.matcher(heads.get(place)).matches());
    }

    private static boolean has(String head, Set<String> words) {
        return Arrays.stream(head.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .anyMatch(words::contains);
    }

    /** A column of scores under the name of a piece of work. */
    private static boolean isWork(String head, int place, List<List<String>> rows) {
        boolean person =
                head.isBlank() || has(head, PERSON) && !OF.matcher(head).matches();
        return !person && rows.stream().map(row -> row.get(place)).allMatch(TableShape::isScore);
    }

    private static boolean isScore(String value) {
        try {
            ScoreWords.read(value, Map.of());
            return true;
        } catch (IllegalArgumentException other) {
            return StateWords.read(value).isPresent();
        }
    }

    private static TextTable.Source transposed(List<String> heads, List<List<String>> rows, List<Integer> works)
            throws IOException {
        int possibleRow = -1;
        for (int i = 0; i < rows.size(); i++) {
            List<String> row = rows.get(i);
            boolean says = IntStream.range(0, heads.size())
                    .filter(place -> !works.contains(place))
                    .anyMatch(place -> POSSIBLE_ROW.matcher(row.get(place)).matches());
            possibleRow = says ? i : possibleRow;
        }
        int mine = possibleRow == 0 && rows.size() > 1 ? 1 : 0;
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.DEFAULT)) {
            printer.printRecord("Title", "Points possible", "Score", "Status");
            for (int place : works) {
                Matcher of = OF.matcher(heads.get(place));
                boolean named = of.matches();
                String possible = possibleRow < 0
                        ? named ? of.group(2) : ""
                        : rows.get(possibleRow).get(place);
                String value = mine == possibleRow ? "" : rows.get(mine).get(place);
                boolean score = scores(value);
                printer.printRecord(
                        named ? of.group(1) : heads.get(place), possible, score ? value : "", score ? "" : value);
            }
        }
        byte[] bytes = out.toString().getBytes(StandardCharsets.UTF_8);
        return () -> new ByteArrayInputStream(bytes);
    }

    private static boolean scores(String value) {
        try {
            return !ScoreWords.read(value, Map.of()).isNothing();
        } catch (IllegalArgumentException word) {
            return false;
        }
    }

    /** Heads for cells that came without them, by what stands in each column. */
    private static TextTable.Source withHeads(String name, TextTable.Source source) throws IOException, TableFault {
        List<List<String>> rows = TextTable.cells(name, source, LOOKED_AT);
        if (rows.isEmpty() || !looksLikeData(rows.get(0))) {
            return source;
        }
        String between = String.valueOf(TextTable.delimiter(name, source));
        String heads = String.join(between, heads(rows.get(0).size(), rows)) + "\n";
        return () -> {
            StringWriter text = new StringWriter();
            text.write(heads);
            try (Reader in = TextTable.text(source)) {
                in.transferTo(text);
            }
            return new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.UTF_8));
        };
    }

    private static boolean looksLikeData(List<String> first) {
        return first.stream().anyMatch(cell -> isDate(cell) || (scores(cell) && cell.matches(".*\\d.*")));
    }

    /** Two numbers with a line between them are a score rather than a day and a month. */
    private static boolean isDate(String cell) {
        if (cell.matches("\\d{1,3}\\s*/\\s*\\d{1,3}")) {
            return false;
        }
        try {
            DateWords.read(cell, true, LocalDate.EPOCH);
            return true;
        } catch (IllegalArgumentException other) {
            try {
                DateWords.read(cell, false, LocalDate.EPOCH);
                return true;
            } catch (IllegalArgumentException noDate) {
                return false;
            }
        }
    }

    private static List<String> heads(int many, List<List<String>> rows) {
        List<String> heads = new ArrayList<>();
        for (int place = 0; place < many; place++) {
            int at = place;
            List<String> cells = rows.stream()
                    .map(row -> row.get(at))
                    .filter(cell -> !cell.isBlank())
                    .toList();
            heads.add(head(cells, place, heads));
        }
        return heads;
    }

    private static String head(List<String> cells, int place, List<String> taken) {
        String head = "Column " + (place + 1);
        if (cells.isEmpty()) {
            return head;
        }
        if (cells.stream().allMatch(TableShape::isDate)) {
            head = taken.contains("Due") ? head : "Due";
        } else if (cells.stream().allMatch(TableShape::isScore)
                && cells.stream().anyMatch(TableShape::scores)) {
            head = taken.contains("Score") ? taken.contains("Points possible") ? head : "Points possible" : "Score";
        } else if (cells.stream().allMatch(cell -> StateWords.read(cell).isPresent())) {
            head = taken.contains("Status") ? head : "Status";
        } else if (!taken.contains("Title")) {
            head = "Title";
        }
        return head;
    }
}

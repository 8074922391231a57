package app.navlo.formats.table;

import java.io.BufferedReader;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;

/**
 * A table of text with one line of heads, read row by row: with commas, semicolons or tabs, in any of the usual encodings.
 * Rows that are short, long or end within quotes are read as far as they go. Keeps nothing but the row at hand.
 */
public final class TextTable implements Closeable, Iterable<TextTable.Row> {
    private static final int LONGEST_HEADS = 1 << 16;
    private static final char[] DELIMITERS = {',', ';', '\t'};

    private final String name;
    private final CSVParser parser;
    private final Map<String, Integer> places = new TreeMap<>();

    private TextTable(String name, CSVParser parser) {
        this.name = name;
        this.parser = parser;
        List<String> heads = parser.getHeaderNames();
        for (int i = 0; i < heads.size(); i++) {
            places.putIfAbsent(key(heads.get(i)), i);
        }
    }

    /** Where the bytes come from; opened more than once. */
    public interface Source {
        InputStream open() throws IOException;
    }

    /** One row. */
    public final class Row {
        private final CSVRecord record;

        private Row(CSVRecord record) {
            this.record = record;
        }

        /** The value under a head, without space around it; empty where the row or the table has none. */
        public String get(String head) {
            Integer place = places.get(key(head));
            return place == null ? "" : at(place);
        }

        /** The value at a place from 0. */
        public String at(int place) {
            return place < record.size() ? Disarm.back(record.get(place).strip()) : "";
        }

        /** "results.csv, line 14". */
        public String where() {
            return name + ", line " + (record.getRecordNumber() + 1);
        }

        boolean isEmpty() {
            return record.size() == 0 || (record.size() == 1 && record.get(0).isBlank());
        }
    }

    /**
     * @param name of the file, for what is said about it
     * @throws TableFault if it has no line of heads
     */
    public static TextTable open(String name, Source source) throws IOException, TableFault {
        BufferedReader reader = new BufferedReader(TextEncoding.read(source));
        try {
            char delimiter = delimiter(name, reader);
            CSVFormat format = CSVFormat.Builder.create(CSVFormat.DEFAULT)
                    .setDelimiter(delimiter)
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .setAllowMissingColumnNames(true)
                    .setDuplicateHeaderMode(DuplicateHeaderMode.ALLOW_EMPTY)
                    .setIgnoreEmptyLines(true)
                    .setLenientEof(true)
                    .setTrailingData(true)
                    .get();
            return new TextTable(name, CSVParser.parse(reader, format));
        } catch (IllegalArgumentException twice) {
            reader.close();
            throw new TableFault(name + " has two columns of one name. Rename one of them.", twice);
        } catch (IOException | TableFault e) {
            reader.close();
            throw e;
        }
    }

    /** The one that the line of heads has most of, outside of quotes. */
    private static char delimiter(String name, BufferedReader reader) throws IOException, TableFault {
        reader.mark(LONGEST_HEADS);
        int[] counts = new int[DELIMITERS.length];
        boolean quoted = false;
        boolean any = false;
        for (int i = 0; i < LONGEST_HEADS - 1; i++) {
            int c = reader.read();
            if (c < 0 || (any && !quoted && (c == '\n' || c == '\r'))) {
                break;
            }
            any = any || !Character.isWhitespace(c);
            quoted = (c == '"') != quoted;
            for (int d = 0; d < DELIMITERS.length; d++) {
                counts[d] += !quoted && c == DELIMITERS[d] ? 1 : 0;
            }
        }
        reader.reset();
        if (!any) {
            throw new TableFault(name + " is empty. Export it again.");
        }
        int best = 0;
        for (int d = 1; d < DELIMITERS.length; d++) {
            best = counts[d] > counts[best] ? d : best;
        }
        return DELIMITERS[best];
    }

    private static String key(String head) {
        return head.strip().toLowerCase(Locale.ROOT);
    }

    /** The text of a source, whatever its encoding. */
    public static Reader text(Source source) throws IOException {
        return TextEncoding.read(source);
    }

    /** What stands between its cells. @throws TableFault if it is empty */
    public static char delimiter(String name, Source source) throws IOException, TableFault {
        try (BufferedReader reader = new BufferedReader(TextEncoding.read(source))) {
            return delimiter(name, reader);
        }
    }

    /**
     * The first rows, that of the heads among them, each with as many cells as the first has.
     *
     * @throws TableFault if it is empty
     */
    public static List<List<String>> cells(String name, Source source, int most) throws IOException, TableFault {
        CSVFormat format = CSVFormat.Builder.create(CSVFormat.DEFAULT)
                .setDelimiter(delimiter(name, source))
                .setIgnoreEmptyLines(true)
                .setLenientEof(true)
                .setTrailingData(true)
                .get();
        List<List<String>> cells = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new BufferedReader(TextEncoding.read(source)), format)) {
            for (CSVRecord record : parser) {
                int wide = cells.isEmpty() ? record.size() : cells.get(0).size();
                List<String> row = new ArrayList<>();
                for (int place = 0; place < wide; place++) {
                    row.add(
                            place < record.size()
                                    ? Disarm.back(record.get(place).strip())
                                    : "");
                }
                cells.add(row);
                if (cells.size() == most) {
                    break;
                }
            }
        }
        return cells;
    }

    /** As they are written. */
    public List<String> heads() {
        return parser.getHeaderNames();
    }

    public boolean has(String head) {
        return places.containsKey(key(head));
    }

    /** Once only. @throws UncheckedIOException from the iterator if the source can't be read on */
    @Override
    public Iterator<Row> iterator() {
        return parser.stream().map(Row::new).filter(row -> !row.isEmpty()).iterator();
    }

    @Override
    public void close() throws IOException {
        parser.close();
    }
}

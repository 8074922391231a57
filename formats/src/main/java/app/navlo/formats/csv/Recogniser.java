package app.navlo.formats.csv;

import app.navlo.formats.csv.Mapping.DateOrder;
import app.navlo.formats.csv.Mapping.Decimals;
import app.navlo.formats.csv.Mapping.Field;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Guesses what the columns of a table mean by their heads, and how dates and numbers are written by what stands in them. */
public final class Recogniser {
    private static final int SAMPLE = 3;
    private static final int LOOKED_AT = 2_000;
    private static final int MOST_MONTHS = 12;

    /** Words of which a head is made, in the order in which they are tried; the first that fits is taken. */
    private static final Map<Field, List<String>> WORDS = new EnumMap<>(Map.ofEntries(
            Map.entry(Field.KEY, List.of("id", "key", "number", "uid", "sourcedid")),
            Map.entry(Field.COURSE, List.of("course", "class", "subject", "module")),
            Map.entry(Field.TITLE, List.of("title", "assignment", "name", "task", "work", "item", "what")),
            Map.entry(Field.KIND, List.of("kind", "type")),
            Map.entry(Field.CATEGORY, List.of("category", "group")),
            Map.entry(Field.UNIT, List.of("unit", "chapter", "topic", "week")),
            Map.entry(Field.OPENS, List.of("opens", "open", "available", "from", "start", "assigned")),
            Map.entry(Field.DUE, List.of("due", "deadline", "until", "end", "date")),
            Map.entry(Field.POSSIBLE, List.of("possible", "max", "maximum", "of", "out", "total")),
            Map.entry(Field.SCORE, List.of("score", "points", "earned", "mark", "grade", "result")),
            Map.entry(Field.STATE, List.of("state", "status", "submission", "submitted")),
            Map.entry(Field.LINE, List.of("line")),
            Map.entry(Field.COMMENT, List.of("comment", "comments", "feedback", "note", "notes", "remarks"))));

    private static final List<Field> ORDER = List.of(
            Field.POSSIBLE,
            Field.SCORE,
            Field.DUE,
            Field.OPENS,
            Field.COURSE,
            Field.CATEGORY,
            Field.UNIT,
            Field.KIND,
            Field.STATE,
            Field.COMMENT,
            Field.LINE,
            Field.TITLE,
            Field.KEY);
    private static final Pattern DATE = Pattern.compile("(\\d{1,2})[./-](\\d{1,2})[./-]\\d{2,4}.*");
    private static final Pattern NUMBER = Pattern.compile("\\d+([.,])(\\d+)");
    private static final int OF_THOUSANDS = 3;

    /** What a person has to say, because the table doesn't. */
    public enum Unclear {
        TITLE,
        DATE_ORDER,
        DECIMALS
    }

    /**
     * @param heads of the columns
     * @param sample the first rows, as they stand
     */
    public record Recognised(List<String> heads, List<List<String>> sample, Mapping mapping, Set<Unclear> unclear) {
        /**
         * What the columns mean to a reader, for whom "03/04" is a day where the table doesn't tell.
         *
         * @param usual how this reader writes dates
         */
        public Mapping mapping(DateOrder usual) {
            return unclear.contains(Unclear.DATE_ORDER)
                    ? new Mapping(mapping.fields(), usual, mapping.decimals())
                    : mapping;
        }
    }

    private final List<String> heads;
    private final List<List<String>> sample = new ArrayList<>();
    private boolean dates;
    private boolean dayFirst;
    private boolean monthFirst;
    private boolean comma;
    private boolean point;
    private boolean eitherDecimals;

    private Recogniser(List<String> heads) {
        this.heads = heads;
    }

    /** @throws TableFault if it is no table */
    public static Recognised recognise(String name, TextTable.Source source) throws IOException, TableFault {
        try (TextTable table = TextTable.open(name, source)) {
            Recogniser recogniser = new Recogniser(table.heads());
            int looked = 0;
            for (TextTable.Row row : table) {
                recogniser.look(row);
                if (++looked == LOOKED_AT) {
                    break;
                }
            }
            return recogniser.recognised();
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private void look(TextTable.Row row) {
        List<String> values = new ArrayList<>();
        for (int place = 0; place < heads.size(); place++) {
            String value = row.at(place);
            values.add(value);
            Matcher date = DATE.matcher(value);
            if (date.matches()) {
                dates = true;
                dayFirst |= Integer.parseInt(date.group(1)) > MOST_MONTHS;
                monthFirst |= Integer.parseInt(date.group(2)) > MOST_MONTHS;
            }
            Matcher number = NUMBER.matcher(value);
            if (number.matches()) {
                boolean isComma = number.group(1).equals(",");
                boolean thousands = number.group(2).length() == OF_THOUSANDS;
                comma |= isComma && !thousands;
                point |= !isComma && !thousands;
                eitherDecimals |= thousands;
            }
        }
        if (sample.size() < SAMPLE) {
            sample.add(values);
        }
    }

    private Recognised recognised() {
        Field[] fields = new Field[heads.size()];
        Arrays.fill(fields, Field.NONE);
        for (Field field : ORDER) {
            guess(field, fields);
        }
        Mapping mapping = new Mapping(
                List.of(fields),
                monthFirst && !dayFirst ? DateOrder.MONTH_FIRST : DateOrder.DAY_FIRST,
                comma && !point ? Decimals.COMMA : Decimals.POINT);
        Set<Unclear> unclear = EnumSet.noneOf(Unclear.class);
        if (mapping.place(Field.TITLE).isEmpty()) {
            unclear.add(Unclear.TITLE);
        }
        if (dates && dayFirst == monthFirst) {
            unclear.add(Unclear.DATE_ORDER);
        }
        if ((comma && point) || (eitherDecimals && !comma && !point)) {
            unclear.add(Unclear.DECIMALS);
        }
        return new Recognised(heads, sample, mapping, unclear);
    }

    /** The column whose head has a word of the field, the most telling word first. */
    private void guess(Field field, Field[] fields) {
        for (String word : WORDS.getOrDefault(field, List.of())) {
            for (int place = 0; place < heads.size(); place++) {
                List<String> words =
                        List.of(heads.get(place).toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
                if (fields[place] == Field.NONE && words.contains(word)) {
                    fields[place] = field;
                    return;
                }
            }
        }
    }
}

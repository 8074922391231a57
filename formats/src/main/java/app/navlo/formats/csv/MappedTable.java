package app.navlo.formats.csv;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.csv.Mapping.DateOrder;
import app.navlo.formats.csv.Mapping.Decimals;
import app.navlo.formats.csv.Mapping.Field;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.table.TextTable.Row;
import app.navlo.formats.told.KindWords;
import app.navlo.formats.told.Told;
import app.navlo.formats.told.Told.Trouble;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads a table by its mapping. A row that can't be read is told of and passed over. */
public final class MappedTable {
    private static final Pattern MOMENT = Pattern.compile(
            "(\\d{1,4})[./-](\\d{1,2})[./-](\\d{1,4})(?:[ T,]+(\\d{1,2})[:.](\\d{2})(?:[:.]\\d{2})?\\s*([AaPp][Mm])?.*)?");
    private static final int YEAR_DIGITS = 4;
    private static final int CENTURY = 2000;
    private static final int NOON = 12;
    private static final int LONGEST_TITLE = 300;
    private static final int LONGEST_TEXT = 20_000;
    private static final int MOST_ROWS = 50_000;
    private static final int MOST_TROUBLES = 200;

    private final Mapping mapping;
    private final ZoneId zone;
    private final String course;
    private final Map<String, Told.Course> courses = new LinkedHashMap<>();
    private final Map<String, Told.Work> works = new LinkedHashMap<>();
    private final Map<String, Told.Result> results = new LinkedHashMap<>();
    private final List<Trouble> troubles = new ArrayList<>();

    private MappedTable(Mapping mapping, ZoneId zone, String course) {
        this.mapping = mapping;
        this.zone = zone;
        this.course = course;
    }

    /**
     * @param zone in which a day ends that is given without a time
     * @param course of rows that name none
     * @throws TableFault if it is no table, or has no title
     */
    public static Told read(String name, TextTable.Source source, Mapping mapping, ZoneId zone, String course)
            throws IOException, TableFault {
        if (mapping.place(Field.TITLE).isEmpty()) {
            throw new TableFault("Say which column has the titles of the work.");
        }
        MappedTable read = new MappedTable(mapping, zone, course);
        try (TextTable table = TextTable.open(name, source)) {
            int rows = 0;
            for (Row row : table) {
                if (++rows > MOST_ROWS) {
                    throw new TableFault(
                            name + " has more than " + MOST_ROWS + " rows. Export less, a term for example.");
                }
                read.take(row);
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        return new Told(
                "",
                List.copyOf(read.courses.values()),
                List.copyOf(read.works.values()),
                List.copyOf(read.results.values()),
                read.troubles);
    }

    private void take(Row row) {
        try {
            row(row);
        } catch (IllegalArgumentException | DateTimeException bad) {
            if (troubles.size() < MOST_TROUBLES) {
                troubles.add(new Trouble(row.where(), String.valueOf(bad.getMessage())));
            }
        }
    }

    private String value(Row row, Field field) {
        return mapping.place(field).map(row::at).orElse("");
    }

    private void row(Row row) {
        String title = cut(value(row, Field.TITLE), LONGEST_TITLE);
        if (title.isEmpty()) {
            throw new IllegalArgumentException("its title is missing");
        }
        String named = value(row, Field.COURSE);
        String courseName = named.isEmpty() ? course : named;
        String own = value(row, Field.KEY);
        String key = own.isEmpty() ? courseName + "/" + title : own;
        if (works.containsKey(key)) {
            throw new IllegalArgumentException("“" + title + "” comes twice; the first one is taken");
        }
        Told.Work work = new Told.Work(
                key,
                courseName,
                title,
                kind(value(row, Field.KIND), title),
                orNull(value(row, Field.CATEGORY)),
                number(row, Field.POSSIBLE),
                opens(value(row, Field.OPENS)),
                due(value(row, Field.DUE)),
                "",
                null);
        Told.Result result = result(row, key);
        courses.putIfAbsent(courseName, new Told.Course(courseName, courseName, "", List.of()));
        works.put(key, work);
        if (result != null) {
            results.put(key, result);
        }
    }

    private Told.@Nullable Result result(Row row, String key) {
        Rational score = number(row, Field.SCORE);
        String state = value(row, Field.STATE).toLowerCase(Locale.ROOT);
        String comment = cut(value(row, Field.COMMENT), LONGEST_TEXT);
        boolean missing = state.contains("missing");
        boolean handedIn = state.matches(".*(turned in|handed in|submitted|late).*");
        boolean excused = state.contains("excused") || state.contains("exempt");
        if (score == null && comment.isEmpty() && !missing && !handedIn && !excused) {
            return null;
        }
        Told.Status status = excused
                ? Told.Status.EXCUSED
                : score != null ? Told.Status.SCORED : handedIn ? Told.Status.HANDED_IN : Told.Status.NOT_HANDED_IN;
        return new Told.Result(
                key, status, score, null, comment, state.contains("late"), missing, state.contains("incomplete"));
    }

    private static WorkKind kind(String word, String title) {
        for (WorkKind kind : WorkKind.values()) {
            if (kind.name().equalsIgnoreCase(word.strip())) {
                return kind;
            }
        }
        return KindWords.kind(title);
    }

    private @Nullable Rational number(Row row, Field field) {
        String value = value(row, field).replaceAll("[\\s\\u00A0%]", "");
        if (value.isEmpty() || value.equals("-") || value.equals("–")) {
            return null;
        }
        String thousands = mapping.decimals() == Decimals.COMMA ? "." : ",";
        String plain = value.replace(thousands, "").replace(',', '.');
        if (!plain.matches("\\d{1,8}(\\.\\d{1,6})?")) {
            throw new IllegalArgumentException("“" + value + "” is no number from 0 up");
        }
        return Rational.of(new BigDecimal(plain));
    }

    private @Nullable Instant opens(String value) {
        if (value.isEmpty()) {
            return null;
        }
        Matcher matcher = matched(value);
        LocalDate day = day(matcher, value);
        return matcher.group(4) == null
                ? day.atStartOfDay(zone).toInstant()
                : LocalDateTime.of(day, time(matcher)).atZone(zone).toInstant();
    }

    private @Nullable Deadline due(String value) {
        if (value.isEmpty()) {
            return null;
        }
        Matcher matcher = matched(value);
        LocalDate day = day(matcher, value);
        return matcher.group(4) == null
                ? Deadline.endOf(day, zone)
                : Deadline.at(LocalDateTime.of(day, time(matcher)).atZone(zone).toInstant());
    }

    private static Matcher matched(String value) {
        Matcher matcher = MOMENT.matcher(value);
        if (!matcher.matches()) {
            throw new IllegalArgumentException("“" + value + "” is no date; one looks like 2026-11-24");
        }
        return matcher;
    }

    private LocalDate day(Matcher matcher, String value) {
        int first = Integer.parseInt(matcher.group(1));
        int second = Integer.parseInt(matcher.group(2));
        int third = Integer.parseInt(matcher.group(3));
        try {
            if (matcher.group(1).length() == YEAR_DIGITS) {
                return LocalDate.of(first, second, third);
            }
            int year = third < 100 ? CENTURY + third : third;
            return mapping.dates() == DateOrder.DAY_FIRST
                    ? LocalDate.of(year, second, first)
                    : LocalDate.of(year, first, second);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("there is no day “" + value + "”; is the day or the month first?", e);
        }
    }

    private static LocalTime time(Matcher matcher) {
        int hour = Integer.parseInt(matcher.group(4));
        String half = matcher.group(6);
        if (half != null) {
            hour = hour % NOON + (half.equalsIgnoreCase("pm") ? NOON : 0);
        }
        return LocalTime.of(hour, Integer.parseInt(matcher.group(5)));
    }

    private static @Nullable String orNull(String value) {
        return value.isEmpty() ? null : value;
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest);
    }
}

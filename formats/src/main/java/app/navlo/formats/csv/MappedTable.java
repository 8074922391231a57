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
import app.navlo.formats.told.DateWords;
import app.navlo.formats.told.KindWords;
import app.navlo.formats.told.ScoreWords;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.SourceSnapshot.Trouble;
import app.navlo.formats.told.StateWords;
import app.navlo.formats.told.StateWords.Meaning;
import app.navlo.formats.told.TitleWords;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads a table by its mapping. A row that can't be read is told of and passed over; of a row with one bad cell the rest is
 * taken.
 */
public final class MappedTable {
    private static final Pattern THOUSANDS_BY_POINT = Pattern.compile("(?<=\\d)\\.(?=\\d{3})");
    private static final Pattern THOUSANDS_BY_COMMA = Pattern.compile("(?<=\\d),(?=\\d{3}(\\D|$))");
    private static final Pattern NO_DATE = Pattern.compile("[-–—]|(?i)none|n/a|no due date|no date|tba|tbd");

    private static final int LONGEST_TITLE = 300;
    private static final int LONGEST_TEXT = 20_000;
    private static final int MOST_ROWS = 50_000;
    private static final int MOST_TROUBLES = 200;
    /** "Homework (30 %)". */
    private static final Pattern WEIGHED =
            Pattern.compile("^(.*?)[\\s:,-]*\\(?\\s*(\\d{1,3}(?:[.,]\\d{1,2})?)\\s*%\\s*\\)?$");

    /**
     * What a person says of a table.
     *
     * @param zone in which a day ends that is given without a time
     * @param course of rows that name none
     * @param near the day to which dates without a year are the nearest
     * @param words for states that this person was asked about, as {@link StateWords#plain} writes them
     * @param letters with the percents that they are counted as; empty for the usual ones
     */
    public record Asked(
            ZoneId zone, String course, LocalDate near, Map<String, Meaning> words, Map<String, Rational> letters) {}

    private final Mapping mapping;
    private final Asked asked;
    private final Map<String, SourceSnapshot.Work> works = new LinkedHashMap<>();
    private final Map<String, SourceSnapshot.Result> results = new LinkedHashMap<>();
    private final Map<String, Map<String, Rational>> weights = new LinkedHashMap<>();
    private final Set<String> unknown = new LinkedHashSet<>();
    private final List<Trouble> troubles = new ArrayList<>();

    private MappedTable(Mapping mapping, Asked asked) {
        this.mapping = mapping;
        this.asked = asked;
    }

    /** @throws TableFault if it is no table, or has no title */
    public static SourceSnapshot read(String name, TextTable.Source source, Mapping mapping, Asked asked)
            throws IOException, TableFault {
        if (mapping.place(Field.TITLE).isEmpty()) {
            throw new TableFault("Say which column has the titles of the work.");
        }
        MappedTable read = new MappedTable(mapping, asked);
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
        return new SourceSnapshot(
                "",
                read.weights.keySet().stream().map(read::course).toList(),
                List.copyOf(read.works.values()),
                List.copyOf(read.results.values()),
                read.troubles,
                new SourceSnapshot.Beside(Set.of(), null, List.copyOf(read.unknown), List.of()));
    }

    private SourceSnapshot.Course course(String name) {
        return new SourceSnapshot.Course(
                name,
                name,
                "",
                Objects.requireNonNull(weights.get(name)).entrySet().stream()
                        .map(entry -> new SourceSnapshot.Category(
                                entry.getKey(), entry.getValue().isZero() ? null : entry.getValue()))
                        .toList());
    }

    private void take(Row row) {
        try {
            row(row);
        } catch (IllegalArgumentException | DateTimeException bad) {
            trouble(row, bad);
        }
    }

    private void trouble(Row row, RuntimeException bad) {
        if (troubles.size() < MOST_TROUBLES) {
            troubles.add(new Trouble(row.where(), String.valueOf(bad.getMessage())));
        }
    }

    /** A cell, or null with a trouble of its own where it can't be read: the rest of the row is taken. */
    private <T> @Nullable T cell(Row row, Supplier<@Nullable T> read) {
        try {
            return read.get();
        } catch (IllegalArgumentException | DateTimeException bad) {
            trouble(row, bad);
            return null;
        }
    }

    private String value(Row row, Field field) {
        return mapping.place(field).map(row::at).orElse("");
    }

    private void row(Row row) {
        TitleWords.Read read = TitleWords.read(value(row, Field.TITLE)).alone();
        String title = cut(read.title(), LONGEST_TITLE);
        if (title.isEmpty()) {
            throw new IllegalArgumentException("its title is missing");
        }
        String named = value(row, Field.COURSE);
        String courseName = named.isEmpty() ? asked.course() : named;
        String own = value(row, Field.KEY);
        String key = own.isEmpty() ? courseName + "/" + title : own;
        if (works.containsKey(key)) {
            throw new IllegalArgumentException("“" + title + "” comes twice; the first one is taken");
        }
        Rational possible = cell(row, () -> number(row, Field.POSSIBLE));
        ScoreWords.Score score = cell(row, () -> ScoreWords.read(decimal(value(row, Field.SCORE)), asked.letters()));
        possible = possible == null && score != null ? score.of() : possible;
        Instant opens = cell(row, () -> opens(value(row, Field.OPENS)));
        Deadline due = cell(row, () -> due(value(row, Field.DUE)));
        Map<String, Rational> categories = weights.computeIfAbsent(courseName, any -> new LinkedHashMap<>());
        String unit = orNull(value(row, Field.UNIT));
        WorkKind kind = kind(value(row, Field.KIND), title);
        works.put(
                key,
                new SourceSnapshot.Work(
                        key,
                        courseName,
                        title,
                        kind,
                        category(value(row, Field.CATEGORY), categories),
                        possible,
                        opens,
                        due,
                        "",
                        unit == null ? null : SourceSnapshot.More.plain(kind != WorkKind.PRACTICE, null, unit, null),
                        new SourceSnapshot.Hint(read.notWork(), orNull(value(row, Field.LINE)), null, note(score))));
        SourceSnapshot.Result result = result(row, key, score, possible);
        if (result != null) {
            results.put(key, result);
        }
    }

    private static @Nullable String note(ScoreWords.@Nullable Score score) {
        return score == null || score.letter() == null || score.percent() == null
                ? null
                : score.letter() + " is counted as " + score.percent() + " %";
    }

    /** Its name without the weight that stands behind it, which is kept. */
    private static @Nullable String category(String value, Map<String, Rational> weights) {
        Matcher weighed = WEIGHED.matcher(value);
        boolean hasWeight = weighed.matches() && !weighed.group(1).isBlank();
        String name = hasWeight ? weighed.group(1).strip() : value;
        if (name.isEmpty()) {
            return null;
        }
        Rational weight =
                hasWeight ? Rational.of(new BigDecimal(weighed.group(2).replace(',', '.'))) : Rational.ZERO;
        weights.merge(name, weight, Rational::max);
        return name;
    }

    private SourceSnapshot.@Nullable Result result(
            Row row, String key, ScoreWords.@Nullable Score score, @Nullable Rational possible) {
        String comment = cut(value(row, Field.COMMENT), LONGEST_TEXT);
        Meaning meaning = meaning(value(row, Field.STATE));
        Rational points = score == null ? null : score.outOf(possible == null ? Rational.ZERO : possible);
        boolean excused = meaning == Meaning.EXCUSED || (score != null && score.excused());
        boolean says = points != null
                || excused
                || !comment.isEmpty()
                || (meaning != Meaning.NOTHING && meaning != Meaning.NOT_HANDED_IN);
        if (!says && meaning != Meaning.NOT_HANDED_IN) {
            return null;
        }
        return result(key, points, excused, meaning, comment);
    }

    /**
     * What a row says of how far its work is.
     *
     * @param points null where there is no score
     * @param excused by the score or by the state
     * @param comment empty for none
     */
    public static SourceSnapshot.Result result(
            String key, @Nullable Rational points, boolean excused, Meaning meaning, String comment) {
        return new SourceSnapshot.Result(
                key,
                excused
                        ? SourceSnapshot.Status.EXCUSED
                        : points != null ? SourceSnapshot.Status.SCORED : status(meaning),
                points,
                null,
                comment,
                meaning == Meaning.HANDED_IN_LATE,
                meaning == Meaning.MISSING,
                meaning == Meaning.INCOMPLETE && points != null);
    }

    /** What a word for a state comes to where there is no score. */
    private static SourceSnapshot.Status status(Meaning meaning) {
        return switch (meaning) {
            case HANDED_IN, HANDED_IN_LATE -> SourceSnapshot.Status.HANDED_IN;
            case RETURNED -> SourceSnapshot.Status.RETURNED;
            case EXCUSED -> SourceSnapshot.Status.EXCUSED;
            case NOTHING, NOT_HANDED_IN, MISSING, INCOMPLETE -> SourceSnapshot.Status.NOT_HANDED_IN;
        };
    }

    private Meaning meaning(String state) {
        String plain = StateWords.plain(state);
        Meaning own = asked.words().get(plain);
        if (own != null) {
            return own;
        }
        return StateWords.read(state).orElseGet(() -> {
            unknown.add(plain);
            return Meaning.NOTHING;
        });
    }

    private static WorkKind kind(String word, String title) {
        for (WorkKind kind : WorkKind.values()) {
            if (kind.name().equalsIgnoreCase(word.strip())) {
                return kind;
            }
        }
        return KindWords.kind(word.isBlank() ? title : word + " " + title);
    }

    /** With a point for its decimals, and no marks between thousands. */
    private String decimal(String value) {
        return mapping.decimals() == Decimals.COMMA
                ? THOUSANDS_BY_POINT.matcher(value).replaceAll("").replace(',', '.')
                : THOUSANDS_BY_COMMA.matcher(value).replaceAll("");
    }

    private @Nullable Rational number(Row row, Field field) {
        String value = value(row, field);
        ScoreWords.Score read = ScoreWords.read(decimal(value.replace("%", "")), Map.of());
        if (read.isNothing()) {
            return null;
        }
        Rational number = read.of() == null ? read.points() : read.of();
        if (number == null) {
            throw new IllegalArgumentException("“" + value + "” is no number from 0 up");
        }
        return number;
    }

    private @Nullable Instant opens(String value) {
        DateWords.When when = when(value);
        return when == null
                ? null
                : when.time() == null
                        ? when.day().atStartOfDay(asked.zone()).toInstant()
                        : when.day().atTime(when.time()).atZone(asked.zone()).toInstant();
    }

    private @Nullable Deadline due(String value) {
        DateWords.When when = when(value);
        return when == null
                ? null
                : when.time() == null
                        ? Deadline.endOf(when.day(), asked.zone())
                        : Deadline.at(when.day()
                                .atTime(when.time())
                                .atZone(asked.zone())
                                .toInstant());
    }

    private DateWords.@Nullable When when(String value) {
        return value.isEmpty() || NO_DATE.matcher(value).matches()
                ? null
                : DateWords.read(value, mapping.dates() == DateOrder.DAY_FIRST, asked.near());
    }

    private static @Nullable String orNull(String value) {
        return value.isEmpty() ? null : value;
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest);
    }
}

package app.navlo.server.imports;

import app.navlo.formats.csv.MappedTable;
import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.csv.TableShape;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.formats.ical.CalendarTold;
import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.StateWords;
import app.navlo.server.problem.Refusal;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Reads what came in, whatever it is: a calendar, a table, or a gradebook's bundle. */
final class Sources {
    private static final long MOST_UNPACKED = 512L << 20;
    private static final int MOST_CALENDAR = 5 << 20;
    private static final int HEAD = 4_096;

    private Sources() {}

    /** What came in, by its content. */
    enum Kind {
        CALENDAR,
        TABLE,
        BUNDLE
    }

    /**
     * What was read.
     *
     * @param name what the source calls itself, or its file is called
     * @param students of a bundle of several
     * @param recognised of a table; null for anything else
     * @param told null while the student isn't chosen, or the titles of a table aren't known
     */
    record ReadIn(
            Kind kind,
            String name,
            List<Roster.User> students,
            @Nullable Recognised recognised,
            @Nullable Mapping mapping,
            @Nullable SourceSnapshot told) {}

    /**
     * @param zone of days and times that name none
     * @param dates how who reads this in writes dates, for a table that doesn't tell
     * @param courses that there are, by name, in lower case
     * @param remembered how columns of these heads were read before
     */
    record Asked(
            String fileName,
            Choices choices,
            ZoneId zone,
            Mapping.DateOrder dates,
            Set<String> courses,
            LocalDate near,
            Map<String, StateWords.Meaning> words,
            Function<List<String>, Optional<Mapping>> remembered) {}

    /** @throws Refusal with what is wrong with it, in words */
    static ReadIn read(Path content, Asked asked) throws IOException {
        try {
            return switch (kind(content, asked.fileName())) {
                case BUNDLE -> bundle(content, asked);
                case CALENDAR -> calendar(content, asked);
                case TABLE -> table(content, asked);
            };
        } catch (TableFault | CalendarFault fault) {
            throw Refusal.invalid("file", String.valueOf(fault.getMessage()));
        } catch (ZipBundle.TooLarge large) {
            throw Refusal.tooLarge(String.valueOf(large.getMessage()));
        }
    }

    private static Kind kind(Path content, String name) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(content)) {
            head = in.readNBytes(HEAD);
        }
        if (head.length >= 2 && head[0] == 'P' && head[1] == 'K') {
            return Kind.BUNDLE;
        }
        boolean calendar = name.toLowerCase(Locale.ROOT).endsWith(".ics");
        boolean marked = head.length > 1 && ((head[0] & head[1]) & 0xFE) == 0xFE;
        String text = new String(head, StandardCharsets.ISO_8859_1)
                .replace("\u0000", "")
                .toUpperCase(Locale.ROOT);
        if (calendar || text.contains("BEGIN:VCALENDAR") || text.contains("BEGIN:VEVENT")) {
            return Kind.CALENDAR;
        }
        if (text.stripLeading().startsWith("<")) {
            throw Refusal.invalid(
                    "file", "This is a web page. Copy the table on it and paste it, or export it as a table (CSV).");
        }
        boolean binary = !marked && new String(head, StandardCharsets.ISO_8859_1).indexOf(0) >= 0;
        if (binary) {
            throw Refusal.invalid(
                    "file", "This is no table, calendar or bundle. Export it as CSV or as a calendar file (ICS).");
        }
        return Kind.TABLE;
    }

    private static ReadIn calendar(Path content, Asked asked) throws IOException, CalendarFault {
        if (Files.size(content) > MOST_CALENDAR) {
            throw Refusal.tooLarge("The calendar has " + (Files.size(content) >> 20)
                    + " MB; at most 5 MB are read. Export a shorter span, a term for example.");
        }
        SourceSnapshot told = CalendarTold.of(
                CalendarReader.read(Files.readAllBytes(content), asked.zone()),
                plain(asked.fileName()),
                asked.courses());
        return new ReadIn(Kind.CALENDAR, told.source(), List.of(), null, null, told);
    }

    private static ReadIn bundle(Path content, Asked asked) throws IOException, TableFault {
        try (ZipBundle bundle = ZipBundle.open(content, MOST_UNPACKED)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            List<Roster.User> students = reader.students();
            String chosen = asked.choices().knownAs();
            String knownAs = chosen != null
                    ? chosen
                    : students.size() == 1 ? students.get(0).id() : null;
            String name = reader.system().isBlank() ? plain(asked.fileName()) : reader.system();
            SourceSnapshot told = knownAs == null ? null : reader.read(knownAs, asked.zone());
            return new ReadIn(Kind.BUNDLE, name, students, null, null, told);
        }
    }

    private static ReadIn table(Path content, Asked asked) throws IOException, TableFault {
        TextTable.Source list = TableShape.listOf(asked.fileName(), () -> Files.newInputStream(content));
        Recognised recognised = Recogniser.recognise(asked.fileName(), list);
        Mapping mapping = Optional.ofNullable(asked.choices().mapping())
                .or(() -> asked.remembered().apply(recognised.heads()))
                .filter(one -> one.fields().size() == recognised.heads().size())
                .orElseGet(() -> recognised.mapping(asked.dates()));
        String name = plain(asked.fileName());
        SourceSnapshot told = mapping.place(Mapping.Field.TITLE).isEmpty()
                ? null
                : MappedTable.read(
                        asked.fileName(),
                        list,
                        mapping,
                        new MappedTable.Asked(asked.zone(), courseName(name), asked.near(), asked.words(), Map.of()));
        return new ReadIn(Kind.TABLE, name, List.of(), recognised, mapping, told);
    }

    private static String plain(String name) {
        return name.replaceFirst("\\.[^.]*$", "");
    }

    /** "chem-gradebook" is of a course that is called something like "chem". */
    static String courseName(String name) {
        String rest = name.replaceAll("[_-]+", " ")
                .replaceAll(
                        "(?i)\\b(gradebook|grades?|scores?|marks?|export|table|calendar|work|assignments?|\\d{4}[ -]\\d{2}[ -]\\d{2})\\b",
                        " ")
                .replaceAll("\\s+", " ")
                .strip();
        String plain = rest.isEmpty() ? name : rest;
        return plain.substring(0, 1).toUpperCase(Locale.ROOT) + plain.substring(1);
    }
}

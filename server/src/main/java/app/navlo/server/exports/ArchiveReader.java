package app.navlo.server.exports;

import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.StandIns;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ArchiveTables;
import app.navlo.server.store.ArchiveTables.Table;
import app.navlo.server.store.Files;
import app.navlo.server.store.Links;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.TableCopies;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.apache.commons.io.input.BoundedInputStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes an archive in, whole or not at all, beside what is here. Rows get new numbers where theirs are taken, and so does
 * everything that names them. Nothing of it acts by itself: no secret and nothing outgoing comes in. What isn't a table or a column here, or names a row that isn't in the archive, is refused,
 * and so is what was taken in before.
 */
@Component
class ArchiveReader {
    private static final Logger LOG = LoggerFactory.getLogger(ArchiveReader.class);

    /** What an archive may unpack to: its document, one file, and all files together. */
    record Limits(long document, long file, long files, int entries) {}

    private static final Limits LIMITS = new Limits(500L << 20, 200L << 20, 2L << 30, 20_000);
    private static final int BATCH = 500;
    /** Columns that say where to fetch from. */
    private static final Map<String, String> ADDRESSES = Map.of("link", "address", "busy_calendar", "address");

    private final TableCopies copies;
    private final Files files;
    private final FeedFetcher fetcher;
    private final JsonMapper json;
    private final Limits limits;

    @Autowired
    ArchiveReader(TableCopies copies, Files files, FeedFetcher fetcher, JsonMapper json) {
        this(copies, files, fetcher, json, LIMITS);
    }

    ArchiveReader(TableCopies copies, Files files, FeedFetcher fetcher, JsonMapper json, Limits limits) {
        this.copies = copies;
        this.files = files;
        this.fetcher = fetcher;
        this.json = json;
        this.limits = limits;
    }

    /**
     * What came of an archive.
     *
     * @param damaged names of files that weren't in it, or not as they had been; what names them is there without them
     */
    record Taken(int rows, Set<String> damaged) {}

    /** @throws Refusal if it can't be taken in; nothing of it is then */
    @Transactional(rollbackFor = IOException.class)
    public Taken take(long student, Path archive) throws IOException {
        RowNumbers numbers = new RowNumbers(copies, json);
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            if (zip.size() > limits.entries()) {
                throw Refusal.tooLarge("The archive holds more than " + limits.entries() + " files.");
            }
            Contents contents = new Contents(takeFiles(zip));
            ZipEntry document = zip.getEntry(ArchiveWriter.DOCUMENT);
            if (document == null) {
                throw damaged("it has no " + ArchiveWriter.DOCUMENT);
            }
            try (InputStream in = limited(zip.getInputStream(document), limits.document());
                    JsonParser parser = json.createParser(in)) {
                int rows = document(student, numbers, parser, contents);
                copies.numbersGoOn();
                return new Taken(rows, contents.missing);
            }
        } catch (ZipException e) {
            throw Refusal.invalid("file", "This is no archive of Navlo, or only the first part of one.");
        } catch (TooMuch e) {
            throw Refusal.tooLarge(e.getMessage());
        } catch (JacksonException e) {
            if (e.getCause() instanceof TooMuch much) {
                throw Refusal.tooLarge(much.getMessage());
            }
            throw damaged("its document ends in the middle");
        }
    }

    /** Which files an archive brought, and which of those that it names it didn't. */
    private static final class Contents {
        private final Set<String> there;
        private final Set<String> missing = new TreeSet<>();

        Contents(Set<String> there) {
            this.there = there;
        }
    }

    private static final class TooMuch extends IOException {
        private static final long serialVersionUID = 1L;

        TooMuch(long most) {
            super("The archive unpacks to more than it may: something in it has more than " + (most >> 20) + " MB.");
        }

        @Override
        public String getMessage() {
            return String.valueOf(super.getMessage());
        }
    }

    /** Counts what really comes out, whatever the archive says of itself. */
    private static InputStream limited(InputStream in, long most) throws IOException {
        return BoundedInputStream.builder()
                .setInputStream(in)
                .setMaxCount(most + 1)
                .setOnMaxCount((max, count) -> {
                    throw new TooMuch(most);
                })
                .get();
    }

    private static Refusal damaged(String why) {
        return Refusal.invalid("file", "The archive is damaged: " + why + ". Nothing of it was taken.");
    }

    /** @return the digests of those that are what they were */
    private Set<String> takeFiles(ZipFile zip) throws IOException {
        Set<String> taken = new HashSet<>();
        long left = limits.files();
        for (ZipEntry entry : Collections.list(zip.entries())) {
            if (!entry.getName().startsWith(ArchiveWriter.FOLDER)) {
                continue;
            }
            String sha256 = entry.getName().substring(ArchiveWriter.FOLDER.length());
            Path content = java.nio.file.Files.createTempFile("navlo-archive", ".file");
            try {
                left -= unpacked(zip, entry, content, Math.min(left, limits.file()));
                if (isWhole(content, sha256)) {
                    files.keep(sha256, java.nio.file.Files.size(content), content);
                    taken.add(sha256);
                }
            } finally {
                java.nio.file.Files.deleteIfExists(content);
            }
        }
        return taken;
    }

    /** @return how much it was */
    private static long unpacked(ZipFile zip, ZipEntry entry, Path content, long most) throws IOException {
        try (InputStream in = limited(zip.getInputStream(entry), most);
                OutputStream out = java.nio.file.Files.newOutputStream(content)) {
            return in.transferTo(out);
        } catch (ZipException broken) {
            LOG.info("a file of an archive can't be unpacked: {}", broken.getMessage());
            return java.nio.file.Files.size(content);
        }
    }

    private static boolean isWhole(Path content, String sha256) throws IOException {
        try (InputStream in = java.nio.file.Files.newInputStream(content)) {
            return Sha256.of(in).equals(sha256);
        }
    }

    private int document(long student, RowNumbers numbers, JsonParser parser, Contents contents) {
        want(parser.nextToken() == JsonToken.START_OBJECT);
        int rows = 0;
        Set<String> seen = new LinkedHashSet<>();
        for (String name = parser.nextName(); name != null; name = parser.nextName()) {
            parser.nextToken();
            if (name.equals("version")) {
                int version = parser.getIntValue();
                if (version != ArchiveWriter.VERSION) {
                    throw damaged("it is of version " + version + ", and " + ArchiveWriter.VERSION + " can be read");
                }
            } else {
                want(name.equals("tables") && parser.currentToken() == JsonToken.START_OBJECT);
                rows = tables(student, numbers, parser, contents, seen);
            }
        }
        return rows;
    }

    private int tables(long student, RowNumbers numbers, JsonParser parser, Contents contents, Set<String> seen) {
        int rows = 0;
        for (String name = parser.nextName(); name != null; name = parser.nextName()) {
            String asked = name;
            Table table = ArchiveTables.ALL.stream()
                    .filter(one -> one.name().equals(asked))
                    .findFirst()
                    .orElseThrow(() -> damaged("there is no table '" + asked + "'"));
            want(seen.add(name));
            want(parser.nextToken() == JsonToken.START_ARRAY);
            rows += table(student, numbers, table, parser, contents);
        }
        return rows;
    }

    private static void want(boolean holds) {
        if (!holds) {
            throw damaged("its document isn't in order");
        }
    }

    private int table(long student, RowNumbers numbers, Table table, JsonParser parser, Contents contents) {
        List<String> columns = copies.columns(table);
        List<Object[]> batch = new ArrayList<>();
        int rows = 0;
        while (parser.nextToken() == JsonToken.START_OBJECT) {
            Map<String, @Nullable String> told = told(table, columns, parser);
            if (rows == 0 && table.name().equals("change") && isHere(student, told)) {
                throw Refusal.conflict(
                        "This archive is here already", "What it begins with was brought in before. Nothing changed.");
            }
            made(student, table, told, contents);
            batch.add(row(student, numbers, table, columns, told));
            rows++;
            if (batch.size() == BATCH) {
                insert(table, columns, batch, rows);
            }
        }
        insert(table, columns, batch, rows);
        return rows;
    }

    /** Nothing that comes acts by itself: an address has to be one that may be fetched from, and a file one that came. */
    private void made(long student, Table table, Map<String, @Nullable String> told, Contents contents) {
        String column = ADDRESSES.get(table.name());
        String address = column == null ? null : told.get(column);
        if (address != null && !isAddress(address, told)) {
            throw damaged("'" + table.name() + "' names an address that none can be fetched from");
        }
        String sha256 = told.get(ArchiveTables.FILE);
        if (sha256 != null && ArchiveTables.WITH_FILES.contains(table.name()) && !contents.there.contains(sha256)) {
            // A place of its own: whoever knows a digest doesn't get the content of somebody else by it.
            String place = Sha256.of("missing " + student + " " + sha256);
            files.keepPlace(place);
            told.put(ArchiveTables.FILE, place);
            contents.missing.add(Objects.requireNonNullElse(told.get("name"), sha256));
        }
    }

    private boolean isAddress(String address, Map<String, @Nullable String> told) {
        if (Links.Kind.FILE.name().equals(told.get("kind")) || StandIns.isOne(address)) {
            return true;
        }
        try {
            fetcher.address(address);
            return true;
        } catch (Refusal notOne) {
            return false;
        }
    }

    private void insert(Table table, List<String> columns, List<Object[]> batch, int rows) {
        try {
            copies.insert(table, columns, batch);
            batch.clear();
        } catch (DuplicateKeyException e) {
            throw Refusal.conflict(
                    "Some of this archive is here already", "Nothing of it was taken. Was it brought in before?");
        } catch (DataAccessException e) {
            throw damaged("something in '" + table.name() + "' up to row " + rows + " doesn't fit");
        }
    }

    private static Object[] row(
            long student, RowNumbers numbers, Table table, List<String> columns, Map<String, @Nullable String> told) {
        try {
            numbers.renew(table.name(), told);
        } catch (NumberFormatException e) {
            throw damaged("something in '" + table.name() + "' isn't the number that it has to be");
        }
        Object[] values = new Object[columns.size()];
        for (String column : ArchiveTables.PERSONS) {
            int place = columns.indexOf(column);
            if (place >= 0) {
                values[place] = student;
            }
        }
        told.forEach((column, value) -> values[columns.indexOf(column)] = value);
        return values;
    }

    private static Map<String, @Nullable String> told(Table table, List<String> columns, JsonParser parser) {
        Map<String, @Nullable String> told = new LinkedHashMap<>();
        Set<String> secrets = ArchiveTables.SECRETS.getOrDefault(table.name(), Set.of());
        for (String column = parser.nextName(); column != null; column = parser.nextName()) {
            boolean known =
                    columns.contains(column) && !ArchiveTables.PERSONS.contains(column) && !told.containsKey(column);
            if (!known) {
                throw damaged("'" + table.name() + "' has no column '" + column + "'");
            }
            parser.nextToken();
            String value = parser.getString();
            if (!secrets.contains(column)) {
                told.put(column, value);
            }
        }
        return told;
    }

    private boolean isHere(long student, Map<String, @Nullable String> change) {
        return copies.hasChange(student, change.get("kind"), change.get("at"), change.get("summary"));
    }
}

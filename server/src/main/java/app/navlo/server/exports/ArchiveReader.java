package app.navlo.server.exports;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ArchiveTables;
import app.navlo.server.store.ArchiveTables.Table;
import app.navlo.server.store.Files;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.TableCopies;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.jspecify.annotations.Nullable;
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
 * everything that names them. What isn't a table or a column here, or names a row that isn't in the archive, is refused,
 * and so is what was taken in before.
 */
@Component
class ArchiveReader {
    private static final long MOST_DOCUMENT = 500L << 20;
    private static final long MOST_FILE = 200L << 20;
    private static final int BATCH = 500;

    private final TableCopies copies;
    private final Files files;
    private final JsonMapper json;

    ArchiveReader(TableCopies copies, Files files, JsonMapper json) {
        this.copies = copies;
        this.files = files;
        this.json = json;
    }

    /** @throws Refusal if it can't be taken in; nothing of it is then */
    @Transactional(rollbackFor = IOException.class)
    public int take(long student, Path archive) throws IOException {
        RowNumbers numbers = new RowNumbers(copies, json);
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            takeFiles(zip);
            ZipEntry document = zip.getEntry(ArchiveWriter.DOCUMENT);
            if (document == null) {
                throw damaged("it has no " + ArchiveWriter.DOCUMENT);
            }
            if (document.getSize() > MOST_DOCUMENT) {
                throw Refusal.tooLarge("The archive unpacks to more than " + (MOST_DOCUMENT >> 20) + " MB.");
            }
            try (InputStream in = zip.getInputStream(document);
                    JsonParser parser = json.createParser(in)) {
                int rows = document(student, numbers, parser);
                copies.numbersGoOn();
                return rows;
            }
        } catch (ZipException e) {
            throw Refusal.invalid("file", "This is no archive of Navlo, or only the first part of one.");
        } catch (JacksonException e) {
            throw damaged("its document ends in the middle");
        }
    }

    private static Refusal damaged(String why) {
        return Refusal.invalid("file", "The archive is damaged: " + why + ". Nothing of it was taken.");
    }

    private void takeFiles(ZipFile zip) throws IOException {
        for (ZipEntry entry : Collections.list(zip.entries())) {
            if (!entry.getName().startsWith(ArchiveWriter.FOLDER)) {
                continue;
            }
            String sha256 = entry.getName().substring(ArchiveWriter.FOLDER.length());
            Path content = java.nio.file.Files.createTempFile("navlo-archive", ".file");
            try {
                try (InputStream in = zip.getInputStream(entry);
                        var out = java.nio.file.Files.newOutputStream(content)) {
                    if (in.transferTo(out) > MOST_FILE) {
                        throw Refusal.tooLarge("A file of the archive has more than " + (MOST_FILE >> 20) + " MB.");
                    }
                }
                try (InputStream in = java.nio.file.Files.newInputStream(content)) {
                    if (!Sha256.of(in).equals(sha256)) {
                        throw damaged("the file " + sha256 + " isn't what it was");
                    }
                }
                files.keep(sha256, java.nio.file.Files.size(content), content);
            } finally {
                java.nio.file.Files.deleteIfExists(content);
            }
        }
    }

    private int document(long student, RowNumbers numbers, JsonParser parser) {
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
                want(name.equals("tables"));
                rows = tables(student, numbers, parser, seen);
            }
        }
        return rows;
    }

    private int tables(long student, RowNumbers numbers, JsonParser parser, Set<String> seen) {
        int rows = 0;
        for (String name = parser.nextName(); name != null; name = parser.nextName()) {
            String asked = name;
            Table table = ArchiveTables.ALL.stream()
                    .filter(one -> one.name().equals(asked))
                    .findFirst()
                    .orElseThrow(() -> damaged("there is no table '" + asked + "'"));
            want(seen.add(name));
            want(parser.nextToken() == JsonToken.START_ARRAY);
            rows += table(student, numbers, table, parser);
        }
        return rows;
    }

    private static void want(boolean holds) {
        if (!holds) {
            throw damaged("its document isn't in order");
        }
    }

    private int table(long student, RowNumbers numbers, Table table, JsonParser parser) {
        List<String> columns = copies.columns(table);
        List<Object[]> batch = new ArrayList<>();
        int rows = 0;
        while (parser.nextToken() == JsonToken.START_OBJECT) {
            Map<String, @Nullable String> told = told(table, columns, parser);
            if (rows == 0 && table.name().equals("change") && isHere(student, told)) {
                throw Refusal.conflict(
                        "This archive is here already", "What it begins with was brought in before. Nothing changed.");
            }
            batch.add(row(student, numbers, table, columns, told));
            rows++;
            if (batch.size() == BATCH) {
                insert(table, columns, batch, rows);
            }
        }
        insert(table, columns, batch, rows);
        return rows;
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
        for (String column = parser.nextName(); column != null; column = parser.nextName()) {
            boolean known =
                    columns.contains(column) && !ArchiveTables.PERSONS.contains(column) && !told.containsKey(column);
            if (!known) {
                throw damaged("'" + table.name() + "' has no column '" + column + "'");
            }
            parser.nextToken();
            told.put(column, parser.getString());
        }
        return told;
    }

    private boolean isHere(long student, Map<String, @Nullable String> change) {
        return copies.hasChange(student, change.get("kind"), change.get("at"), change.get("summary"));
    }
}

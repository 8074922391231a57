package app.navlo.server.exports;

import app.navlo.server.board.ReadBoard;
import app.navlo.server.store.ArchiveTables;
import app.navlo.server.store.ArchiveTables.Table;
import app.navlo.server.store.Files;
import app.navlo.server.store.TableCopies;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes an archive: a zip with one JSON document of all rows and the files beside it, each once, by its SHA-256. Row by
 * row; the same state makes the same bytes.
 */
@Component
class ArchiveWriter {
    static final int VERSION = 1;
    static final String DOCUMENT = "navlo.json";
    static final String FOLDER = "files/";
    /** Says which files aren't in the archive, where there are such. */
    static final String DAMAGED = "damaged-files.txt";

    private final TableCopies copies;
    private final Files files;
    private final JsonMapper json;

    ArchiveWriter(TableCopies copies, Files files, JsonMapper json) {
        this.copies = copies;
        this.files = files;
        this.json = json;
    }

    @ReadBoard
    public void write(long student, OutputStream out) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out);
        Map<String, String> named = new TreeMap<>();
        zip.putNextEntry(entry(DOCUMENT));
        JsonGenerator document = json.createGenerator(new Unclosed(zip));
        document.writeStartObject();
        document.writeNumberProperty("version", VERSION);
        document.writeObjectPropertyStart("tables");
        for (Table table : ArchiveTables.ALL) {
            document.writeArrayPropertyStart(table.name());
            copies.each(table, student, row -> row(table, row, document, named));
            document.writeEndArray();
        }
        document.writeEndObject();
        document.writeEndObject();
        document.close();
        zip.closeEntry();
        Set<String> damaged = new TreeSet<>();
        for (Map.Entry<String, String> file : named.entrySet()) {
            if (files.isWhole(file.getKey())) {
                zip.putNextEntry(entry(FOLDER + file.getKey()));
                files.write(file.getKey(), zip);
                zip.closeEntry();
            } else {
                damaged.add(file.getValue());
            }
        }
        if (!damaged.isEmpty()) {
            zip.putNextEntry(entry(DAMAGED));
            String words = "These files are damaged where they are stored, and so they are missing here:\n\n"
                    + String.join("\n", damaged) + "\n";
            zip.write(words.getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        }
        zip.finish();
    }

    private static ZipEntry entry(String name) {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(0);
        return entry;
    }

    private static void row(Table table, Map<String, String> row, JsonGenerator document, Map<String, String> named) {
        Set<String> secrets = ArchiveTables.SECRETS.getOrDefault(table.name(), Set.of());
        document.writeStartObject();
        row.forEach((column, value) -> {
            if (secrets.contains(column) || ArchiveTables.PERSONS.contains(column)) {
                return;
            }
            document.writeStringProperty(column, value);
            if (column.equals(ArchiveTables.FILE) && ArchiveTables.WITH_FILES.contains(table.name())) {
                named.put(value, row.getOrDefault("name", value));
            }
        });
        document.writeEndObject();
    }

    /** The generator ends its document; the archive goes on. */
    private static final class Unclosed extends OutputStream {
        private final OutputStream inner;

        Unclosed(OutputStream inner) {
            this.inner = inner;
        }

        @Override
        public void write(int one) throws IOException {
            inner.write(one);
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            inner.write(bytes, from, length);
        }

        @Override
        public void flush() throws IOException {
            inner.flush();
        }
    }
}

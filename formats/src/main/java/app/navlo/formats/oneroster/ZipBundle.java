package app.navlo.formats.oneroster;

import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import java.io.Closeable;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.Collections;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/**
 * A zipped bundle. Nothing is unpacked to disk: a table is read out of the archive as it is wanted, and an archive that
 * unpacks to more than it may is left off there.
 */
public final class ZipBundle implements Bundle, Closeable {
    private static final int MOST_ENTRIES = 500;
    private static final String ENDING = ".csv";

    private final ZipFile zip;
    private final long mostBytes;
    private final Map<String, ZipEntry> tables = new HashMap<>();

    private ZipBundle(ZipFile zip, long mostBytes) throws TableFault {
        this.zip = zip;
        this.mostBytes = mostBytes;
        if (zip.size() > MOST_ENTRIES) {
            throw new TableFault(
                    "The archive has " + zip.size() + " files, which no gradebook exports. Choose another.");
        }
        for (ZipEntry entry : Collections.list(zip.entries())) {
            String path = entry.getName().replace('\\', '/');
            String name = path.substring(path.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
            boolean hidden = name.startsWith(".") || path.startsWith("__MACOSX/");
            if (name.endsWith(ENDING) && !hidden && !entry.isDirectory() && tables.put(name, entry) != null) {
                throw new TableFault("The archive has two files called " + name + ". Export it again.");
            }
        }
    }

    /**
     * @param mostBytes that a table may have when it is unpacked
     * @throws TableFault if it is no archive, or one that can't be read
     */
    public static ZipBundle open(Path file, long mostBytes) throws IOException, TableFault {
        ZipFile zip;
        try {
            zip = new ZipFile(file.toFile());
        } catch (ZipException e) {
            throw new TableFault("This is no zip archive, or only the first part of one. Download it again.", e);
        }
        try {
            return new ZipBundle(zip, mostBytes);
        } catch (TableFault e) {
            zip.close();
            throw e;
        }
    }

    @Override
    public Optional<TextTable.Source> table(String name) {
        ZipEntry entry = tables.get(name.toLowerCase(Locale.ROOT) + ENDING);
        return Optional.ofNullable(entry).map(one -> () -> new Counted(zip.getInputStream(one)));
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }

    /** Thrown while reading, where only an {@link IOException} can be. */
    public static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge(long mostBytes) {
            super("The archive unpacks to more than " + (mostBytes >> 20) + " MB. Export less, a term for example.");
        }
    }

    private final class Counted extends FilterInputStream {
        private long read;

        Counted(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int one = super.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int many = super.read(into, from, length);
            count(Math.max(0, many));
            return many;
        }

        private void count(int many) throws TooLarge {
            read += many;
            if (read > mostBytes) {
                throw new TooLarge(mostBytes);
            }
        }
    }
}

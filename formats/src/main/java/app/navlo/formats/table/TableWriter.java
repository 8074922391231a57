package app.navlo.formats.table;

import java.io.IOException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes a table of text as RFC 4180 has it: commas, lines that end with CR LF, quotes where they are needed. */
public final class TableWriter {
    private final CSVPrinter printer;

    /** @param out stays open; give it UTF-8 */
    public TableWriter(Appendable out, String... heads) throws IOException {
        printer = new CSVPrinter(out, CSVFormat.RFC4180);
        printer.printRecord((Object[]) heads);
    }

    /** One row, as many values as there are heads. */
    public void row(String... values) throws IOException {
        for (String value : values) {
            printer.print(Disarm.text(value));
        }
        printer.println();
    }

    public void flush() throws IOException {
        printer.flush();
    }
}

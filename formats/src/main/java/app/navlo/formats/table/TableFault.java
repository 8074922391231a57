package app.navlo.formats.table;

/** A file that can't be read as what it should be. The message says why and what to do, for the person who chose it. */
public final class TableFault extends Exception {
    private static final long serialVersionUID = 1L;

    public TableFault(String message) {
        super(message);
    }

    public TableFault(String message, Throwable cause) {
        super(message, cause);
    }
}

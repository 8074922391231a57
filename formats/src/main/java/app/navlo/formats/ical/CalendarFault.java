package app.navlo.formats.ical;

/** A file that can't be read as a calendar. The message says why and what to do, for the person who chose it. */
public final class CalendarFault extends Exception {
    private static final long serialVersionUID = 1L;

    public CalendarFault(String message) {
        super(message);
    }

    public CalendarFault(String message, Throwable cause) {
        super(message, cause);
    }
}

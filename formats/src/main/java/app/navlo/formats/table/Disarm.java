package app.navlo.formats.table;

/**
 * Text that a spreadsheet would take for a formula gets an apostrophe before it, which a spreadsheet doesn't show, and loses
 * it again when Navlo reads it.
 */
public final class Disarm {
    private static final String STARTERS = "=+-@\t\r";
    private static final char APOSTROPHE = '\'';

    private Disarm() {}

    /** Plain numbers stay as they are, negative ones too. */
    public static String text(String value) {
        boolean armed = !value.isEmpty() && STARTERS.indexOf(value.charAt(0)) >= 0 && !isNumber(value);
        return armed ? APOSTROPHE + value : value;
    }

    /** The inverse of {@link #text}. */
    static String back(String value) {
        boolean disarmed = value.length() > 1
                && value.charAt(0) == APOSTROPHE
                && STARTERS.indexOf(value.charAt(1)) >= 0
                && !isNumber(value.substring(1));
        return disarmed ? value.substring(1) : value;
    }

    private static boolean isNumber(String value) {
        return value.matches("[+-]?\\d+([.,]\\d+)?");
    }
}

package app.navlo.school.page;

/** Plain text in a page. */
public final class Html {
    private Html() {}

    /** The text with nothing in it that a page would take for its own. */
    public static String text(String plain) {
        return plain.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}

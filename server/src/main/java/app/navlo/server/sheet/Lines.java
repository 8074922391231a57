package app.navlo.server.sheet;

import org.jspecify.annotations.Nullable;

/** Texts that stand in one line wherever they came from: a school's site, a table, a file. */
public final class Lines {
    private Lines() {}

    /** Without control characters, each of which becomes a space; they write headers into a mail and rows into a table. */
    public static String one(String text) {
        return text.replaceAll("[\\p{Cntrl}\\u2028\\u2029]+", " ");
    }

    public static @Nullable String oneOrNull(@Nullable String text) {
        return text == null ? null : one(text);
    }
}

package app.navlo.formats.told;

import app.navlo.core.work.WorkKind;
import java.util.Locale;

/** What kind of work a title speaks of, where nothing else says it. */
public final class KindWords {
    private KindWords() {}

    public static WorkKind kind(String title) {
        String words = " " + title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]+", " ") + " ";
        if (words.contains(" quiz ")) {
            return WorkKind.QUIZ;
        }
        if (words.contains(" test ") || words.contains(" exam ") || words.contains(" examination ")) {
            return WorkKind.TEST;
        }
        if (words.contains(" project ")) {
            return WorkKind.PROJECT;
        }
        if (words.contains(" discussion ") || words.contains(" forum ")) {
            return WorkKind.DISCUSSION;
        }
        return words.contains(" practice ") ? WorkKind.PRACTICE : WorkKind.ASSIGNMENT;
    }
}

package app.navlo.formats.told;

import app.navlo.core.work.WorkKind;
import java.util.Locale;
import java.util.regex.Pattern;

/** What kind of work a title speaks of, where nothing else says it. */
public final class KindWords {
    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}]+");

    private KindWords() {}

    public static WorkKind kind(String title) {
        String words = " " + NO_LETTERS.matcher(title.toLowerCase(Locale.ROOT)).replaceAll(" ") + " ";
        if (words.contains(" quiz ") || words.contains(" quizzes ")) {
            return WorkKind.QUIZ;
        }
        if (words.contains(" test ")
                || words.contains(" exam ")
                || words.contains(" examination ")
                || words.contains(" midterm ")
                || words.contains(" exams ")
                || words.contains(" final ")
                        && !words.contains(" project ")
                        && !words.contains(" essay ")
                        && !words.contains(" report ")
                        && !words.contains(" draft ")
                        && !words.contains(" paper ")) {
            return WorkKind.TEST;
        }
        if (words.contains(" project ") || words.contains(" presentation ") || words.contains(" portfolio ")) {
            return WorkKind.PROJECT;
        }
        if (words.contains(" discussion ") || words.contains(" forum ")) {
            return WorkKind.DISCUSSION;
        }
        return words.contains(" practice ") ? WorkKind.PRACTICE : WorkKind.ASSIGNMENT;
    }
}

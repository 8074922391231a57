package app.navlo.formats.told;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Reads what a table says of how far a piece of work is. Whole words only, and what denies before what claims: "not
 * submitted" is no hand-in, and neither is "late work accepted".
 */
public final class StateWords {
    private static final Pattern NO_WORD = Pattern.compile("[^\\p{L}\\p{N}]+");

    private StateWords() {}

    /** How far a piece of work is, by a word for it. */
    public enum Meaning {
        /** Nothing is said of a hand-in. */
        NOTHING,
        NOT_HANDED_IN,
        HANDED_IN,
        HANDED_IN_LATE,
        /** It has come back, scored or not. */
        RETURNED,
        MISSING,
        INCOMPLETE,
        EXCUSED
    }

    private record Word(Pattern pattern, Meaning meaning) {
        static Word of(String pattern, Meaning meaning) {
            return new Word(Pattern.compile("(?<![\\p{L}\\d])(?:" + pattern + ")(?![\\p{L}\\d])"), meaning);
        }
    }

    private static final String DEED =
            "(?:turned in|turn in|handed in|hand in|submitted|submit|submissions?|delivered|received|uploaded|attempted"
                    + "|attempts?|done|complete|completed|finished|started|begun|opened|given in|passed in|sent in"
                    + "|work|files?|in)";
    private static final String NOT =
            "(?:not|never|no|nothing|none|hasn t|haven t|isn t|wasn t|didn t|without|yet to be"
                    + "|still to be|to be|needs to be|must be|please)";
    private static final String BETWEEN = "(?: (?:yet|been|be|was|is|has|have|any|it|you|to|still))*";

    /** The first that is found holds. */
    private static final List<Word> WORDS = List.of(
            Word.of("not excused|unexcused|not exempt", Meaning.NOTHING),
            Word.of("excused|exempt|exempted|waived|ex|exc", Meaning.EXCUSED),
            Word.of("not missing", Meaning.NOTHING),
            Word.of("missing|msg|mi", Meaning.MISSING),
            Word.of(
                    "late (?:work|submissions?|hand ins?) (?:is |are )?(?:accepted|allowed|taken|ok|okay|permitted|possible|welcome|not accepted)"
                            + "|late (?:accepted|allowed|policy|penalty|until)|accept(?:s|ing)? (?:late|submissions?)(?: work)?"
                            + "|no late(?: work)?|submissions? (?:open|closed|allowed)|open for submissions?"
                            + "|not late|submission types?",
                    Meaning.NOTHING),
            Word.of(
                    "(?:needs|awaiting|awaits|waiting for|pending|in|under|being|to be|ready for) "
                            + "(?:a )?(?:grading|graded|grade|review|marking|marked|assessment|scored|score)",
                    Meaning.HANDED_IN),
            Word.of(
                    "(?:awaiting|awaits|waiting for|pending|needs) (?:a |your |the )?(?:submission|hand in|upload|work|files?)",
                    Meaning.NOT_HANDED_IN),
            Word.of(
                    "incomplete|inc|partial|partially (?:done|complete|completed|submitted)|not complete|not completed|unfinished|not finished",
                    Meaning.INCOMPLETE),
            Word.of(NOT + BETWEEN + " " + DEED, Meaning.NOT_HANDED_IN),
            Word.of(DEED + " (?:not|never|missing|pending|needed|required|open|due)(?= yet|$)", Meaning.NOT_HANDED_IN),
            Word.of(
                    "unsubmitted|undelivered|unattempted|unstarted|not attempted|to do|todo|overdue|past due|assigned"
                            + "|upcoming|open|available|in progress|draft|drafted|saved|scheduled|not open|unopened|due",
                    Meaning.NOT_HANDED_IN),
            Word.of(
                    "(?:turned in|handed in|submitted|delivered|received|uploaded|done|completed?|finished|given in|in) (?:\\w+ )?late"
                            + "|late (?:submission|hand in|turn in|delivery)|late(?:ly)? (?:turned in|handed in|submitted|delivered|received)"
                            + "|late|l",
                    Meaning.HANDED_IN_LATE),
            Word.of(
                    "turned in|handed in|submitted|resubmitted|delivered|received|uploaded|completed|complete|done|finished"
                            + "|attempted|on time|collected|given in|passed in|sent in|in",
                    Meaning.HANDED_IN),
            Word.of("(?:not|un|isn t|awaiting) ?(?:been )?(?:graded|marked|scored|returned)(?: yet)?", Meaning.NOTHING),
            Word.of("graded|marked|scored|returned|given back|evaluated|assessed|final", Meaning.RETURNED),
            Word.of("closed|locked|hidden|n a|none|unknown|normal|regular|required|optional", Meaning.NOTHING));

    /** @return empty for a word that isn't known, which a person has to be asked about */
    public static Optional<Meaning> read(String text) {
        String words = plain(text);
        if (words.isEmpty()) {
            return Optional.of(Meaning.NOTHING);
        }
        return WORDS.stream()
                .filter(word -> word.pattern().matcher(words).find())
                .map(Word::meaning)
                .findFirst();
    }

    /** Lower case, single spaces, letters and digits only: the same for what means the same. */
    public static String plain(String text) {
        return NO_WORD.matcher(text.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
    }
}

package app.navlo.formats.told;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads what a title of a calendar or a table says beside the name of the work: a course's code, "is due", "opens". */
public final class TitleWords {
    private static final Pattern SPACES = Pattern.compile("\\s+");

    /** Which instant of a piece of work an entry is about. */
    public enum Edge {
        ITSELF,
        OPENS,
        CLOSES
    }

    /**
     * @param title of the work alone; never empty
     * @param code of a course that stood in brackets or before a colon; null for none
     * @param isDue whether it says that something is due then
     * @param notWork why it isn't work, in a few words; null where it may be
     * @param whole the title with the word that says its edge, if that may as well be part of the name: "Where life starts";
     *     null where it can't be
     */
    public record Read(
            String title,
            @Nullable String code,
            Edge edge,
            boolean isDue,
            @Nullable String notWork,
            @Nullable String whole) {
        /** What it says where no other entry speaks of the same work: a word that may be part of the name is. */
        public Read alone() {
            return whole == null ? this : new Read(whole, code, Edge.ITSELF, isDue, TitleWords.notWork(whole), null);
        }
    }

    private static final String CODE = "[A-Z]{2,8}[ -]?\\d{2,4}[A-Z]?(?:[-_.]\\w{1,6})*";
    private static final Pattern IN_BRACKETS =
            Pattern.compile("^\\[([^\\]]{2,40})\\]\\s*[:–-]?\\s*|\\s*\\[([^\\]]{2,40})\\]$");
    private static final Pattern BEFORE = Pattern.compile("^(" + CODE + ")\\s*[:–—-]\\s+");
    private static final Pattern OPENS = Pattern.compile(
            "(?i)\\s*[:(–—-]?\\s*\\b(?:opens|is open|is available|available from|becomes available|open from|unlocks|starts)\\b[)\\s.:]*$");
    private static final Pattern CLOSES = Pattern.compile(
            "(?i)\\s*[:(–—-]?\\s*\\b(?:closes|is closed|available until|until|locks|ends|availability ends)\\b[)\\s.:]*$");
    /** Among the words of a title, with nothing to set it apart. */
    private static final Pattern PERHAPS_OF_THE_NAME =
            Pattern.compile("(?i)(?<=[\\p{L}\\p{N}])(?<!availability)\\s+(?:starts|ends)$");

    private static final Pattern DUE = Pattern.compile(
            "(?i)\\s*[:(–—-]?\\s*\\b(?:is due|are due|due date|due|deadline)\\b[)\\s.:]*$|^(?:due|deadline)\\s*[:–—-]\\s*");

    private record NotWork(Pattern words, String why) {
        static NotWork of(String words, String why) {
            return new NotWork(Pattern.compile("(?i)(?<!\\p{L})(?:" + words + ")(?!\\p{L})"), why);
        }
    }

    private static final List<NotWork> NOT_WORK = List.of(
            NotWork.of(
                    "(?:autumn|fall|spring|winter|summer|mid-?term|christmas|easter|half-?term|reading|study) (?:break|recess|holidays?|vacation)"
                            + "|half-?term|holidays?|vacation|no (?:class(?:es)?|school|lessons?|lectures?)|public holiday|bank holiday"
                            + "|thanksgiving|school closed|college closed|inset day|first day of (?:term|class(?:es)?|school)"
                            + "|last day of (?:term|class(?:es)?|school)|term (?:begins|starts|ends)",
                    "a holiday or a day of the term"),
            NotWork.of("office hours?|drop-?in|consultation hours?|help (?:desk|session)", "hours to ask in"),
            NotWork.of(
                    "(?:course|teaching|teacher|instructor|module) evaluations?|evaluation of teaching",
                    "an evaluation of the course"),
            NotWork.of("party|birthday|social|picnic|movie night|film night|welcome (?:tea|drinks)", "a party"),
            NotWork.of(
                    "(?:course |class |category |overall |current |sub-?|grand )?(?:total|totals|average|averages|mean)"
                            + "|(?:overall|current|course|final|unposted|term) (?:grade|score|mark|result)s?",
                    "a total or an average"));

    private static final Pattern WHOLE_TOTAL = Pattern.compile(
            "(?i)^.*(?<!\\p{L})(?:totals?|averages?|(?:overall|current|course|final|unposted|term) (?:grade|score|mark|result)s?)(?!\\p{L}).*$");

    private TitleWords() {}

    public static Read read(String raw) {
        String title = SPACES.matcher(raw).replaceAll(" ").strip();
        String code = null;
        Matcher brackets = IN_BRACKETS.matcher(title);
        if (brackets.find()) {
            code = brackets.group(1) == null ? brackets.group(2) : brackets.group(1);
            title = rest(title, brackets);
        }
        Matcher before = BEFORE.matcher(title);
        if (before.find()) {
            code = code == null ? before.group(1) : code;
            title = rest(title, before);
        }
        Edge edge = Edge.ITSELF;
        String whole = PERHAPS_OF_THE_NAME.matcher(title).find() ? title : null;
        if (OPENS.matcher(title).find()) {
            edge = Edge.OPENS;
            title = without(title, OPENS);
        } else if (CLOSES.matcher(title).find()) {
            edge = Edge.CLOSES;
            title = without(title, CLOSES);
        }
        boolean isDue = DUE.matcher(title).find();
        title = without(title, DUE);
        return new Read(title.isEmpty() ? raw.strip() : title, code, edge, isDue, notWork(title), whole);
    }

    /** Without what was found; as it is where nothing else would be left. */
    private static String rest(String title, Matcher found) {
        String rest = (title.substring(0, found.start()) + title.substring(found.end())).strip();
        return rest.isEmpty() ? title : rest;
    }

    private static String without(String title, Pattern words) {
        String rest = words.matcher(title).replaceFirst("").strip();
        return rest.isEmpty() ? title : rest;
    }

    /** Why a title speaks of no work; null where it may be work. */
    public static @Nullable String notWork(String title) {
        for (NotWork one : NOT_WORK) {
            boolean total = one.why().startsWith("a total");
            boolean speaks = total
                    ? title.split(" ").length <= 4 && WHOLE_TOTAL.matcher(title).matches()
                    : one.words().matcher(title).find() && !isWork(title);
            if (speaks) {
                return one.why();
            }
        }
        return null;
    }

    /** "Essay on the birthday party" is work, whatever else it speaks of. */
    private static boolean isWork(String title) {
        return title.toLowerCase(Locale.ROOT)
                .matches(
                        ".*\\b(essay|quiz|test|exam|homework|assignment|problem set|worksheet|report|project|exercise|lab|paper|due|packet|homework)\\b.*");
    }
}

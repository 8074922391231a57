package app.navlo.formats.told;

import app.navlo.core.exact.Rational;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads a score as it is written down by hand or stands in a cell: 18, 18/20, 18 of 20, 85 %, A-, EX. */
public final class ScoreWords {
    private static final Pattern SPACES = Pattern.compile("[\\s\\u00A0]+");
    private static final Pattern EXCUSED = Pattern.compile("ex|exc|excused|exempt|exempted|waived");

    private static final String NUMBER = "(\\d{1,8}(?:[.,]\\d{1,6})?)";
    private static final Pattern POINTS = Pattern.compile(NUMBER + "(?: ?(?:p|pt|pts|points?))?");
    private static final Pattern OF = Pattern.compile(
            NUMBER + " ?(?:/|of|out of|von|sur) ?" + NUMBER + "(?: ?(?:p|pt|pts|points?))?(?: ?\\(.*\\))?");
    private static final Pattern PERCENT = Pattern.compile(NUMBER + " ?(?:%|percent|per cent)");
    private static final Pattern LETTER = Pattern.compile("([A-F])([+-]?)");
    private static final List<String> NONE =
            List.of("", "-", "–", "—", "n/a", "na", "none", "not graded", "ungraded", "pending", "?", "…", "...");

    /** Usual middles of a letter's span, where a course says nothing else. */
    private static final Map<String, Integer> USUAL = Map.ofEntries(
            Map.entry("A+", 98),
            Map.entry("A", 95),
            Map.entry("A-", 91),
            Map.entry("B+", 88),
            Map.entry("B", 85),
            Map.entry("B-", 81),
            Map.entry("C+", 78),
            Map.entry("C", 75),
            Map.entry("C-", 71),
            Map.entry("D+", 68),
            Map.entry("D", 65),
            Map.entry("D-", 61),
            Map.entry("E", 55),
            Map.entry("F", 50));

    private ScoreWords() {}

    /**
     * @param points as given; null where only a percent, a letter or nothing is
     * @param of the points possible, where the score names them; else null
     * @param percent of the points possible, where only that is given; else null
     * @param letter as given; null for none
     * @param excused that it needn't be done
     */
    public record Score(
            @Nullable Rational points,
            @Nullable Rational of,
            @Nullable Rational percent,
            @Nullable String letter,
            boolean excused) {
        static final Score NOTHING = new Score(null, null, null, null, false);

        public boolean isNothing() {
            return equals(NOTHING);
        }

        /**
         * Points out of {@code possible}; null where it names none that could be counted.
         *
         * @param possible 0 where nobody knows
         */
        public @Nullable Rational outOf(Rational possible) {
            if (points != null && of != null && possible.signum() > 0 && of.signum() > 0 && !of.equals(possible)) {
                return points.times(possible).dividedBy(of);
            }
            if (points != null) {
                return points;
            }
            return percent == null || possible.signum() == 0
                    ? null
                    : percent.times(possible).dividedBy(Rational.HUNDRED);
        }
    }

    /**
     * @param letters of the course, each with the percent that it is counted as; empty for the usual ones
     * @throws IllegalArgumentException with a plain clause if it is no score
     */
    public static Score read(String text, Map<String, Rational> letters) {
        String plain = SPACES.matcher(text).replaceAll(" ").strip();
        String low = plain.toLowerCase(Locale.ROOT);
        if (NONE.contains(low)) {
            return Score.NOTHING;
        }
        if (EXCUSED.matcher(low).matches()) {
            return new Score(null, null, null, null, true);
        }
        Matcher of = OF.matcher(low);
        if (of.matches()) {
            return new Score(number(of.group(1)), number(of.group(2)), null, null, false);
        }
        Matcher percent = PERCENT.matcher(low);
        if (percent.matches()) {
            return new Score(null, null, number(percent.group(1)), null, false);
        }
        Matcher points = POINTS.matcher(low);
        if (points.matches()) {
            return new Score(number(points.group(1)), null, null, null, false);
        }
        Rational own = letters.get(plain.toUpperCase(Locale.ROOT));
        Matcher letter =
                LETTER.matcher(plain.toUpperCase(Locale.ROOT).replace('−', '-').replace('–', '-'));
        if (own != null) {
            return new Score(null, null, own, plain, false);
        }
        if (letter.matches() && USUAL.containsKey(letter.group())) {
            return new Score(null, null, Rational.of(USUAL.get(letter.group())), letter.group(), false);
        }
        throw new IllegalArgumentException("“" + plain + "” is no score; one looks like 18, 18/20, 85 % or A-");
    }

    private static Rational number(String text) {
        return Rational.of(new BigDecimal(text.replace(',', '.')));
    }
}

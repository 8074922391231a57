package app.navlo.core.reason;

import app.navlo.core.exact.Rational;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Writes a {@link Reason} as one plain English sentence, with instants in the words of a zone. */
public final class Sentences {
    private static final Pattern HOLE = Pattern.compile("\\{(\\w+)}");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);
    private static final int SHOWN_DECIMALS = 2;
    /** How a sentence would end whose last words nobody said. */
    private static final String UNSAID = ": ";

    private Sentences() {}

    /** @throws IllegalArgumentException if the rule's template names an input that the reason doesn't carry */
    public static String write(Reason reason, ZoneId zone) {
        Matcher holes = HOLE.matcher(reason.rule().template());
        StringBuilder out = new StringBuilder();
        while (holes.find()) {
            Input input = reason.inputs().get(holes.group(1));
            if (input == null) {
                throw new IllegalArgumentException(reason.rule().name() + " wants '" + holes.group(1) + "', given are "
                        + reason.inputs().keySet());
            }
            holes.appendReplacement(out, Matcher.quoteReplacement(word(input, zone)));
        }
        String sentence = holes.appendTail(out).toString();
        return sentence.endsWith(UNSAID) ? sentence.substring(0, sentence.length() - UNSAID.length()) : sentence;
    }

    private static String word(Input input, ZoneId zone) {
        if (input instanceof Input.At at) {
            return moment(at.instant(), zone);
        }
        if (input instanceof Input.Count count) {
            return Long.toString(count.value());
        }
        if (input instanceof Input.Exact exact) {
            return number(exact.value());
        }
        if (input instanceof Input.Span span) {
            return span(span.duration());
        }
        return ((Input.Word) input).text();
    }

    /** Midnight is said as the end of the day that it closes, because that is the day a person was given. */
    public static String moment(Instant instant, ZoneId zone) {
        ZonedDateTime local = instant.atZone(zone);
        return local.toLocalTime().equals(LocalTime.MIDNIGHT)
                ? "the end of " + DAY.format(local.minusDays(1))
                : MOMENT.format(local);
    }

    /** As {@link #moment}, in a sentence: "on Fri 27 Nov 17:00", "at the end of Wed 18 Nov". */
    public static String on(Instant instant, ZoneId zone) {
        String moment = moment(instant, zone);
        return (Character.isLowerCase(moment.charAt(0)) ? "at " : "on ") + moment;
    }

    /** At most two decimals, and none that are zero: 67.5, 40, 33.33. */
    public static String number(Rational value) {
        BigDecimal rounded = value.toDecimal(SHOWN_DECIMALS, RoundingMode.HALF_UP);
        return value.den().equals(BigInteger.ONE)
                ? value.num().toString()
                : rounded.stripTrailingZeros().toPlainString();
    }

    /** The two largest units that matter: "2 d 3 h", "1 h 40", "25 min". */
    public static String span(Duration span) {
        long minutes = span.abs().toMinutes();
        long days = minutes / (24 * 60);
        long hours = minutes / 60 % 24;
        long rest = minutes % 60;
        if (days > 0) {
            return hours == 0 ? days + " d" : days + " d " + hours + " h";
        }
        if (hours > 0) {
            return rest == 0 ? hours + " h" : hours + " h " + String.format(Locale.ROOT, "%02d", rest);
        }
        return rest + " min";
    }
}

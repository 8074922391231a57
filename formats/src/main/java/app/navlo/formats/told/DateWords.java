package app.navlo.formats.told;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Month;
import java.time.Year;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads a day, and a time if there is one, as tables write them: 2026-11-24, 24.11.26 23:59, Tue 24 Nov, Nov 24 at 11:59pm. */
public final class DateWords {
    private static final Pattern SPACES = Pattern.compile("[\\s\\u00A0\\u202F]+");

    private static final String TIME =
            "(?:(?:[ T,]|at|by|um|kl\\.?)+(?<h>\\d{1,2})(?:[:.](?<m>\\d{2})(?:[:.]\\d{2}(?:\\.\\d+)?)?)?\\s*(?<half>[AaPp]\\.?[Mm]\\.?)?(?:\\s*(?:Z|[+-]\\d{2}:?\\d{2}|[A-Z]{2,5}|h|Uhr))?)?";
    private static final String WEEKDAY = "(?:(?:mon|tue|tues|wed|thu|thur|thurs|fri|sat|sun)[a-z]*\\.?,?\\s+)?";
    private static final String MONTH = "(?<month>jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\\.?";
    private static final Pattern NUMBERS =
            Pattern.compile("(?i)" + WEEKDAY + "(?<a>\\d{1,4})[./-](?<b>\\d{1,2})(?:[./-](?<c>\\d{1,4}))?\\.?" + TIME);
    private static final Pattern DAY_MONTH = Pattern.compile("(?i)" + WEEKDAY
            + "(?<day>\\d{1,2})(?:st|nd|rd|th)?\\.?[ -]" + MONTH + "(?:,?[ -](?<year>\\d{4}|\\d{2}))?" + TIME);
    private static final Pattern MONTH_DAY = Pattern.compile(
            "(?i)" + WEEKDAY + MONTH + "[ -](?<day>\\d{1,2})(?:st|nd|rd|th)?(?:,?[ -](?<year>\\d{4}))?" + TIME);
    private static final List<String> MONTHS =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");
    private static final int NOON = 12;
    private static final int CENTURY = 2000;
    private static final int HALF_A_YEAR = 183;
    private static final int YEAR_DIGITS = 4;

    private DateWords() {}

    /** @param time null for the whole day */
    public record When(LocalDate day, @Nullable LocalTime time) {}

    /**
     * @param dayFirst of dates that don't begin with the year
     * @param near the day to which a date without a year is the nearest
     * @throws IllegalArgumentException with a plain clause if it is no date
     */
    public static When read(String text, boolean dayFirst, LocalDate near) {
        String plain = SPACES.matcher(text).replaceAll(" ").strip();
        try {
            Matcher numbers = NUMBERS.matcher(plain);
            if (numbers.matches()) {
                return new When(numbered(numbers, dayFirst, near), time(numbers));
            }
            for (Pattern pattern : List.of(DAY_MONTH, MONTH_DAY)) {
                Matcher worded = pattern.matcher(plain);
                if (worded.matches()) {
                    return new When(worded(worded, near), time(worded));
                }
            }
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("there is no day “" + plain + "”; is the day or the month first?", e);
        }
        throw new IllegalArgumentException("“" + plain + "” is no date; one looks like 2026-11-24");
    }

    private static LocalDate numbered(Matcher found, boolean dayFirst, LocalDate near) {
        int a = Integer.parseInt(found.group("a"));
        int b = Integer.parseInt(found.group("b"));
        String c = found.group("c");
        if (found.group("a").length() == YEAR_DIGITS && c != null) {
            return LocalDate.of(a, b, Integer.parseInt(c));
        }
        int day = dayFirst ? a : b;
        int month = dayFirst ? b : a;
        return c == null ? nearest(month, day, near) : LocalDate.of(year(c), month, day);
    }

    private static LocalDate worded(Matcher found, LocalDate near) {
        int month = MONTHS.indexOf(found.group("month").toLowerCase(Locale.ROOT)) + 1;
        int day = Integer.parseInt(found.group("day"));
        String year = found.group("year");
        return year == null ? nearest(month, day, near) : LocalDate.of(year(year), month, day);
    }

    private static int year(String text) {
        int year = Integer.parseInt(text);
        return year < 100 ? CENTURY + year : year;
    }

    private static LocalDate nearest(int month, int day, LocalDate near) {
        int year = near.getYear();
        if (Month.of(month) == Month.FEBRUARY && day == 29) {
            while (!Year.isLeap(year)) {
                year++;
            }
        }
        LocalDate sameYear = LocalDate.of(year, month, day);
        if (sameYear.isBefore(near.minusDays(HALF_A_YEAR))) {
            return sameYear.plusYears(1);
        }
        return sameYear.isAfter(near.plusDays(HALF_A_YEAR)) ? sameYear.minusYears(1) : sameYear;
    }

    private static @Nullable LocalTime time(Matcher found) {
        if (found.group("h") == null) {
            return null;
        }
        int hour = Integer.parseInt(found.group("h"));
        String half = found.group("half");
        if (half == null && found.group("m") == null) {
            return null;
        }
        if (half != null) {
            hour = hour % NOON + (half.toLowerCase(Locale.ROOT).startsWith("p") ? NOON : 0);
        }
        int minute = found.group("m") == null ? 0 : Integer.parseInt(found.group("m"));
        return hour == 24 && minute == 0 ? LocalTime.of(23, 59) : LocalTime.of(hour, minute);
    }
}

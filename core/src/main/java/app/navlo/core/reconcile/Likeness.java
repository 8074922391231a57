package app.navlo.core.reconcile;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * How alike two entries are: the words that their titles share, and whether their dues are near. What is numbered otherwise is other
 * work, however much else is shared: the fourth lab isn't the third.
 */
final class Likeness {
    /** Two dues of the same work differ by a time of day, or by a day. */
    private static final Duration NEAR = Duration.ofHours(36);

    private static final int LEAST_PERCENT = 60;
    private static final Pattern NUMBER = Pattern.compile("\\p{Nd}+");

    private Likeness() {}

    /** Percent of shared words, 0–100; 0 where it is too little, or the dues are far apart. */
    static int of(RecordEntry one, RecordEntry other) {
        if (!near(one.due(), other.due()) || !sameNumbers(one.title(), other.title())) {
            return 0;
        }
        Set<String> words = words(one.title());
        Set<String> others = words(other.title());
        Set<String> shared = new HashSet<>(words);
        shared.retainAll(others);
        int all = words.size() + others.size();
        int percent = all == 0 ? 0 : 200 * shared.size() / all;
        return percent >= LEAST_PERCENT ? percent : 0;
    }

    /** Where one says fewer, those; "Lab 3" may be "Lab 03 (20 points)". */
    private static boolean sameNumbers(String title, String other) {
        List<String> numbers = numbers(title);
        List<String> others = numbers(other);
        return numbers.size() < others.size() ? isWithin(others, numbers) : isWithin(numbers, others);
    }

    /** In the same order, with others between them. */
    private static boolean isWithin(List<String> numbers, List<String> fewer) {
        int found = 0;
        for (String number : numbers) {
            found += found < fewer.size() && number.equals(fewer.get(found)) ? 1 : 0;
        }
        return found == fewer.size();
    }

    private static List<String> numbers(String title) {
        return NUMBER.matcher(title)
                .results()
                .map(found -> found.group().replaceFirst("^0+(?=.)", ""))
                .toList();
    }

    private static boolean near(@Nullable Instant one, @Nullable Instant other) {
        return one == null
                || other == null
                || Duration.between(one, other).abs().compareTo(NEAR) <= 0;
    }

    private static Set<String> words(String title) {
        return Arrays.stream(title.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .filter(word -> !word.isEmpty())
                .collect(Collectors.toSet());
    }
}

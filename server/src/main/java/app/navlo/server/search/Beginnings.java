package app.navlo.server.search;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What is sought: beginnings of whole words, each of which must stand in a text. Accents and capitals don't matter. */
final class Beginnings {
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]+");
    private static final Pattern ACCENTS = Pattern.compile("\\p{M}+");
    private static final int BEFORE = 40;
    private static final int LONGEST = 140;

    private final List<String> sought = new ArrayList<>();

    Beginnings(String text) {
        Matcher words = WORD.matcher(plain(text));
        while (words.find()) {
            sought.add(words.group());
        }
    }

    private static String plain(String text) {
        String apart = Normalizer.normalize(text, Normalizer.Form.NFD);
        return ACCENTS.matcher(apart).replaceAll("").toLowerCase(Locale.ROOT);
    }

    boolean isEmpty() {
        return sought.isEmpty();
    }

    /** Whether each of them begins a word of the text. */
    boolean in(String text) {
        List<String> words = new ArrayList<>();
        Matcher found = WORD.matcher(plain(text));
        while (found.find()) {
            words.add(found.group());
        }
        return !sought.isEmpty()
                && sought.stream().allMatch(part -> words.stream().anyMatch(word -> word.startsWith(part)));
    }

    /** The text around the first word that is found, cut at words. */
    String around(String text) {
        String line = text.strip().replaceAll("\\s+", " ");
        int at = first(line);
        int from = at <= BEFORE ? 0 : line.indexOf(' ', at - BEFORE) + 1;
        String rest = line.substring(from);
        int end = rest.length() <= LONGEST ? rest.length() : Math.max(rest.lastIndexOf(' ', LONGEST), 1);
        return (from > 0 ? "… " : "") + rest.substring(0, end) + (end < rest.length() ? " …" : "");
    }

    /** Where the first of them stands; 0 where none does. */
    private int first(String line) {
        Matcher words = WORD.matcher(line);
        while (words.find()) {
            String word = plain(words.group());
            if (sought.stream().anyMatch(word::startsWith)) {
                return words.start();
            }
        }
        return 0;
    }
}

package app.navlo.core.reconcile;

import app.navlo.core.reconcile.Disagreement.Kind;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The two records of a course, put side by side.
 *
 * @param matches site id to book id
 * @param disagreements in the order of the site's record, then what only the book has
 */
public record Reconciled(Map<String, String> matches, List<Disagreement> disagreements) {
    /** Two entries that a person said are the same work, or said are not. */
    public record Said(String site, String book, boolean same) {}

    private record Pair(RecordEntry site, RecordEntry book, int likeness) {}

    /**
     * By what a person said, then by identifier, then by title likeness and due, the most alike first.
     *
     * @param nextGradingDay what will likely settle it; null where none is known
     */
    public static Reconciled of(
            List<RecordEntry> site, List<RecordEntry> book, List<Said> said, @Nullable Instant nextGradingDay) {
        Map<String, String> matches = new LinkedHashMap<>();
        Set<String> takenInBook = new HashSet<>();
        for (Pair pair : candidates(site, book, said)) {
            boolean free = !matches.containsKey(pair.site().id())
                    && !takenInBook.contains(pair.book().id());
            if (free) {
                matches.put(pair.site().id(), pair.book().id());
                takenInBook.add(pair.book().id());
            }
        }
        return new Reconciled(Map.copyOf(matches), disagreements(site, book, matches, nextGradingDay));
    }

    private static List<Pair> candidates(List<RecordEntry> site, List<RecordEntry> book, List<Said> said) {
        List<Pair> pairs = new ArrayList<>();
        for (RecordEntry one : site) {
            for (RecordEntry other : book) {
                int likeness = likeness(one, other, said);
                if (likeness > 0) {
                    pairs.add(new Pair(one, other, likeness));
                }
            }
        }
        pairs.sort(Comparator.comparingInt(Pair::likeness).reversed());
        return pairs;
    }

    private static int likeness(RecordEntry site, RecordEntry book, List<Said> said) {
        for (Said one : said) {
            if (one.site().equals(site.id()) && one.book().equals(book.id())) {
                return one.same() ? Integer.MAX_VALUE : 0;
            }
        }
        boolean sameIdentifier = site.identifier() != null && site.identifier().equals(book.identifier());
        return sameIdentifier ? Integer.MAX_VALUE - 1 : Likeness.of(site, book);
    }

    private static List<Disagreement> disagreements(
            List<RecordEntry> site,
            List<RecordEntry> book,
            Map<String, String> matches,
            @Nullable Instant nextGradingDay) {
        Map<String, RecordEntry> inBook = new LinkedHashMap<>();
        book.forEach(entry -> inBook.put(entry.id(), entry));
        List<Disagreement> found = new ArrayList<>();
        for (RecordEntry one : site) {
            String match = matches.get(one.id());
            RecordEntry other = match == null ? null : inBook.remove(match);
            for (Kind kind : kinds(one, other)) {
                found.add(new Disagreement(kind, one, other, kind.settlesItself() ? nextGradingDay : null));
            }
        }
        inBook.values().forEach(only -> found.add(new Disagreement(Kind.ONLY_IN_BOOK, null, only, null)));
        return List.copyOf(found);
    }

    private static List<Kind> kinds(RecordEntry site, @Nullable RecordEntry book) {
        if (book == null) {
            return List.of(Kind.ONLY_ON_SITE);
        }
        List<Kind> kinds = new ArrayList<>();
        if (site.handedInAt() != null && book.missing()) {
            kinds.add(Kind.TURNED_IN_BUT_MISSING);
        }
        if (site.points() != null && book.points() != null && !site.points().equals(book.points())) {
            kinds.add(Kind.SCORES_DIFFER);
        }
        if (site.due() != null && book.due() != null && differ(site.due(), book.due())) {
            kinds.add(Kind.DUES_DIFFER);
        }
        return kinds;
    }

    /** One system ends a day at 23:59, another at midnight; that is no difference. */
    private static boolean differ(Instant one, Instant other) {
        return Duration.between(one, other).abs().compareTo(Duration.ofMinutes(1)) > 0;
    }
}

package app.navlo.core.reconcile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The two records of a course, put side by side.
 *
 * @param matches site id to book id
 * @param onlyOnSite in the order of the site's record
 * @param onlyInBook in the order of the gradebook
 */
public record Reconciled(Map<String, String> matches, List<RecordEntry> onlyOnSite, List<RecordEntry> onlyInBook) {
    /** Two entries that a person said are the same work, or said are not. */
    public record Said(String site, String book, boolean same) {}

    private record Pair(RecordEntry site, RecordEntry book, int likeness) {}

    public Reconciled {
        matches = Map.copyOf(matches);
        onlyOnSite = List.copyOf(onlyOnSite);
        onlyInBook = List.copyOf(onlyInBook);
    }

    /** By what a person said, then by identifier, then by title likeness and due, the most alike first. */
    public static Reconciled of(List<RecordEntry> site, List<RecordEntry> book, List<Said> said) {
        Map<String, String> matches = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        for (Pair pair : candidates(site, book, said)) {
            boolean free = !matches.containsKey(pair.site().id())
                    && !taken.contains(pair.book().id());
            if (free) {
                matches.put(pair.site().id(), pair.book().id());
                taken.add(pair.book().id());
            }
        }
        return new Reconciled(
                matches,
                site.stream().filter(one -> !matches.containsKey(one.id())).toList(),
                book.stream().filter(one -> !taken.contains(one.id())).toList());
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
}

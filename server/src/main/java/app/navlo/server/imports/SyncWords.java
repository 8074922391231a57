package app.navlo.server.imports;

import app.navlo.server.imports.SyncPlan.Status;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;

/** Says in a line what a link told. */
public final class SyncWords {
    private static final int LONGEST_SUMMARY = 400;

    private SyncWords() {}

    /** What the change is called. */
    public static String summary(String link, SyncPlan plan) {
        return cut(link + " told: " + of(plan));
    }

    /** "2 scores, 1 comment, 1 new piece of work". */
    public static String of(SyncPlan plan) {
        Map<Noun, Long> kinds = new LinkedHashMap<>();
        plan.happened().forEach(deed -> kinds.merge(noun(deed.kind()), 1L, Long::sum));
        kinds.put(new Noun("entry of the gradebook", "entries of the gradebook"), (long)
                plan.results().size());
        kinds.put(new Noun("second record", "second records"), (long) plan.recordsAlone());
        kinds.put(new Noun("announcement", "announcements"), (long)
                plan.announced().size());
        kinds.put(new Noun("new piece of work", "new pieces of work"), plan.many(Status.NEW));
        kinds.put(new Noun("changed piece of work", "changed pieces of work"), plan.many(Status.CHANGED));
        kinds.put(new Noun("piece of work gone", "pieces of work gone"), plan.many(Status.GONE));
        String words = kinds.entrySet().stream()
                .filter(kind -> kind.getValue() > 0)
                .map(kind -> kind.getValue() + " " + plural(kind.getKey(), kind.getValue()))
                .collect(Collectors.joining(", "));
        return words.isEmpty() ? "nothing new" : words;
    }

    private static String plural(Noun noun, long many) {
        return many == 1 ? noun.one() : noun.several();
    }

    private record Noun(String one, String several) {}

    private static Noun noun(String kind) {
        return switch (kind) {
            case "SCORED" -> new Noun("score", "scores");
            case "COMMENTED" -> new Noun("comment", "comments");
            case "SENT_BACK" -> new Noun("hand-in sent back", "hand-ins sent back");
            case "HANDED_IN" -> new Noun("hand-in", "hand-ins");
            case "FLAGGED" -> new Noun("flag", "flags");
            case "RUBRIC_MARKED" -> new Noun("rubric", "rubrics");
            case "EXTENSION_GRANTED", "EXTENSION_DECLINED" ->
                new Noun("answer about an extension", "answers about extensions");
            case "ANSWERS_RELEASED" -> new Noun("release of answers", "releases of answers");
            default -> new Noun("thing that happened", "things that happened");
        };
    }

    private static String cut(String text) {
        return text.substring(0, Math.min(LONGEST_SUMMARY, text.length()));
    }
}

package app.navlo.server.links;

import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.KindWords;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.SourceSnapshot.Trouble;
import app.navlo.server.imports.DeedFacts;
import app.navlo.server.imports.SyncDelta.ToldAnnouncement;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Reads what a course site tells. What can't be read of it is told of and passed over. */
final class BoxRecord {
    static final int MOST_WORKS = 5_000;
    private static final int LONGEST_TITLE = 300;
    private static final int LONGEST_TEXT = 20_000;
    private static final int LONGEST_KEY = 500;
    private static final int LONGEST_ANNOUNCED = 300;
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_ADDRESS = 1_900;
    private static final Pattern ROOT = Pattern.compile("^(stand-in:[a-z]*|https?://[^/]+)");

    private final JsonNode record;
    private final String address;
    private final ZoneId zone;
    private final List<Trouble> troubles = new ArrayList<>();

    /** @param address of the hand-in box, for places that are told from its root */
    BoxRecord(JsonNode record, String address, ZoneId zone) {
        this.record = record;
        this.address = address;
        this.zone = zone;
    }

    String last() {
        return record.path("last").asString("0");
    }

    boolean more() {
        return record.path("more").asBoolean(false);
    }

    SourceSnapshot told() throws SchoolLink.LinkFault {
        if (record.get("items").size() > MOST_WORKS) {
            throw new SchoolLink.LinkFault(
                    "It tells of " + record.get("items").size() + " pieces of work; at most " + MOST_WORKS
                            + " are read, so nothing of it was taken.",
                    false,
                    null);
        }
        List<SourceSnapshot.Course> courses = new ArrayList<>();
        for (JsonNode course : record.get("courses")) {
            courses.add(new SourceSnapshot.Course(
                    course.path("key").asString(""),
                    course.path("name").asString(""),
                    course.path("teacher").asString(""),
                    List.of()));
        }
        Map<String, SourceSnapshot.Work> works = new LinkedHashMap<>();
        int place = 0;
        for (JsonNode item : record.get("items")) {
            place++;
            try {
                SourceSnapshot.Work work = work(item);
                works.put(work.key(), work);
            } catch (IllegalArgumentException | DateTimeException bad) {
                String title = item.path("title").asString("");
                troubles.add(new Trouble(
                        title.isEmpty() ? "piece of work " + place : title, String.valueOf(bad.getMessage())));
            }
        }
        return new SourceSnapshot(
                record.path("school").asString(""), courses, List.copyOf(works.values()), List.of(), troubles);
    }

    /** Those that can be read. */
    List<ToldAnnouncement> announcements() {
        List<ToldAnnouncement> all = new ArrayList<>();
        for (JsonNode one : record.path("announcements")) {
            try {
                String text = one.path("text").asString("");
                String day = textOrNull(one, "lastDay");
                Instant at = instant(one, "at");
                if (at == null) {
                    throw new IllegalArgumentException("it has no instant");
                }
                all.add(new ToldAnnouncement(
                        wanted(one, "key", LONGEST_ANNOUNCED),
                        textOrNull(one, "course"),
                        at,
                        wanted(one, "by", LONGEST_NAME),
                        wanted(one, "title", LONGEST_TITLE),
                        text.substring(0, Math.min(LONGEST_TEXT, text.length())),
                        day == null ? null : LocalDate.parse(day),
                        place(one)));
            } catch (IllegalArgumentException | DateTimeException bad) {
                troubles.add(new Trouble("an announcement", String.valueOf(bad.getMessage())));
            }
        }
        return all;
    }

    private SourceSnapshot.Work work(JsonNode item) {
        String key = wanted(item, "key", LONGEST_KEY);
        String title = wanted(item, "title", LONGEST_TITLE);
        String points = textOrNull(item, "points");
        if (points != null && !points.matches(DeedFacts.POINTS)) {
            throw new IllegalArgumentException("its points '" + points + "' are no number from 0 up");
        }
        String instructions = item.path("instructions").asString("");
        Rational possible = points == null ? null : Rational.of(new BigDecimal(points));
        return new SourceSnapshot.Work(
                key,
                textOrNull(item, "course"),
                title,
                kind(item, title),
                textOrNull(item, "category"),
                possible,
                instant(item, "opens"),
                due(item, "due"),
                instructions.substring(0, Math.min(LONGEST_TEXT, instructions.length())),
                more(item, title, possible),
                new SourceSnapshot.Hint(null, null, place(item), null));
    }

    /** Where it is done: a whole address, or one from the root of the box. What is neither is passed over. */
    private @Nullable String place(JsonNode item) {
        String told = item.path("address").asString("");
        if (told.startsWith("/") && !told.startsWith("//") && told.length() <= LONGEST_ADDRESS) {
            Matcher root = ROOT.matcher(address);
            return root.find() ? root.group() + told : null;
        }
        return told.matches("(?i)https?://\\S{1,1900}") ? told : null;
    }

    private SourceSnapshot.More more(JsonNode item, String title, @Nullable Rational possible) {
        List<String> endings = new ArrayList<>();
        item.path("fileTypes").forEach(one -> endings.add(one.asString()));
        return new SourceSnapshot.More(
                textOrNull(item, "unit"),
                instant(item, "closes"),
                item.path("required").asBoolean(true),
                item.path("expectsHandIn").asBoolean(true),
                item.hasNonNull("attempts")
                        ? Integer.valueOf(item.get("attempts").asInt())
                        : null,
                item.path("takesFiles").asBoolean(false),
                item.path("takesText").asBoolean(false),
                endings,
                item.hasNonNull("effortMinutes")
                        ? Integer.valueOf(item.get("effortMinutes").asInt())
                        : null,
                rubric(item, title, possible),
                appointment(item));
    }

    private static @Nullable Stretch appointment(JsonNode item) {
        Instant starts = instant(item, "starts");
        Instant ends = instant(item, "ends");
        if (starts == null || ends == null) {
            return null;
        }
        if (!starts.isBefore(ends)) {
            throw new IllegalArgumentException("it ends at " + ends + ", which isn't after it starts");
        }
        return new Stretch(starts, ends);
    }

    /** A rubric that can't be read is told of, and the work comes without it. */
    private @Nullable Rubric rubric(JsonNode item, String title, @Nullable Rational possible) {
        if (item.path("rubric").isEmpty()) {
            return null;
        }
        try {
            List<Rubric.Row> rows = new ArrayList<>();
            for (JsonNode row : item.get("rubric")) {
                List<Rubric.Level> levels = new ArrayList<>();
                for (JsonNode level : row.path("levels")) {
                    String points = wanted(level, "points", LONGEST_KEY);
                    if (!points.matches(DeedFacts.POINTS)) {
                        throw new IllegalArgumentException("its points '" + points + "' are no number from 0 up");
                    }
                    levels.add(new Rubric.Level(
                            wanted(level, "title", LONGEST_TITLE),
                            level.path("description").asString(""),
                            Rational.of(new BigDecimal(points))));
                }
                rows.add(new Rubric.Row(wanted(row, "title", LONGEST_TITLE), levels));
            }
            return new Rubric(rows, possible == null ? Rational.ZERO : possible, true);
        } catch (IllegalArgumentException bad) {
            troubles.add(new Trouble("the rubric of " + title, String.valueOf(bad.getMessage())));
            return null;
        }
    }

    private static WorkKind kind(JsonNode item, String title) {
        try {
            return WorkKind.valueOf(item.path("kind").asString("").toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException another) {
            return KindWords.kind(title);
        }
    }

    List<ToldDeed> deeds() {
        Map<String, ToldDeed> deeds = new LinkedHashMap<>();
        for (JsonNode deed : record.get("deeds")) {
            try {
                ToldDeed told = new ToldDeed(
                        wanted(deed, "id", LONGEST_KEY),
                        Instant.parse(wanted(deed, "at", LONGEST_KEY)),
                        wanted(deed, "kind", LONGEST_KEY),
                        wanted(deed, "item", LONGEST_KEY),
                        deed.path("by").asString(""),
                        deed);
                deeds.put(told.key(), told);
            } catch (IllegalArgumentException | DateTimeException bad) {
                troubles.add(new Trouble("something that happened", String.valueOf(bad.getMessage())));
            }
        }
        return List.copyOf(deeds.values());
    }

    private static String wanted(JsonNode node, String field, int longest) {
        String text = node.hasNonNull(field) ? node.get(field).asString("") : "";
        if (text.isBlank()) {
            throw new IllegalArgumentException("its " + field + " is missing");
        }
        return text.substring(0, Math.min(longest, text.length()));
    }

    private static @Nullable String textOrNull(JsonNode node, String field) {
        return node.hasNonNull(field) ? node.get(field).asString() : null;
    }

    private static @Nullable Instant instant(JsonNode node, String field) {
        String text = textOrNull(node, field);
        return text == null ? null : Instant.parse(text);
    }

    private @Nullable Deadline due(JsonNode node, String field) {
        return DeedFacts.deadline(textOrNull(node, field), zone);
    }
}

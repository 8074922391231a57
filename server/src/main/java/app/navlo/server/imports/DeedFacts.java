package app.navlo.server.imports;

import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.server.imports.News.ToldDeed;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.Facts;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Brings what a course site says that happened into the facts of the store. */
public final class DeedFacts {
    /** What points may look like. */
    public static final String POINTS = "\\d{1,8}(\\.\\d{1,6})?";

    private static final int DAY_ALONE = 10;
    private static final int LONGEST = 20_000;
    private static final long HOUR_MINUTES = 60;

    /** Kinds of the hand-in box that have no fact here. */
    private static final Set<String> NO_FACTS = Set.of("PUBLISHED", "MOVED", "WRITTEN_TO");

    private DeedFacts() {}

    /** Whether there is a fact for it. */
    static boolean knows(ToldDeed deed) {
        return !NO_FACTS.contains(deed.kind());
    }

    /** @param text of a hand-in; null for anything else */
    record Made(
            FactKind kind,
            Actor actor,
            Map<String, Object> columns,
            @Nullable String text) {
        /** The same, written down by the student. */
        Made byHand() {
            return new Made(kind, Actor.STUDENT, columns, text);
        }
    }

    /**
     * @param zone in which a day ends
     * @throws IllegalArgumentException or {@link java.time.DateTimeException} with a plain clause for what can't be read
     */
    static Made of(ToldDeed deed, ZoneId zone) {
        JsonNode body = deed.body();
        return switch (deed.kind()) {
            case "DRAFT_STARTED" -> student(FactKind.DRAFT_STARTED, Map.of());
            case "ATTEMPT_BEGUN" -> student(FactKind.ATTEMPT_BEGUN, Map.of("attempt", attempt(body)));
            case "HANDED_IN" ->
                new Made(
                        FactKind.HANDED_IN,
                        Actor.STUDENT,
                        Map.of(
                                "attempt",
                                attempt(body),
                                "content",
                                content(body).name()),
                        words(body));
            case "POSTED" ->
                student(
                        FactKind.POSTED,
                        Map.of(
                                "part",
                                text(body, "part", "POST"),
                                "body",
                                cut(text(body, "say", "")),
                                "is_private",
                                false));
            case "WITHDRAWN" -> student(FactKind.WITHDRAWN, Map.of());
            case "EXTENSION_ASKED" -> student(FactKind.EXTENSION_ASKED, Map.of());
            case "TOKEN_USED" ->
                student(
                        FactKind.TOKEN_USED,
                        Map.of("span_minutes", HOUR_MINUTES * body.path("hours").asLong(24)));
            case "KEY_OPENED" -> student(FactKind.KEY_OPENED, Map.of());
            case "SENT_BACK" -> teacher(FactKind.SENT_BACK, with(due(body, zone), "body", cut(text(body, "why", ""))));
            case "RETURNED" ->
                teacher(
                        FactKind.RETURNED,
                        with(due(body, zone), "asks_redo", body.path("asksRedo").asBoolean(false)));
            case "SCORED" -> teacher(FactKind.SCORED, score(body));
            case "EXCUSED" -> teacher(FactKind.EXCUSED, Map.of("stands", true));
            case "FLAGGED" ->
                teacher(
                        FactKind.FLAGGED,
                        Map.of("flag", word(Flag.class, body, "flag").name()));
            case "EXTENSION_GRANTED" -> teacher(FactKind.EXTENSION_GRANTED, granted(body, zone));
            case "EXTENSION_DECLINED" -> teacher(FactKind.EXTENSION_DECLINED, Map.of());
            case "REOPENED" -> teacher(FactKind.REOPENED, Map.of());
            case "COMMENTED" ->
                teacher(
                        FactKind.COMMENTED,
                        Map.of(
                                "body",
                                cut(text(body, "say", "")),
                                "is_private",
                                !body.path("toClass").asBoolean(false),
                                "in_file",
                                body.has("mark"),
                                "asks",
                                body.path("asks").asBoolean(false)));
            case "RUBRIC_MARKED" -> teacher(FactKind.RUBRIC_MARKED, Map.of());
            case "ANSWERS_RELEASED" -> teacher(FactKind.ANSWERS_RELEASED, Map.of("attempt", attempt(body)));
            default -> throw new IllegalArgumentException("nothing is known of '" + deed.kind() + "'");
        };
    }

    private static Made student(FactKind kind, Map<String, Object> columns) {
        return new Made(kind, Actor.STUDENT, columns, null);
    }

    private static Made teacher(FactKind kind, Map<String, Object> columns) {
        return new Made(kind, Actor.TEACHER, columns, null);
    }

    private static Map<String, Object> score(JsonNode body) {
        Map<String, Object> columns = new HashMap<>();
        String points = text(body, "points", "");
        if (!points.matches(POINTS)) {
            throw new IllegalArgumentException("its score '" + points + "' is no number from 0 up");
        }
        columns.put("attempt", attempt(body));
        columns.put("points", new BigDecimal(points));
        columns.put("is_final", body.path("final").asBoolean(true));
        columns.put("is_posted", body.path("posted").asBoolean(true));
        return columns;
    }

    private static Map<String, Object> granted(JsonNode body, ZoneId zone) {
        Map<String, Object> due = due(body, zone);
        if (due.isEmpty()) {
            throw new IllegalArgumentException("an extension was given without its new due");
        }
        return due;
    }

    private static Map<String, Object> due(JsonNode body, ZoneId zone) {
        String text = body.hasNonNull("due") ? body.get("due").asString() : null;
        return Facts.dueColumns(deadline(text, zone));
    }

    /** A day alone, or an instant. @throws java.time.DateTimeException if it is neither */
    public static @Nullable Deadline deadline(@Nullable String text, ZoneId zone) {
        if (text == null) {
            return null;
        }
        return text.length() == DAY_ALONE
                ? Deadline.endOf(LocalDate.parse(text), zone)
                : Deadline.at(Instant.parse(text));
    }

    private static Map<String, Object> with(Map<String, Object> columns, String name, Object value) {
        Map<String, Object> more = new HashMap<>(columns);
        more.put(name, value);
        return more;
    }

    private static int attempt(JsonNode body) {
        return Math.max(1, body.path("attempt").asInt(1));
    }

    private static HandInContent content(JsonNode body) {
        if (body.hasNonNull("files")) {
            return HandInContent.FILES;
        }
        return body.hasNonNull("text") ? HandInContent.TEXT : HandInContent.DONE;
    }

    /** The text of a hand-in made elsewhere; of files only their names came. */
    private static @Nullable String words(JsonNode body) {
        StringBuilder words = new StringBuilder(text(body, "text", ""));
        for (JsonNode file : body.path("files")) {
            String name = file.isObject() ? text(file, "name", "") : file.asString("");
            words.append(words.isEmpty() ? "" : "\n")
                    .append("File at the school: ")
                    .append(name);
        }
        return words.isEmpty() ? null : cut(words.toString());
    }

    private static String text(JsonNode body, String field, String otherwise) {
        return body.hasNonNull(field) ? body.get(field).asString(otherwise) : otherwise;
    }

    /** One of the words that there are. */
    private static <E extends Enum<E>> E word(Class<E> words, JsonNode body, String field) {
        String text = text(body, field, "").strip().replace(' ', '_').toUpperCase(Locale.ROOT);
        for (E word : words.getEnumConstants()) {
            if (word.name().equals(text)) {
                return word;
            }
        }
        throw new IllegalArgumentException("its " + field + " '" + text + "' is none that is known");
    }

    private static String cut(String text) {
        return text.substring(0, Math.min(LONGEST, text.length()));
    }

    /** The facts that a gradebook's result makes where it is the only source of a piece of work. */
    static Made scored(BigDecimal points, boolean isFinal) {
        return new Made(
                FactKind.SCORED,
                Actor.TEACHER,
                Map.of("attempt", 1, "points", points, "is_final", isFinal, "is_posted", true),
                null);
    }

    /** What happened can't be later than it was told. */
    static Instant notAfter(Instant at, Instant now) {
        return at.isAfter(now) ? now : at;
    }
}

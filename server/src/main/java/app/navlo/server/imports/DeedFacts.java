package app.navlo.server.imports;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.store.Facts;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Brings what a course site says that happened into the facts of the store. */
public final class DeedFacts {
    /** What points may look like. */
    public static final String POINTS = "\\d{1,8}(\\.\\d{1,6})?";

    private static final int DAY_ALONE = 10;
    private static final int LONGEST = 20_000;
    private static final long A_DAY_HOURS = 24;

    /** Kinds of the hand-in box that have no fact here. */
    private static final Set<String> NO_FACTS = Set.of("PUBLISHED", "MOVED", "WRITTEN_TO");

    private DeedFacts() {}

    /** Whether there is a fact for it. */
    static boolean knows(ToldDeed deed) {
        return !NO_FACTS.contains(deed.kind());
    }

    /**
     * The fact that a deed makes.
     *
     * @param fact of its stamp
     * @param text of a hand-in; null for anything else
     */
    record Made(
            Actor actor,
            Function<Stamp, Fact> fact,
            Facts.Words words,
            @Nullable String text) {
        static Made student(Function<Stamp, Fact> fact) {
            return new Made(Actor.STUDENT, fact, Facts.Words.NONE, null);
        }

        static Made teacher(Function<Stamp, Fact> fact) {
            return new Made(Actor.TEACHER, fact, Facts.Words.NONE, null);
        }

        /** The same, written down by the student. */
        Made byHand() {
            return new Made(Actor.STUDENT, fact, words, text);
        }
    }

    /**
     * @param zone in which a day ends
     * @throws IllegalArgumentException or {@link java.time.DateTimeException} with a plain clause for what can't be read
     */
    static Made of(ToldDeed deed, ZoneId zone) {
        JsonNode body = deed.body();
        return switch (deed.kind()) {
            case "DRAFT_STARTED" -> Made.student(Fact.DraftStarted::new);
            case "ATTEMPT_BEGUN" -> Made.student(stamp -> new Fact.AttemptBegun(stamp, attempt(body)));
            case "HANDED_IN" -> handedIn(body);
            case "POSTED" -> posted(body);
            case "WITHDRAWN" -> Made.student(Fact.Withdrawn::new);
            case "EXTENSION_ASKED" -> Made.student(Fact.ExtensionAsked::new);
            case "TOKEN_USED" -> {
                Duration span = Duration.ofHours(body.path("hours").asLong(A_DAY_HOURS));
                yield Made.student(stamp -> new Fact.TokenUsed(stamp, span));
            }
            case "KEY_OPENED" -> Made.student(Fact.KeyOpened::new);
            case "SENT_BACK" -> sentBack(body, zone);
            case "RETURNED" -> returned(body, zone);
            case "SCORED" -> score(body);
            case "EXCUSED" -> Made.teacher(stamp -> new Fact.Excused(stamp, true));
            case "FLAGGED" -> {
                Flag flag = word(Flag.class, body, "flag");
                yield Made.teacher(stamp -> new Fact.Flagged(stamp, flag));
            }
            case "EXTENSION_GRANTED" -> granted(body, zone);
            case "EXTENSION_DECLINED" -> Made.teacher(Fact.ExtensionDeclined::new);
            case "REOPENED" -> Made.teacher(Fact.Reopened::new);
            case "COMMENTED" -> commented(body);
            case "RUBRIC_MARKED" -> Made.teacher(Fact.RubricMarked::new);
            case "ANSWERS_RELEASED" -> Made.teacher(stamp -> new Fact.AnswersReleased(stamp, attempt(body)));
            default -> throw new IllegalArgumentException("nothing is known of '" + deed.kind() + "'");
        };
    }

    private static Made handedIn(JsonNode body) {
        HandInContent content = content(body);
        int attempt = attempt(body);
        return new Made(
                Actor.STUDENT, stamp -> new Fact.HandedIn(stamp, attempt, content), Facts.Words.NONE, words(body));
    }

    private static Made posted(JsonNode body) {
        Fact.Posted.Part part =
                body.hasNonNull("part") ? word(Fact.Posted.Part.class, body, "part") : Fact.Posted.Part.POST;
        return new Made(
                Actor.STUDENT,
                stamp -> new Fact.Posted(stamp, part),
                new Facts.Words(cut(text(body, "say", "")), null, null),
                null);
    }

    private static Made sentBack(JsonNode body, ZoneId zone) {
        String why = cut(text(body, "why", ""));
        Deadline due = due(body, zone);
        return Made.teacher(stamp -> new Fact.SentBack(stamp, why, due));
    }

    private static Made returned(JsonNode body, ZoneId zone) {
        Fact.RedoAsked redo = body.path("asksRedo").asBoolean(false) ? new Fact.RedoAsked(due(body, zone)) : null;
        return Made.teacher(stamp -> new Fact.Returned(stamp, redo));
    }

    private static Made commented(JsonNode body) {
        String text = cut(text(body, "say", ""));
        boolean toClass = body.path("toClass").asBoolean(false);
        boolean asks = body.path("asks").asBoolean(false);
        return Made.teacher(stamp -> new Fact.Commented(stamp, text, !toClass, body.has("mark"), asks));
    }

    private static Made score(JsonNode body) {
        String points = text(body, "points", "");
        if (!points.matches(POINTS)) {
            throw new IllegalArgumentException("its score '" + points + "' is no number from 0 up");
        }
        Rational exact = Rational.of(new BigDecimal(points));
        boolean isFinal = body.path("final").asBoolean(true);
        boolean posted = body.path("posted").asBoolean(true);
        return Made.teacher(stamp -> new Fact.Scored(stamp, attempt(body), exact, isFinal, posted));
    }

    private static Made granted(JsonNode body, ZoneId zone) {
        Deadline due = due(body, zone);
        if (due == null) {
            throw new IllegalArgumentException("an extension was given without its new due");
        }
        return Made.teacher(stamp -> new Fact.ExtensionGranted(stamp, due));
    }

    private static @Nullable Deadline due(JsonNode body, ZoneId zone) {
        return deadline(body.hasNonNull("due") ? body.get("due").asString() : null, zone);
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

    /** The fact that a gradebook's result makes where it is the only source of a piece of work. */
    static Made scored(Rational points, boolean isFinal) {
        return Made.teacher(stamp -> new Fact.Scored(stamp, 1, points, isFinal, true));
    }

    /** What happened can't be later than it was told. */
    static Instant notAfter(Instant at, Instant now) {
        return at.isAfter(now) ? now : at;
    }
}

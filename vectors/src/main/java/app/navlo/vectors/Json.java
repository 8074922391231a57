package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** How cases write values: exact numbers as strings, instants in UTC, deadlines as an instant or a local day. */
final class Json {
    private Json() {}

    static boolean isNull(JsonNode node, String field) {
        return !node.hasNonNull(field);
    }

    static <T> @Nullable T orNull(JsonNode node, String field, Function<JsonNode, T> read) {
        return isNull(node, field) ? null : read.apply(node.get(field));
    }

    static <T> List<T> list(JsonNode node, Function<JsonNode, T> read) {
        List<T> all = new ArrayList<>();
        node.forEach(each -> all.add(read.apply(each)));
        return all;
    }

    static Instant instant(JsonNode node) {
        return Instant.parse(node.asString());
    }

    static Rational exact(JsonNode node) {
        return Rational.parse(node.asString());
    }

    static Deadline deadline(JsonNode node) {
        return node.has("at")
                ? Deadline.at(instant(node.get("at")))
                : Deadline.endOf(
                        LocalDate.parse(node.get("local").asString()),
                        ZoneId.of(node.get("zone").asString()));
    }

    static Duration minutes(JsonNode node) {
        return Duration.ofMinutes(node.asLong());
    }

    static WorkId work(JsonNode node, String field) {
        return new WorkId(node.get(field).asString());
    }

    static List<String> texts(Collection<WorkId> works) {
        return works.stream().map(WorkId::text).toList();
    }

    static @Nullable String text(JsonNode node, String field) {
        return orNull(node, field, JsonNode::asString);
    }

    static @Nullable Instant due(JsonNode node, String field) {
        Deadline due = orNull(node, field, Json::deadline);
        return due == null ? null : due.instant();
    }

    static SchoolCalendar calendar(JsonNode node) {
        return new SchoolCalendar(
                ZoneId.of(node.get("zone").asString()),
                Set.copyOf(list(node.get("schoolWeekdays"), day -> DayOfWeek.valueOf(day.asString()))),
                Set.copyOf(list(node.get("holidays"), day -> LocalDate.parse(day.asString()))));
    }

    /** Weekdays but for holidays. */
    static SchoolCalendar weekdays(JsonNode given) {
        return SchoolCalendar.weekdays(
                ZoneId.of(given.get("zone").asString()),
                Set.copyOf(list(given.get("holidays"), day -> LocalDate.parse(day.asString()))));
    }

    /** No policy at all is one that costs nothing. */
    static LatePolicy policy(JsonNode node) {
        if (node.isNull()) {
            return LatePolicy.NONE;
        }
        return new LatePolicy(
                minutes(node.get("graceMinutes")),
                penalty(node),
                orNull(node, "floor", Json::exact),
                orNull(node, "cutoffHours", Json::hours));
    }

    private static Penalty penalty(JsonNode node) {
        return switch (node.get("kind").asString()) {
            case "none" -> new Penalty.None();
            case "flat" -> new Penalty.Flat(exact(node.get("percent")), constant(Base.class, node.get("base")));
            case "perDay" ->
                new Penalty.PerDay(
                        exact(node.get("percent")),
                        orNull(node, "cap", Json::exact),
                        node.get("measure").asString().equals("spans24h")
                                ? Measure.SPANS_24H
                                : constant(Measure.class, node.get("measure")),
                        constant(Base.class, node.get("base")));
            default -> throw new IllegalArgumentException("no such kind of penalty: " + node.get("kind"));
        };
    }

    /** {@code GRADING_CLOSE} as {@code "gradingClose"}. */
    static String camel(Enum<?> constant) {
        StringBuilder camel = new StringBuilder();
        for (String word : constant.name().toLowerCase(Locale.ROOT).split("_")) {
            camel.append(camel.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        return camel.toString();
    }

    static List<String> camel(List<? extends Enum<?>> constants) {
        return constants.stream().map(Json::camel).toList();
    }

    /** An exact number as cases write it; null stays null. */
    static @Nullable String exact(@Nullable Rational value) {
        return value == null ? null : value.toString();
    }

    /** A map that keeps its order and takes nulls, from names and values by turns. */
    static Map<String, Object> map(@Nullable Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return map;
    }

    /** Whether two lists of ids name the same, in any order. */
    static boolean sameSet(JsonNode one, JsonNode other) {
        return list(one, JsonNode::asString).stream()
                .sorted()
                .toList()
                .equals(list(other, JsonNode::asString).stream().sorted().toList());
    }

    static Duration hours(JsonNode node) {
        return Duration.ofHours(node.asLong());
    }

    /** {@code "onTime"} and {@code "on time"} both name {@code ON_TIME}. */
    static <E extends Enum<E>> E constant(Class<E> type, JsonNode node) {
        String name = node.asString().replaceAll("([a-z])([A-Z])", "$1_$2").replace(' ', '_');
        return Enum.valueOf(type, name.toUpperCase(Locale.ROOT));
    }

    /** {@code ON_TIME} as {@code "on time"}. */
    static String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}

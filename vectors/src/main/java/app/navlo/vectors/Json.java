package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

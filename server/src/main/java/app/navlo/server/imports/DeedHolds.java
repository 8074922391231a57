package app.navlo.server.imports;

import app.navlo.core.exact.Rational;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.store.Feedback;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * What a deed of a course site holds beside its words: rows of a rubric, a place on a page, the questions of an attempt.
 *
 * @param mark null for none
 */
record DeedHolds(@Nullable Mark mark, List<Feedback.RubricMark> rows, List<Feedback.Answer> answers) {
    private static final int MOST_ROWS = 200;
    private static final int LONGEST = 4_000;

    /**
     * @param handIn by its source's key; null where it isn't named
     * @param file its position in the hand-in, from 1
     * @param page from 1
     */
    record Mark(@Nullable String handIn, int file, int page, Feedback.Area area) {}

    /** @throws IllegalArgumentException with a plain clause for what can't be read */
    static DeedHolds of(ToldDeed deed) {
        JsonNode body = deed.body();
        return new DeedHolds(
                body.has("mark") ? mark(body.get("mark")) : null,
                rows(body.path("rows")),
                answers(body.path("answers")));
    }

    private static Mark mark(JsonNode mark) {
        double x = share(mark, "x");
        double y = share(mark, "y");
        double width = share(mark, "width");
        double height = share(mark, "height");
        int page = mark.path("page").asInt(1);
        if (x + width > 1 || y + height > 1 || page < 1) {
            throw new IllegalArgumentException("its mark lies beside the page");
        }
        return new Mark(
                mark.hasNonNull("handIn") ? mark.get("handIn").asString() : null,
                Math.max(1, mark.path("file").asInt(1)),
                page,
                new Feedback.Area(x, y, width, height));
    }

    private static double share(JsonNode mark, String field) {
        double share = mark.path(field).asDouble(0);
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("the " + field + " of its mark is no share from 0 to 1");
        }
        return share;
    }

    private static List<Feedback.RubricMark> rows(JsonNode rows) {
        List<Feedback.RubricMark> marks = new ArrayList<>();
        for (JsonNode row : few(rows)) {
            marks.add(new Feedback.RubricMark(marks.size(), points(row, "points"), text(row, "words")));
        }
        return marks;
    }

    private static List<Feedback.Answer> answers(JsonNode answers) {
        List<Feedback.Answer> read = new ArrayList<>();
        for (JsonNode one : few(answers)) {
            String question = text(one, "question");
            if (question == null) {
                throw new IllegalArgumentException("one of its answers names no question");
            }
            read.add(new Feedback.Answer(
                    question,
                    text(one, "given"),
                    text(one, "wanted"),
                    points(one, "points"),
                    points(one, "possible"),
                    text(one, "words")));
        }
        return read;
    }

    private static JsonNode few(JsonNode list) {
        if (list.size() > MOST_ROWS) {
            throw new IllegalArgumentException("it has " + list.size() + " rows; at most " + MOST_ROWS + " are read");
        }
        return list;
    }

    private static Rational points(JsonNode row, String field) {
        String text = row.hasNonNull(field) ? row.get(field).asString() : "";
        if (!text.matches(DeedFacts.POINTS)) {
            throw new IllegalArgumentException("the points '" + text + "' of one of its rows are no number from 0 up");
        }
        return Rational.of(new BigDecimal(text));
    }

    private static @Nullable String text(JsonNode row, String field) {
        String text = row.hasNonNull(field) ? row.get(field).asString() : "";
        return text.isBlank() ? null : text.substring(0, Math.min(LONGEST, text.length()));
    }
}

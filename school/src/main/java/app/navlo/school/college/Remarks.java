package app.navlo.school.college;

import app.navlo.school.college.CollegeFiles.Course;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What teachers give and say for what was handed in: points, rows of a rubric, words, places on a page, answers. */
final class Remarks {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Duration ROWS_AFTER = Duration.ofMinutes(2);
    private static final Duration MARK_AFTER = Duration.ofMinutes(6);
    private static final double USUAL = 0.8;
    private static final double SPREAD = 0.12;
    private static final double GOOD = 0.85;
    private static final double MIDDLING = 0.65;
    private static final Duration WORDS_AFTER = Duration.ofMinutes(4);

    private final Instant start;
    private final long seed;

    /** @param start of the school: what was scored before it was remarked on then */
    Remarks(Instant start, long seed) {
        this.start = start;
        this.seed = seed;
    }

    /** What is still to be said about a score that the class sees; empty if all is said. */
    Optional<Deed> next(Item item, Course course, List<Deed> life) {
        return rubric(item, course, life).or(() -> comment(item, course, life)).or(() -> mark(item, course, life));
    }

    /** Of a rubric the sum of its levels, else by chance. */
    BigDecimal points(Item item, BigDecimal possible, Deed handedIn, Random random) {
        return item.rubric().isEmpty()
                ? points(possible, random)
                : sum(levels(item, handedIn)).min(possible);
    }

    private static BigDecimal points(BigDecimal possible, Random random) {
        double share = Math.min(1, Math.max(0.2, USUAL + SPREAD * random.nextGaussian()));
        return possible.multiply(BigDecimal.valueOf(2 * share))
                .setScale(0, RoundingMode.HALF_UP)
                .divide(BigDecimal.valueOf(2), 1, RoundingMode.UNNECESSARY)
                .stripTrailingZeros();
    }

    /** The level that each row of the rubric gets for a hand-in: mostly one of the upper two. */
    private List<Item.RubricLevel> levels(Item item, Deed handedIn) {
        Random random = Teachers.random(seed, item, "rubric", handedIn.id());
        return item.rubric().stream()
                .map(row -> {
                    int down = random.nextInt(10) < 5 ? 0 : random.nextInt(10) < 8 ? 1 : 2;
                    return row.levels().get(Math.min(down, row.levels().size() - 1));
                })
                .toList();
    }

    private static BigDecimal sum(List<Item.RubricLevel> levels) {
        return levels.stream().map(Item.RubricLevel::points).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static @Nullable Deed last(List<Deed> life, Deed.Kind kind) {
        return life.stream()
                .filter(deed -> deed.kind() == kind)
                .reduce((earlier, later) -> later)
                .orElse(null);
    }

    /** The score that the class sees, if the teacher gave it since the school began. */
    private @Nullable Deed shownScore(List<Deed> life) {
        Deed scored = life.stream()
                .filter(deed -> deed.kind() == Deed.Kind.SCORED
                        && deed.body().path("posted").asBoolean(true))
                .reduce((earlier, later) -> later)
                .orElse(null);
        return scored != null && scored.at().isAfter(start) ? scored : null;
    }

    /** The rows of its rubric, two minutes after the score that they add up to is shown. */
    private Optional<Deed> rubric(Item item, Course course, List<Deed> life) {
        Deed scored = shownScore(life);
        Deed handedIn = last(life, Deed.Kind.HANDED_IN);
        Deed marked = last(life, Deed.Kind.RUBRIC_MARKED);
        boolean done = marked != null && scored != null && !marked.at().isBefore(scored.at());
        if (item.rubric().isEmpty() || scored == null || handedIn == null || done) {
            return Optional.empty();
        }
        ObjectNode body = JSON.createObjectNode();
        ArrayNode rows = body.putArray("rows");
        levels(item, handedIn).forEach(level -> rows.addObject().put("got", level.points()));
        return Optional.of(Teachers.deed(scored.at().plus(ROWS_AFTER), Deed.Kind.RUBRIC_MARKED, item, course, body));
    }

    /** Words on a place of the first file's first page, some minutes after the score. */
    private Optional<Deed> mark(Item item, Course course, List<Deed> life) {
        Deed scored = shownScore(life);
        Deed handedIn = last(life, Deed.Kind.HANDED_IN);
        List<String> words = course.habits().marks();
        if (scored == null
                || handedIn == null
                || words.isEmpty()
                || handedIn.body().path("files").isEmpty()) {
            return Optional.empty();
        }
        boolean marked = life.stream()
                .anyMatch(deed -> deed.kind() == Deed.Kind.COMMENTED
                        && deed.body().has("mark")
                        && !deed.at().isBefore(scored.at()));
        if (marked) {
            return Optional.empty();
        }
        Random random = Teachers.random(seed, item, "mark", handedIn.id());
        ObjectNode body = JSON.createObjectNode().put("say", words.get(random.nextInt(words.size())));
        body.putObject("mark")
                .put("x", (10 + random.nextInt(50)) / 100.0)
                .put("y", (10 + random.nextInt(60)) / 100.0)
                .put("width", (15 + random.nextInt(15)) / 100.0)
                .put("height", (6 + random.nextInt(12)) / 100.0);
        return Optional.of(Teachers.deed(scored.at().plus(MARK_AFTER), Deed.Kind.COMMENTED, item, course, body));
    }

    /** Words that go with a score that the teacher gave by itself, minutes after it. */
    private Optional<Deed> comment(Item item, Course course, List<Deed> life) {
        Deed scored = shownScore(life);
        if (scored == null || item.points() == null) {
            return Optional.empty();
        }
        Instant at = scored.at().plus(WORDS_AFTER);
        Deed spoken = scored;
        boolean saidAlready = life.stream()
                .anyMatch(deed -> deed.kind() == Deed.Kind.COMMENTED
                        && !deed.body().has("mark")
                        && !deed.at().isBefore(spoken.at()));
        if (saidAlready) {
            return Optional.empty();
        }
        double share = new BigDecimal(scored.body().get("points").asString()).doubleValue()
                / item.points().doubleValue();
        int level = share >= GOOD ? 0 : share >= MIDDLING ? 1 : 2;
        List<CollegeFiles.Saying> sayings = course.habits().says().get(level);
        CollegeFiles.Saying said =
                sayings.get(Teachers.random(seed, item, "words", scored.id()).nextInt(sayings.size()));
        ObjectNode body = JSON.createObjectNode().put("say", said.words()).put("asks", said.asks());
        return Optional.of(Teachers.deed(at, Deed.Kind.COMMENTED, item, course, body));
    }

    /** What was answered on the course site; else as many right as the score says, the first ones. */
    static ObjectNode answers(Item item, Course course, List<Deed> life) {
        ObjectNode body = JSON.createObjectNode().put("attempt", 1);
        Deed scored = Objects.requireNonNull(last(life, Deed.Kind.SCORED));
        body.put("attempt", scored.body().path("attempt").asInt(1));
        List<CollegeFiles.Question> questions = item.quiz().isEmpty()
                ? course.habits().questions()
                : item.quiz().some();
        if (item.points() == null || item.points().signum() == 0) {
            return body;
        }
        Deed taken = last(life, Deed.Kind.HANDED_IN);
        if (taken != null && taken.body().has("answers") && !item.quiz().isEmpty()) {
            return body.set("answers", item.quiz().released(taken.body().get("answers"), item.points()));
        }
        double share = new BigDecimal(scored.body().get("points").asString()).doubleValue()
                / item.points().doubleValue();
        long right = Math.round(share * questions.size());
        ArrayNode answers = JSON.createArrayNode();
        for (CollegeFiles.Question one : questions) {
            boolean knew = answers.size() < right;
            answers.addObject()
                    .put("question", one.question())
                    .put("given", knew ? one.wanted() : one.given())
                    .put("wanted", one.wanted())
                    .put("points", knew ? 1 : 0)
                    .put("of", 1);
        }
        return answers.isEmpty() ? body : body.set("answers", answers);
    }
}

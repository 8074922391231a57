package app.navlo.school.college;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Reads the school out of its files: who is there, what was set, what has happened, and what teachers do from now on. */
final class CollegeFiles {
    private static final YAMLMapper YAML = YAMLMapper.builder().build();
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final int A_DAY_ALONE = 10;

    private static final Map<String, Deed.Kind> DEEDS = Map.ofEntries(
            Map.entry("draft", Deed.Kind.DRAFT_STARTED),
            Map.entry("began an attempt", Deed.Kind.ATTEMPT_BEGUN),
            Map.entry("handed in", Deed.Kind.HANDED_IN),
            Map.entry("finished", Deed.Kind.HANDED_IN),
            Map.entry("posted", Deed.Kind.POSTED),
            Map.entry("replied", Deed.Kind.POSTED),
            Map.entry("withdrew", Deed.Kind.WITHDRAWN),
            Map.entry("asked for an extension", Deed.Kind.EXTENSION_ASKED),
            Map.entry("used a token", Deed.Kind.TOKEN_USED),
            Map.entry("opened the key", Deed.Kind.KEY_OPENED),
            Map.entry("sent back", Deed.Kind.SENT_BACK),
            Map.entry("returned", Deed.Kind.RETURNED),
            Map.entry("scored", Deed.Kind.SCORED),
            Map.entry("excused", Deed.Kind.EXCUSED),
            Map.entry("flagged", Deed.Kind.FLAGGED),
            Map.entry("granted an extension", Deed.Kind.EXTENSION_GRANTED),
            Map.entry("declined an extension", Deed.Kind.EXTENSION_DECLINED),
            Map.entry("reopened", Deed.Kind.REOPENED),
            Map.entry("commented", Deed.Kind.COMMENTED),
            Map.entry("answered", Deed.Kind.COMMENTED),
            Map.entry("marked the rubric", Deed.Kind.RUBRIC_MARKED),
            Map.entry("released answers", Deed.Kind.ANSWERS_RELEASED));

    private final ZoneId zone;
    private final School which;
    private final JsonNode quizzes;

    private CollegeFiles(School which, ZoneId zone) {
        this.which = which;
        this.zone = zone;
        this.quizzes = CollegeFiles.class.getResource(which.folder() + "quizzes.yaml") == null
                ? YAML.createObjectNode()
                : tree(which.folder() + "quizzes.yaml");
    }

    /**
     * @param key of the course in the files, "soil"
     * @param habits how its teacher works
     */
    record Course(String key, String name, String teacher, String email, Habits habits) {}

    /**
     * How a teacher works.
     *
     * @param day on which everything is graded; null to grade after {@code hours}
     * @param at the time of day
     * @param hours from a hand-in to its score, least and most
     * @param forgets one in so many hand-ins is forgotten until somebody asks; 0 for none
     * @param postsAfterHours scores are hidden for so long; 0 to show them at once
     * @param marksMissing whether what isn't there at grading is recorded as missing
     * @param extensionDays that are given when asked for in time; 0 for a course without extensions
     * @param askWithinHours after the due
     * @param says comments for good, middling and low scores, several of each
     * @param marks words that are put on a place of a page; empty for a teacher who doesn't
     * @param questions of quizzes that are set from now on
     */
    record Habits(
            @Nullable DayOfWeek day,
            LocalTime at,
            List<Integer> hours,
            int forgets,
            int postsAfterHours,
            boolean marksMissing,
            int extensionDays,
            int askWithinHours,
            List<List<Saying>> says,
            List<String> marks,
            List<Question> questions) {}

    /** @param asks whether it wants something done */
    record Saying(String words, boolean asks) {}

    /** @param given what is answered by who doesn't know it */
    record Question(String question, String wanted, String given) {}

    /**
     * @param happened what the files tell, in order, up to the start
     * @param planned what they tell after it
     */
    record Read(
            School which,
            String name,
            ZoneId zone,
            Instant start,
            String student,
            String studentEmail,
            LocalDate firstDay,
            LocalDate lastDay,
            List<LocalDate> daysOff,
            Map<String, Course> courses,
            List<Item> items,
            List<Announcement> announcements,
            List<Deed> happened,
            List<Deed> planned) {}

    private List<Announcement> announcements() {
        List<Announcement> all = new ArrayList<>();
        for (JsonNode one : tree(which.folder() + "announcements.yaml")) {
            all.add(new Announcement(
                    one.get("key").asString(),
                    one.hasNonNull("course") ? one.get("course").asString() : null,
                    LocalDateTime.parse(one.get("at").asString(), MOMENT)
                            .atZone(zone)
                            .toInstant(),
                    one.get("by").asString(),
                    one.get("title").asString(),
                    one.get("text").asString(),
                    one.hasNonNull("last") ? LocalDate.parse(one.get("last").asString()) : null,
                    textOrNull(one, "paper")));
        }
        return all;
    }

    static Read read(School which) {
        JsonNode school = tree(which.folder() + "school.yaml");
        CollegeFiles files =
                new CollegeFiles(which, ZoneId.of(school.get("zone").asString()));
        return files.read(school, tree(which.folder() + "teachers.yaml"));
    }

    private Read read(JsonNode school, JsonNode teachers) {
        Instant start = at(school.get("clock").asString());
        String email = school.get("student").asString();
        String student = school.get("people")
                .valueStream()
                .filter(one -> one.get("email").asString().equals(email))
                .findFirst()
                .orElseThrow()
                .get("name")
                .asString();
        Map<String, Course> courses = new LinkedHashMap<>();
        List<Item> items = new ArrayList<>();
        List<Deed> happened = new ArrayList<>();
        for (JsonNode key : school.get("courses")) {
            JsonNode file = tree(which.folder() + "courses/" + key.asString() + ".yaml");
            JsonNode habits = teachers.get(key.asString());
            Course course = course(key.asString(), file, habits);
            courses.put(course.key(), course);
            for (JsonNode work : file.get("works")) {
                Item item = item(course, work);
                items.add(item);
                for (JsonNode fact : Objects.requireNonNullElse(work.get("life"), YAML.createArrayNode())) {
                    happened.addAll(deeds(item, course, student, fact));
                }
            }
            for (JsonNode work : Objects.requireNonNullElse(habits.get("later"), YAML.createArrayNode())) {
                items.add(item(course, work));
            }
        }
        happened.sort(Comparator.comparing(Deed::at));
        List<LocalDate> off = new ArrayList<>();
        school.at("/term/daysOff")
                .forEach(one -> LocalDate.parse(one.get("first").asString())
                        .datesUntil(LocalDate.parse(one.get("last").asString()).plusDays(1))
                        .forEach(off::add));
        return new Read(
                which,
                school.get("school").asString(),
                zone,
                start,
                student,
                email,
                LocalDate.parse(school.at("/term/firstDay").asString()),
                LocalDate.parse(school.at("/term/lastDay").asString()),
                off,
                courses,
                items,
                announcements(),
                happened.stream().filter(deed -> !deed.at().isAfter(start)).toList(),
                happened.stream().filter(deed -> deed.at().isAfter(start)).toList());
    }

    private static Saying saying(JsonNode say) {
        return say.isString()
                ? new Saying(say.asString(), false)
                : new Saying(say.get("say").asString(), say.path("asks").asBoolean(false));
    }

    private static Course course(String key, JsonNode file, JsonNode habits) {
        List<List<Saying>> says = habits.get("says")
                .valueStream()
                .map(level -> level.valueStream().map(CollegeFiles::saying).toList())
                .toList();
        List<Integer> hours = new ArrayList<>();
        habits.path("hours").forEach(one -> hours.add(one.asInt()));
        return new Course(
                key,
                file.get("name").asString(),
                file.get("teacher").asString(),
                file.get("email").asString(),
                new Habits(
                        habits.hasNonNull("day")
                                ? DayOfWeek.valueOf(habits.get("day").asString().toUpperCase(Locale.ROOT))
                                : null,
                        LocalTime.parse(habits.path("at").asString("10:00")),
                        hours,
                        habits.path("forgets").asInt(0),
                        habits.path("postsAfterHours").asInt(0),
                        habits.path("marksMissing").asBoolean(false),
                        habits.path("extensionDays").asInt(0),
                        habits.path("askWithinHours").asInt(0),
                        says,
                        habits.path("marks")
                                .valueStream()
                                .map(JsonNode::asString)
                                .toList(),
                        habits.path("questions")
                                .valueStream()
                                .map(one -> new Question(
                                        one.get("question").asString(),
                                        one.get("wanted").asString(),
                                        one.get("given").asString()))
                                .toList()));
    }

    private Item item(Course course, JsonNode work) {
        String dueText = textOrNull(work, "due");
        Instant due = dueText == null ? null : deadline(dueText);
        Instant opens = work.hasNonNull("opens") ? at(work.get("opens").asString()) : null;
        Instant shown = work.hasNonNull("published") ? at(work.get("published").asString()) : Instant.EPOCH;
        JsonNode takes = work.path("takes");
        List<String> endings = new ArrayList<>();
        takes.path("files").forEach(one -> endings.add(one.asString()));
        String title = work.get("title").asString();
        String kind = textOrNull(work, "kind");
        return new Item(
                course.name() + "/" + title,
                course.key(),
                title,
                kind,
                textOrNull(work, "unit"),
                textOrNull(work, "category"),
                work.hasNonNull("points") ? new BigDecimal(work.get("points").asString()) : null,
                shown,
                opens,
                due,
                dueText,
                work.hasNonNull("ends") ? at(work.get("ends").asString()) : null,
                work.hasNonNull("closes") ? deadline(work.get("closes").asString()) : null,
                endings,
                takes.has("files"),
                takes.path("text").asBoolean(false),
                !work.path("inClass").asBoolean(false),
                !work.path("optional").asBoolean(false) && !"practice".equals(kind),
                work.path("attempts").asInt(0),
                work.hasNonNull("effort") ? work.get("effort").asInt() : null,
                work.path("instructions").asString("").strip(),
                work.at("/rubric/rows")
                        .valueStream()
                        .map(CollegeFiles::rubricRow)
                        .toList(),
                new Quiz(quizzes.path(title)
                        .valueStream()
                        .map(CollegeFiles::question)
                        .toList()));
    }

    private static Quiz.Question question(JsonNode asked) {
        List<String> texts = asked.valueStream().map(JsonNode::asString).toList();
        return new Quiz.Question(texts.get(0), texts.get(1), texts.subList(2, texts.size()));
    }

    private static Item.RubricRow rubricRow(JsonNode row) {
        return new Item.RubricRow(
                row.get("title").asString(),
                row.get("levels")
                        .valueStream()
                        .map(level -> new Item.RubricLevel(
                                level.get("title").asString(),
                                level.get("description").asString(),
                                new BigDecimal(level.get("points").asString())))
                        .toList());
    }

    private List<Deed> deeds(Item item, Course course, String student, JsonNode fact) {
        Deed.Kind kind = DEEDS.get(fact.get("did").asString());
        if (kind == null) {
            return List.of();
        }
        boolean byStudent =
                switch (kind) {
                    case DRAFT_STARTED,
                            ATTEMPT_BEGUN,
                            HANDED_IN,
                            POSTED,
                            WITHDRAWN,
                            EXTENSION_ASKED,
                            TOKEN_USED,
                            KEY_OPENED -> true;
                    default -> fact.get("did").asString().equals("answered");
                };
        Instant at = at(fact.get("at").asString());
        String by = fact.path("by").asString(byStudent ? student : course.teacher());
        List<Deed> deeds =
                new ArrayList<>(List.of(new Deed(0, at, kind, item.key(), by, ((ObjectNode) fact).deepCopy())));
        boolean alsoSaid = fact.hasNonNull("say") && kind != Deed.Kind.COMMENTED && kind != Deed.Kind.POSTED;
        if (alsoSaid) {
            ObjectNode said = YAML.createObjectNode().put("say", fact.get("say").asString());
            deeds.add(new Deed(0, at, Deed.Kind.COMMENTED, item.key(), course.teacher(), said));
        }
        return deeds;
    }

    private Instant at(String text) {
        return LocalDateTime.parse(text, MOMENT).atZone(zone).toInstant();
    }

    private Instant deadline(String text) {
        return text.length() == A_DAY_ALONE
                ? LocalDate.parse(text).plusDays(1).atStartOfDay(zone).toInstant()
                : at(text);
    }

    private static @Nullable String textOrNull(JsonNode node, String field) {
        return node.hasNonNull(field) ? node.get(field).asString() : null;
    }

    private static JsonNode tree(String name) {
        try (InputStream in = Objects.requireNonNull(CollegeFiles.class.getResourceAsStream(name), name)) {
            return YAML.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

package app.navlo.school.college;

import app.navlo.core.time.Deadline;
import app.navlo.formats.ical.CalendarWriter;
import app.navlo.formats.ical.OutgoingCalendar;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes what the course site tells: the record of a student as JSON, and the dues of a course as a calendar. */
final class RecordWriter {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_DEEDS = 2_000;
    private static final int DAY_ALONE = 10;

    private final College college;

    RecordWriter(College college) {
        this.college = college;
    }

    /**
     * All courses and items, and the deeds after one.
     *
     * @param after the last deed that is known already; 0 for none
     */
    ObjectNode record(long after) {
        List<Deed> deeds = college.deedsAfter(after, MOST_DEEDS);
        ObjectNode record = JSON.createObjectNode()
                .put("school", college.name())
                .put("zone", college.files().zone().getId())
                .put("student", college.files().student())
                .put(
                        "last",
                        deeds.isEmpty() ? after : deeds.get(deeds.size() - 1).id())
                .put("more", deeds.size() == MOST_DEEDS);
        ArrayNode courses = record.putArray("courses");
        college.files().courses().values().forEach(course -> courses.addObject()
                .put("key", course.key())
                .put("name", course.name())
                .put("teacher", course.teacher())
                .put("email", course.email()));
        ArrayNode items = record.putArray("items");
        college.published().forEach(item -> items.add(item(item)));
        ArrayNode said = record.putArray("announcements");
        college.files().announcements().stream()
                .filter(one -> !one.at().isAfter(college.now()))
                .forEach(one -> said.addObject()
                        .put("key", one.key())
                        .put("course", one.course())
                        .put("at", one.at().toString())
                        .put("by", one.by())
                        .put("title", one.title())
                        .put("text", one.text())
                        .put(
                                "lastDay",
                                one.lastDay() == null ? null : one.lastDay().toString())
                        .put("address", one.paper() == null ? null : CollegeServer.paper(one.paper())));
        ArrayNode told = record.putArray("deeds");
        deeds.stream().filter(deed -> deed.kind() != Deed.Kind.PUBLISHED).forEach(deed -> told.add(deed(deed)));
        return record;
    }

    private static ObjectNode item(Item item) {
        ObjectNode node = JSON.createObjectNode()
                .put("key", item.key())
                .put("course", item.course())
                .put("title", item.title())
                .put("kind", item.kind() == null ? "assignment" : item.kind())
                .put("unit", item.unit())
                .put("category", item.category())
                .put("points", item.points())
                .put("opens", text(item.opens()))
                .put("due", due(item))
                .put("starts", item.ends() == null ? null : text(item.due()))
                .put("ends", text(item.ends()))
                .put("closes", text(item.closes()))
                .put("takesFiles", item.files())
                .put("takesText", item.text())
                .put("expectsHandIn", item.expectsHandIn())
                .put("required", item.required())
                .put("attempts", item.attempts() == 0 ? null : item.attempts())
                .put("effortMinutes", item.effort())
                .put("address", CollegeServer.place(item.key()))
                .put("instructions", item.instructions());
        ArrayNode endings = node.putArray("fileTypes");
        item.takes().forEach(endings::add);
        ArrayNode rows = node.putArray("rubric");
        item.rubric().forEach(row -> {
            ArrayNode levels = rows.addObject().put("title", row.title()).putArray("levels");
            row.levels().forEach(level -> levels.addObject()
                    .put("title", level.title())
                    .put("description", level.description())
                    .put("points", level.points()));
        });
        return node;
    }

    private static @Nullable String text(@Nullable Instant instant) {
        return instant == null ? null : instant.toString();
    }

    private static @Nullable String due(Item item) {
        String text = item.dueText();
        return text == null || text.length() == DAY_ALONE ? text : text(item.due());
    }

    /** Times within the body are those of the files, and become days or instants here. */
    private ObjectNode deed(Deed deed) {
        ObjectNode node = JSON.createObjectNode()
                .put("id", deed.id())
                .put("at", deed.at().toString())
                .put("kind", deed.kind().name())
                .put("item", deed.item())
                .put("by", deed.by());
        ObjectNode body = deed.body();
        for (String field : List.of("attempt", "points", "why", "flag", "say", "text", "files", "note", "hours")) {
            if (body.hasNonNull(field)) {
                node.set(field, body.get(field));
            }
        }
        String due = deed.text("due");
        String redo = deed.text("redo");
        switch (deed.kind()) {
            case SCORED ->
                node.put("final", !body.path("provisional").asBoolean(false))
                        .put(
                                "posted",
                                body.path("posted")
                                        .asBoolean(!body.path("hidden").asBoolean(false)));
            case POSTED -> node.put("part", "replied".equals(deed.text("did")) ? "REPLY" : "POST");
            case RETURNED -> node.put("asksRedo", redo != null);
            case COMMENTED -> {
                node.put("toClass", body.path("toClass").asBoolean(false));
                node.put("asks", body.path("asks").asBoolean(false));
                if (body.has("mark")) {
                    node.set("mark", mark(deed));
                }
            }
            case RUBRIC_MARKED -> {
                ArrayNode rows = node.putArray("rows");
                body.path("rows").forEach(row -> rows.addObject()
                        .put("points", row.get("got").asString())
                        .set("words", row.get("say")));
            }
            case ANSWERS_RELEASED -> {
                ArrayNode answers = node.putArray("answers");
                body.path("answers").forEach(one -> answers.addObject()
                        .put("question", one.get("question").asString())
                        .put("points", one.get("points").asString())
                        .put("possible", one.get("of").asString())
                        .<ObjectNode>set("given", one.get("given"))
                        .<ObjectNode>set("wanted", one.get("wanted"))
                        .set("words", one.get("say")));
            }
            default -> {}
        }
        String until = due == null ? redo : due;
        if (until != null && !until.equals("none")) {
            node.put("due", moment(until));
        }
        return node;
    }

    /** A place on a page of the last hand-in before. */
    private ObjectNode mark(Deed comment) {
        JsonNode mark = comment.body().get("mark");
        ObjectNode node = JSON.createObjectNode();
        college.lifeOf(comment.item()).stream()
                .filter(deed -> deed.kind() == Deed.Kind.HANDED_IN && deed.id() < comment.id())
                .reduce((earlier, later) -> later)
                .ifPresent(handIn -> node.put("handIn", handIn.id()));
        return node.put("file", mark.path("file").asInt(1))
                .put("page", mark.path("page").asInt(1))
                .put("x", mark.get("x").asDouble())
                .put("y", mark.get("y").asDouble())
                .put("width", mark.path("width").asDouble(0))
                .put("height", mark.path("height").asDouble(0));
    }

    private String moment(String local) {
        return local.length() == DAY_ALONE
                ? local
                : LocalDateTime.parse(local.replace(' ', 'T'))
                        .atZone(college.files().zone())
                        .toInstant()
                        .toString();
    }

    /** @return empty of to-dos for a course that isn't there */
    byte[] calendar(String course) {
        List<OutgoingCalendar.ToDo> toDos = college.published().stream()
                .filter(item -> item.course().equals(course))
                .map(this::toDo)
                .toList();
        CollegeFiles.Course known = college.files().courses().get(course);
        OutgoingCalendar calendar = new OutgoingCalendar(
                known == null ? course : known.name(), college.files().start(), toDos, List.of());
        return CalendarWriter.write(calendar).getBytes(StandardCharsets.UTF_8);
    }

    private OutgoingCalendar.ToDo toDo(Item item) {
        Deadline due = item.due() == null || item.dueText() == null
                ? null
                : item.dueText().length() == DAY_ALONE
                        ? Deadline.endOf(
                                LocalDate.parse(item.dueText()), college.files().zone())
                        : Deadline.at(item.due());
        return new OutgoingCalendar.ToDo(
                "item-" + Integer.toHexString(item.key().hashCode()) + "@thornmere.example",
                item.title(),
                item.instructions(),
                item.category() == null ? "Work" : item.category(),
                item.opens(),
                due,
                OutgoingCalendar.Status.NEEDS_ACTION,
                0,
                null);
    }
}

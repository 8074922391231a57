package app.navlo.server.store;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The tables that hold what belongs to a student, in an order in which each comes after those that it names. Table and
 * column names come from here and from the database itself, never from an archive.
 */
public final class ArchiveTables {
    private ArchiveTables() {}

    private static final String OF_STUDENT = "student_id = ?";
    private static final String OF_TERM = "term_id IN (SELECT id FROM term WHERE student_id = ?)";
    private static final String OF_CHANGE = "change_id IN (SELECT id FROM change WHERE student_id = ?)";
    private static final String OF_FACT = "fact_id IN (SELECT id FROM fact WHERE student_id = ?)";
    private static final String OF_WORK = "work_id IN (SELECT id FROM work WHERE student_id = ?)";

    /**
     * @param of which rows are a student's
     * @param order in which they are written, so that the same rows make the same archive
     */
    public record Table(String name, String of, String order) {}

    public static final List<Table> ALL = List.of(
            new Table("change", OF_STUDENT, "id"),
            new Table("term", OF_STUDENT, "id"),
            new Table("day_off", OF_TERM, "term_id, first_day"),
            new Table("grading_period", OF_TERM, "id"),
            new Table("course", OF_STUDENT, "id"),
            new Table("course_revision", OF_CHANGE, "id"),
            new Table("course_rules", OF_CHANGE, "id"),
            new Table("calendar", OF_STUDENT, "id"),
            new Table("work", OF_STUDENT, "id"),
            new Table("work_revision", OF_CHANGE, "id"),
            new Table("attachment", OF_CHANGE, "id"),
            new Table("class_figure", OF_CHANGE, "id"),
            new Table("class_post", OF_CHANGE, "id"),
            new Table("fact", OF_STUDENT, "id"),
            new Table("hand_in", OF_FACT, "fact_id"),
            new Table("hand_in_file", OF_FACT, "fact_id, position"),
            new Table("hand_in_receipt", OF_FACT, "fact_id"),
            new Table("draft", OF_STUDENT, "work_id"),
            new Table("draft_file", OF_WORK, "id"),
            new Table("file_mark", OF_FACT, "fact_id"),
            new Table("rubric_mark", OF_FACT, "fact_id, place"),
            new Table("mark_tick", OF_CHANGE, "id"),
            new Table("comment_file", OF_FACT, "fact_id, position"),
            new Table("attempt_answer", OF_FACT, "fact_id, place"),
            new Table("other_record", OF_STUDENT, "id"),
            new Table("own_figure", OF_STUDENT, "id"),
            new Table("time_spent", OF_STUDENT, "id"),
            new Table("note", OF_STUDENT, "id"),
            new Table("note_revision", OF_CHANGE, "id"),
            new Table("agreement", OF_STUDENT, "id"),
            new Table("agreement_revision", OF_CHANGE, "id"),
            new Table("lens", OF_STUDENT, "id"),
            new Table("lens_revision", OF_CHANGE, "id"),
            new Table("own_time", OF_STUDENT, "id"),
            new Table("aim", OF_STUDENT, "id"),
            new Table("effort_refusal", OF_STUDENT, "id"),
            new Table("wish", OF_STUDENT, "id"),
            new Table("scenario", OF_STUDENT, "id"),
            new Table("scenario_revision", OF_CHANGE, "id"),
            new Table("busy_calendar", OF_STUDENT, "id"),
            new Table("busy_calendar_revision", OF_CHANGE, "id"),
            new Table(
                    "busy_time",
                    "busy_calendar_id IN (SELECT id FROM busy_calendar WHERE student_id = ?)",
                    "busy_calendar_id, starts_at, ends_at, title"),
            new Table("left_aside", OF_STUDENT, "change_id, origin_key"),
            new Table("link", OF_STUDENT, "id"),
            new Table("link_revision", OF_CHANGE, "id"),
            new Table("link_key", OF_CHANGE, "id"),
            new Table("link_import", OF_CHANGE, "change_id"),
            new Table("table_mapping", OF_STUDENT, "heads"),
            new Table("state_word", OF_STUDENT, "word"),
            new Table("unknown_aside", OF_STUDENT, "id"),
            new Table("announcement", OF_STUDENT, "id"),
            new Table("message", OF_STUDENT, "id"),
            new Table(
                    "message_file",
                    "message_id IN (SELECT id FROM message WHERE student_id = ?)",
                    "message_id, position"));

    /** Whose numbers are those of the person who takes the archive in. */
    public static final Set<String> PERSONS = Set.of("student_id", "person_id");

    /** Tables of what words mean, and what names a row of each: what an archive says of one holds. */
    static final Map<String, String> WORDS =
            Map.of("table_mapping", "student_id, heads", "state_word", "student_id, word");

    /** What stays at home: secrets, and what is being sent just now. */
    public static final Map<String, Set<String>> SECRETS =
            Map.of("link", Set.of("token"), "message", Set.of("next_try_at"));

    /** Columns that name a file by its digest. */
    public static final String FILE = "sha256";

    public static final List<String> WITH_FILES =
            List.of("attachment", "hand_in_file", "draft_file", "comment_file", "message_file");
}

package app.navlo.server.demo;

import app.navlo.core.policy.KeptScore;
import app.navlo.core.work.Flag;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.school.college.School;
import app.navlo.server.sheet.LateSheet;
import app.navlo.server.sheet.RubricSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.store.Role;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The files of the demo, as they are written. Times are local to the school: {@code 2026-11-24 16:20}, or a day alone. */
final class DemoFiles {
    private static final String HAND_INS = "/demo/files/";

    private static final YAMLMapper YAML = YAMLMapper.builder()
            .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private DemoFiles() {}

    /**
     * @param site what the link to its course site is called
     * @param gradebook what the link to its gradebook is called; null where it has none
     */
    record SchoolFile(
            String school,
            String zone,
            String clock,
            String site,
            @Nullable String gradebook,
            TermFile term,
            List<PersonFile> people,
            String student,
            List<String> guardians,
            Map<DayOfWeek, List<String>> freeHours,
            List<ClassHourFile> classes,
            List<String> courses) {}

    /** @param at "10:00-12:00" */
    record ClassHourFile(String course, DayOfWeek day, String at) {}

    record TermFile(
            String name, LocalDate firstDay, LocalDate lastDay, List<DaysOffFile> daysOff, List<CloseFile> closes) {}

    record DaysOffFile(LocalDate first, LocalDate last, String name) {}

    record CloseFile(String name, String at) {}

    record PersonFile(String name, Role role, String email, String password, String passwordHash, String who) {}

    record CourseFile(
            String name,

            @Nullable @com.fasterxml.jackson.annotation.JsonProperty("short")
            String shortName,

            String teacher,
            String email,
            String colour,
            @Nullable RuleSheet rules,
            @Nullable List<ThresholdFile> thresholds,
            List<WorkFile> works) {}

    /** A score that a piece of work, by its title, must reach in a course of completion. */
    record ThresholdFile(String work, String percent) {}

    /**
     * What shuts a piece of work; what isn't used is null. Other work is named by its title and stands before it.
     *
     * @param done work that must be done
     * @param reach work that must reach {@code percent}
     * @param unit all of which must be done
     */
    record GateFile(
            @Nullable String done,
            @Nullable String reach,
            @Nullable String percent,
            @Nullable String unit) {}

    record WorkFile(
            String title,
            @Nullable WorkKind kind,
            @Nullable String unit,
            @Nullable String category,
            @Nullable BigDecimal points,
            @Nullable Integer effort,
            @Nullable Integer spent,
            @Nullable String opens,
            @Nullable String due,
            @Nullable String ends,
            @Nullable String closes,
            @Nullable LateSheet late,
            @Nullable List<GateFile> gates,
            @Nullable List<String> standards,
            boolean extra,
            @Nullable BigDecimal pass,
            @Nullable Integer attempts,
            @Nullable KeptScore kept,
            WorkItem.@Nullable Parts parts,
            @Nullable RedoFile redo,
            boolean optional,
            boolean inClass,
            @Nullable TakesFile takes,
            @Nullable Integer filesWanted,
            @Nullable Integer timeLimit,
            @Nullable RubricSheet rubric,
            @Nullable List<String> attach,
            @Nullable ClassFile classFigures,
            @Nullable List<PostFile> thread,
            @Nullable List<RecordFile> records,
            @Nullable String instructions,
            @Nullable List<FactFile> life) {
        List<FactFile> facts() {
            return Objects.requireNonNullElse(life, List.of());
        }
    }

    /** How the class did, in points. */
    record ClassFile(
            @Nullable BigDecimal mean,
            @Nullable BigDecimal highest,
            @Nullable BigDecimal lowest) {}

    /** What somebody else wrote in a discussion. */
    record PostFile(String at, String by, boolean teacher, String say) {}

    /** What another system has of the work; what it doesn't have is null. */
    record RecordFile(
            String by,
            String at,
            @Nullable String title,
            @Nullable String due,
            @Nullable String handedIn,
            @Nullable BigDecimal points,
            boolean missing) {}

    /** Where on a page of the last hand-in a comment stands, in shares of the page; without a size it is a point. */
    record MarkFile(@Nullable Integer file, @Nullable Integer page, double x, double y, double width, double height) {}

    /** What a row of the rubric got; rows come in the order of the rubric. */
    record RowFile(BigDecimal got, @Nullable String say) {}

    record AnswerFile(
            String question,
            @Nullable String given,
            @Nullable String wanted,
            BigDecimal points,
            BigDecimal of,
            @Nullable String say) {}

    record RedoFile(@Nullable String until, boolean reopening) {}

    /**
     * @param files the endings taken; null for no files
     * @param maxMb the largest file in megabytes; null for the usual limit
     */
    record TakesFile(
            @Nullable List<String> files,
            boolean text,
            boolean done,
            @Nullable Integer maxMb) {}

    /**
     * One thing that happened.
     *
     * @param did in a word or two, as in "handed in"
     * @param byDue the part of the points that stood at the due; null for none of them
     * @param by who it was; null for the student or the teacher, whichever the deed is of
     * @param system whether a program did it
     * @param say the words of a comment or a post; with a score or return, a comment made with it
     * @param due that came with it; null for none
     * @param mark of a comment inside a file; null for none
     * @param rows of a rubric that was marked
     * @param answers of an attempt whose answers are released
     * @param redo the due of a redo that was asked for, or "none" for one without a due; null where none was asked for
     */
    record FactFile(
            String at,
            String did,
            @Nullable String by,
            boolean system,
            @Nullable Integer attempt,
            @Nullable String content,
            @Nullable List<String> files,
            @Nullable String text,
            @Nullable String note,
            @Nullable BigDecimal points,
            @Nullable BigDecimal byDue,
            boolean provisional,
            boolean hidden,
            @Nullable String why,
            @Nullable String due,
            @Nullable String redo,
            @Nullable Flag flag,
            @Nullable Integer hours,
            @Nullable String say,
            @Nullable MarkFile mark,
            @Nullable List<RowFile> rows,
            @Nullable List<AnswerFile> answers,
            boolean toClass) {}

    /** A mentor's students, whose terms are made from a seed. */
    record CohortFile(PersonFile mentor, long seed, List<MemberFile> students) {}

    /**
     * @param care how well they keep up, of 100
     * @param courses of the school, by the names of their files
     * @param group into which the mentor put them
     */
    record MemberFile(String name, int care, List<String> courses, String group) {}

    static CohortFile cohort(School school) {
        return read(school.folder() + "cohort.yaml", CohortFile.class);
    }

    static SchoolFile school(School school) {
        return read(school.folder() + "school.yaml", SchoolFile.class);
    }

    static CourseFile course(School school, String name) {
        return read(school.folder() + "courses/" + name + ".yaml", CourseFile.class);
    }

    /** The content of a file that was handed in. */
    static byte[] content(String name) {
        try (InputStream in = open(HAND_INS + name)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static <T> T read(String name, Class<T> type) {
        try (InputStream in = open(name)) {
            return YAML.readValue(in, type);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream open(String name) {
        return Objects.requireNonNull(DemoFiles.class.getResourceAsStream(name), "the demo has no file " + name);
    }
}

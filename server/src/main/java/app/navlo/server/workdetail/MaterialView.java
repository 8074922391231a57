package app.navlo.server.workdetail;

import app.navlo.core.policy.KeptScore;
import app.navlo.server.feedback.SaidView.AnswersView;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a school gives with a piece of work, and has of it.
 *
 * @param teacher null where the course names none
 * @param timeLimitMinutes of one attempt; null for none
 * @param filesWanted how many files are asked for; null where that isn't said
 * @param classFigures null where the school tells none
 * @param rubric null for none
 * @param attempts in order; empty where none was begun
 * @param kept which attempt counts
 * @param thread what was written in a discussion, in order; empty for any other work
 * @param records what other systems have of it
 */
public record MaterialView(
        @Nullable String teacher,
        List<AttachmentView> attachments,
        @Nullable Integer timeLimitMinutes,
        @Nullable Integer filesWanted,
        @Nullable ClassFiguresView classFigures,
        @Nullable RubricView rubric,
        List<AttemptView> attempts,
        KeptScore kept,
        List<PostView> thread,
        List<RecordView> records) {

    public record AttachmentView(long id, String name, String mediaType, long size) {}

    /** Points, each null where it isn't told. */
    public record ClassFiguresView(
            @Nullable String mean,
            @Nullable String highest,
            @Nullable String lowest) {}

    /** @param got null until it was marked */
    public record RubricView(List<RowView> rows, @Nullable String got, String most) {}

    /**
     * @param got null until it was marked
     * @param lost null until it was marked
     * @param words of the teacher on this row; null for none
     */
    public record RowView(
            String title,
            String most,
            @Nullable String got,
            @Nullable String lost,
            @Nullable String words,
            List<LevelView> levels) {}

    /** @param got whether the row was marked with exactly its points */
    public record LevelView(String title, String description, String points, boolean got) {}

    /**
     * @param begunAt null where only its end is known
     * @param endsAt when its time limit ends it; null without a limit, or once it is finished
     * @param finishedAt null while it runs, or where no hand-in is known
     * @param points raw; null while unscored, or hidden
     * @param counts final and posted, and taken
     * @param kept whether it is the one that counts in the course
     * @param answersAt when its answers can be seen, past or to come; null where that isn't told
     * @param shown what is shown of its answers; null until then
     */
    public record AttemptView(
            int number,
            @Nullable Instant begunAt,
            @Nullable Instant endsAt,
            @Nullable Instant finishedAt,
            @Nullable String points,
            boolean counts,
            boolean kept,
            @Nullable Instant answersAt,
            @Nullable AnswersView shown) {}

    /** Who wrote in a discussion. */
    public enum Author {
        STUDENT,
        CLASSMATE,
        TEACHER
    }

    /**
     * @param id of a post by somebody else, by which it is answered; null for one's own
     * @param answers the post that one's own reply answers; null for none
     * @param unread by somebody else, and new since the student last looked
     */
    public record PostView(
            @Nullable Long id,
            Instant at,
            Author author,
            String name,
            String body,
            @Nullable Long answers,
            boolean unread) {}

    /**
     * What another system has of it, and what to make of that.
     *
     * @param site what Navlo was told by where the work is handed in, in words
     * @param book what the other system has, in words
     * @param disagreements empty where the two agree
     */
    public record RecordView(
            String toldBy, Instant toldAt, String site, String book, List<DisagreementView> disagreements) {}

    /**
     * @param words one sentence
     * @param because why they differ, where something that only one side knows explains it; null otherwise
     * @param points that hang on which side is right; null for none
     * @param advice what to do about it
     */
    public record DisagreementView(
            String words,
            @Nullable String because,
            @Nullable String points,
            String advice) {}
}

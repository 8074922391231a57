package app.navlo.server.feedback;

import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.work.Actor;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing that was said about a piece of work, with all that it holds beside its words.
 *
 * @param id by which it is answered
 * @param text empty where a rubric was marked or answers were released without a word
 * @param answers the word that this one answers; null for none
 * @param mark where on a page it stands; null for nowhere
 * @param rows of the rubric that it marked; empty for none
 * @param released the answers that it lets be seen; null for none
 * @param files that go with it, in order
 */
public record SaidView(
        long id,
        long work,
        Instant at,
        Actor by,
        String name,
        FeedbackStream.Place place,
        String text,
        boolean unread,
        @Nullable Long answers,
        @Nullable MarkView mark,
        List<RowMarkView> rows,
        @Nullable ReleasedView released,
        List<EnclosedView> files) {

    /** A file that goes with a word or a message; its place there is its number, from 1. */
    public record EnclosedView(String name, long size) {}

    /**
     * Where on a page of a file that was handed in. Shares of the page's width and height, from its upper left corner; a
     * width and height of 0 are a point.
     *
     * @param position of the file in its hand-in, from 1
     * @param page from 1
     * @param done whether the student has dealt with it
     */
    public record MarkView(
            long handIn,
            int position,
            String fileName,
            int page,
            double x,
            double y,
            double width,
            double height,
            boolean done) {}

    /**
     * @param level whose points these are; null where they lie between two levels
     * @param words of the teacher on this row; null for none
     */
    public record RowMarkView(
            String title,
            String points,
            String most,
            String lost,
            @Nullable String level,
            @Nullable String description,
            @Nullable String words) {}

    public record ReleasedView(int attempt, AnswersView shown) {}

    /**
     * Answers of an attempt, as far as they are shown.
     *
     * @param answers in the order of the questions
     * @param questions that there were in all; null where that isn't known
     * @param worth points possible of those that are shown
     * @param possible points of the whole attempt
     */
    public record AnswersView(
            List<AnswerView> answers, @Nullable Integer questions, String worth, String possible) {}

    /**
     * @param given null for nothing
     * @param wanted null where the question has no one answer
     */
    public record AnswerView(
            String question,
            @Nullable String given,
            @Nullable String wanted,
            String points,
            String possible,
            @Nullable String words) {}
}

package app.navlo.server.message;

import app.navlo.server.feedback.SaidView.EnclosedView;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param own whether the student wrote it
 * @param yours whether who reads it wrote it; they put down what the teacher answers
 * @param work null for a message about a whole course
 * @param fault of the last try; null for none
 * @param files that go with it
 * @param school that has it beside the mail, with the number that it gave it; null for none
 * @param answer of the teacher, as its writer put it down; null for none yet
 */
public record MessageView(
        long id,
        long course,
        @Nullable Long work,
        Instant at,
        boolean own,
        boolean yours,
        String from,
        String to,
        String address,
        String subject,
        String body,
        Sending sending,
        @Nullable String fault,
        List<EnclosedView> files,
        @Nullable String school,
        @Nullable ReplyView answer) {
    /** @param at when it was put down */
    public record ReplyView(String words, Instant at) {}
}

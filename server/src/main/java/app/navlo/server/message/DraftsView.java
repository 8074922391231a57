package app.navlo.server.message;

import app.navlo.server.workdetail.WorkDetail;
import java.util.List;

/**
 * @param to the teacher's name; empty where the course names none
 * @param address where the teacher was last written to, or can be; empty where that isn't known
 * @param canSend false without a mail server; then the message can only be copied
 * @param files that go with a message
 * @param drafts the most pressing first; never empty
 */
public record DraftsView(
        String to, String address, boolean canSend, WorkDetail.TakesView files, List<MessageDraft> drafts) {}

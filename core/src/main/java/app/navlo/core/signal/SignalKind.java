package app.navlo.core.signal;

import app.navlo.core.reason.Rule;

/** What raises a signal, the most pressing kinds first. */
public enum SignalKind implements Rule {
    DRAFT_DUE(Group.ABOUT_TO_BE_LOST, Step.HAND_IN, "A draft, not handed in; due {due}"),
    DRAFT_OVERDUE(
            Group.ABOUT_TO_BE_LOST, Step.HAND_IN, "A draft, not handed in; it was due {due}, and is still accepted"),
    PARTS_DUE(Group.ABOUT_TO_BE_LOST, Step.HAND_IN, "{done} of {of} posts are there; due {due}"),
    PARTS_OVERDUE(
            Group.ABOUT_TO_BE_LOST,
            Step.HAND_IN,
            "{done} of {of} posts are there; it was due {due}, and is still accepted"),
    ASKING_ENDS(Group.ABOUT_TO_BE_LOST, Step.ASK_FOR_TIME, "More time can be asked for until {until}"),
    INCOMPLETE(Group.ASKED, Step.COMPLETE, "Flagged incomplete: what is lacking is still accepted"),
    SENT_BACK(Group.ASKED, Step.FIX, "Sent back: {why}"),
    REDO_ASKED(Group.ASKED, Step.REDO, "A redo was asked for"),
    BELOW_PASS_REDO_ALLOWED(Group.ASKED, Step.REDO, "Below the pass mark, and a redo is allowed"),
    REOPENING_OFFERED(Group.ASKED, Step.ASK_TO_REOPEN, "Below the pass mark; the teacher can open it again when asked"),
    QUESTION(Group.ASKED, Step.ANSWER, "{by} asks for something"),
    FLAGGED_LATE(Group.AGAINST, Step.SEND_RECEIPT, "Flagged late, though it was handed in on time, {at}"),
    FLAGGED_MISSING(Group.AGAINST, Step.SEND_RECEIPT, "Listed as missing, though it was handed in {at}"),
    RECORDS_DIFFER(Group.AGAINST, Step.ASK_WHICH_HOLDS, "{book} says otherwise, and {points} points hang on it"),
    ZERO_WITH_COMMENT(Group.AGAINST, Step.READ, "A zero with a comment; it may be asking for something"),
    ZERO_WITHOUT_FEEDBACK(Group.AGAINST, Step.ASK_WHY, "A zero, and nobody said why"),
    EXTENSION_DECLINED(Group.AGAINST, Step.READ, "The extension was declined"),
    DUE_EARLIER(Group.AGAINST, Step.READ, "The due was moved from {before} to {after}"),
    SHUT_FOR_GOOD(
            Group.AGAINST,
            Step.ASK_TO_REOPEN,
            "Shut for good: it waits for {work}, which the teacher would have to open again"),
    EXTENSION_GRANTED(Group.NEWS, Step.READ, "An extension was granted; due now {due}");

    /** What it is about. */
    public enum Group {
        ABOUT_TO_BE_LOST,
        ASKED,
        AGAINST,
        NEWS
    }

    /** What deals with it. */
    public enum Step {
        HAND_IN,
        ASK_FOR_TIME,
        COMPLETE,
        FIX,
        REDO,
        ASK_TO_REOPEN,
        ANSWER,
        SEND_RECEIPT,
        ASK_WHICH_HOLDS,
        ASK_WHY,
        READ
    }

    private final Group group;
    private final Step step;
    private final String template;

    SignalKind(Group group, Step step, String template) {
        this.group = group;
        this.step = step;
        this.template = template;
    }

    public Group group() {
        return group;
    }

    public Step step() {
        return step;
    }

    @Override
    public String template() {
        return template;
    }
}

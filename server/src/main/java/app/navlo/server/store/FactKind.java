package app.navlo.server.store;

/** The kinds of fact, as the column says them. */
public enum FactKind {
    DRAFT_STARTED,
    ATTEMPT_BEGUN,
    HANDED_IN,
    POSTED,
    WITHDRAWN,
    SENT_BACK,
    RETURNED,
    SCORED,
    EXCUSED,
    FLAGGED,
    EXTENSION_ASKED,
    EXTENSION_GRANTED,
    EXTENSION_DECLINED,
    TOKEN_USED,
    REOPENED,
    KEY_OPENED,
    COMMENTED,
    RUBRIC_MARKED,
    ANSWERS_RELEASED,
    READ_MARKED,
    DUE_MOVED,
    PUT_ASIDE
}

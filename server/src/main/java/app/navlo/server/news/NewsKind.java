package app.navlo.server.news;

/** What sort of thing is new. */
public enum NewsKind {
    WORK,
    SCORE,
    WORDS,
    FLAG,
    ANSWER,
    DUE,
    SENT_BACK,
    RETURNED,
    EXCUSED,
    REOPENED,
    CLOSED,
    FILE,
    ANNOUNCEMENT,
    CHANGE
}

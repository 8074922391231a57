package app.navlo.core.work;

/** How far a piece of work has come. */
public enum Stage {
    NOT_OPEN,
    ASSIGNED,
    DRAFT,
    TURNED_IN,
    SENT_BACK,
    RETURNED,
    EXCUSED
}

package app.navlo.server.household;

/** Of which work the figures of a row are. */
public enum Spanning {
    /** Due in the grading period that runs, each student's own, and what has no due. */
    PERIOD,
    TERM
}

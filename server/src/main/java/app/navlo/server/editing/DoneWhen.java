package app.navlo.server.editing;

/** When work was handed in that was done elsewhere. */
public enum DoneWhen {
    /** At its due; what isn't due yet, or has no due, just now. */
    AT_ITS_DUE,
    /** Within the day after its due. */
    LATE,
    NOW
}

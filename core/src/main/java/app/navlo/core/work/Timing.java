package app.navlo.core.work;

/** How it stands against its due, by the clock alone. */
public enum Timing {
    NO_DUE_DATE,
    AHEAD,
    DUE_SOON,
    OVERDUE,
    CLOSED,
    ON_TIME,
    LATE
}
